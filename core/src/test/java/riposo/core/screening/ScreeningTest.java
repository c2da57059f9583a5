package riposo.core.screening;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import riposo.core.limit.Proposal;

class ScreeningTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);

  private static Map<String, String> healthy() {
    Map<String, String> a = new LinkedHashMap<>();
    for (Question q : Screening.questions()) {
      if (q.kind() == Question.Kind.YES_NO && q.showIf() == null) {
        a.put(q.id(), "no");
      }
    }
    a.put("active.now", "yes");
    return a;
  }

  private static Assessment with(String... pairs) {
    Map<String, String> a = healthy();
    for (int i = 0; i < pairs.length; i += 2) {
      a.put(pairs[i], pairs[i + 1]);
    }
    return Screening.assess(a, TODAY);
  }

  @Test
  void aHealthyActiveClientIsReadyAfterAtMost25Questions() {
    Assessment a = with();
    assertThat(List.of(a.standing(), a.today())).isEqualTo(List.of(Outcome.READY, Outcome.GO));
    assertThat(a.visible()).hasSizeLessThanOrEqualTo(25);
    assertThat(a.complete()).isTrue();
  }

  @ParameterizedTest(name = "{0} gives {1} / {2}")
  @CsvSource({
    "sign.chest, CLEARANCE_ONLY, GO",
    "sign.tired, CLEARANCE_ONLY, GO",
    "sign.face, CLEARANCE_ONLY, URGENT",
    "sign.saddle, CLEARANCE_ONLY, URGENT",
    "heart.event, CLEARANCE_ONLY, GO",
    "disease.known, READY_WITH_LIMITS, GO",
    "pressure.high, READY_WITH_LIMITS, GO",
    "bone.low, READY_WITH_LIMITS, GO",
    "shoulder.pain, READY_WITH_LIMITS, GO",
    "knee.pain, READY_WITH_LIMITS, GO",
    "operation.recent, ASK_FIRST, GO",
    "falls.two, READY_WITH_LIMITS, GO",
    "birth.recent, ASK_FIRST, GO",
    "fatigue.after, READY_WITH_LIMITS, GO"
  })
  void eachYesHasItsOutcomeAndNotSureCountsAsYes(String id, Outcome standing, Outcome today) {
    for (String answer : List.of("yes", "unsure")) {
      Assessment a = with(id, answer);
      assertThat(List.of(a.standing(), a.today())).isEqualTo(List.of(standing, today));
      assertThat(a.findings()).allMatch(f -> !f.source().isBlank() && !f.rule().isBlank());
    }
  }

  @ParameterizedTest(name = "active {0}, disease {1}, vigorous {2}: {3}")
  @CsvSource({
    "no, no, no, READY_WITH_LIMITS",
    "no, yes, no, ASK_FIRST",
    "yes, no, yes, READY",
    "yes, yes, no, READY_WITH_LIMITS",
    "yes, yes, yes, ASK_FIRST",
    "unsure, no, no, READY_WITH_LIMITS"
  })
  void preParticipationTable(String active, String disease, String vigorous, Outcome standing) {
    assertThat(
            with("active.now", active, "disease.known", disease, "wish.vigorous", vigorous)
                .standing())
        .isEqualTo(standing);
  }

  @Test
  void addingAYesNeverImprovesAnOutcomeAndOrderDoesNotMatter() {
    List<String> ids =
        new ArrayList<>(
            healthy().keySet().stream().filter(id -> !id.equals("active.now")).toList());
    for (int seed = 0; seed < 200; seed++) {
      Random random = new Random(seed);
      Collections.shuffle(ids, random);
      Map<String, String> answers = healthy();
      Assessment before = Screening.assess(answers, TODAY);
      for (String id : ids.subList(0, 1 + random.nextInt(8))) {
        answers.put(id, random.nextBoolean() ? "yes" : "unsure");
        Assessment after = Screening.assess(answers, TODAY);
        assertThat(after.standing())
            .as("seed %d, %s", seed, id)
            .isGreaterThanOrEqualTo(before.standing());
        assertThat(after.today())
            .as("seed %d, %s", seed, id)
            .isGreaterThanOrEqualTo(before.today());
        Set<String> keys =
            new java.util.HashSet<>(after.proposals().stream().map(Proposal::key).toList());
        assertThat(keys).containsAll(before.proposals().stream().map(Proposal::key).toList());
        before = after;
      }
      List<Map.Entry<String, String>> entries = new ArrayList<>(answers.entrySet());
      Collections.shuffle(entries, random);
      Map<String, String> other = new LinkedHashMap<>();
      entries.forEach(e -> other.put(e.getKey(), e.getValue()));
      assertThat(Screening.assess(other, TODAY)).isEqualTo(before);
    }
  }

  @ParameterizedTest(name = "due in {0} days: {1}")
  @CsvSource({"280, 0+0", "109, 24+3", "0, 40+0", "-14, 42+0"})
  void gestationIsCountedInWeeksAndDays(int days, String shown) {
    assertThat(Gestation.on(TODAY, TODAY.plusDays(days)).toString()).isEqualTo(shown);
  }

  @ParameterizedTest
  @ValueSource(ints = {281, -15})
  void aDueDateOutOfRangeIsAnErrorWithBothDates(int days) {
    LocalDate due = TODAY.plusDays(days);
    assertThatThrownBy(() -> Gestation.on(TODAY, due))
        .hasMessageContaining(due.toString())
        .hasMessageContaining(TODAY.toString());
    assertThat(with("pregnancy.now", "yes", "pregnancy.due", due.toString()).errors())
        .containsKey("pregnancy.due");
  }

  @Test
  void flatOnTheBackClosesWhenWeek16BeginsAndAtOnceWithSymptoms() {
    LocalDate due = TODAY.plusDays(280 - 15 * 7 - 6); // 15+6
    Map<String, String> a =
        new HashMap<>(Map.of("pregnancy.now", "yes", "pregnancy.due", due.toString()));
    assertThat(supine(a).from()).isEqualTo(TODAY.plusDays(1));
    a.put("pregnancy.flat", "unsure");
    assertThat(supine(a).from()).isEqualTo(TODAY);
  }

  private static Proposal supine(Map<String, String> more) {
    Map<String, String> a = healthy();
    a.putAll(more);
    return Screening.assess(a, TODAY).proposals().stream()
        .filter(p -> p.axisId().equals("position.supine"))
        .findFirst()
        .orElseThrow();
  }

  @ParameterizedTest(name = "{0}/{1} maternity {2}, symptoms {3}, dizzy {4}: {5}")
  @CsvSource({
    "159, 99, false, false, false, GO",
    "160, 99, false, false, false, CAUTION",
    "159, 100, false, false, false, CAUTION",
    "179, 109, false, false, false, CAUTION",
    "180, 90, false, false, false, NOT_TODAY",
    "150, 110, false, false, false, NOT_TODAY",
    "180, 90, false, true, false, URGENT",
    "89, 50, false, false, false, GO",
    "89, 50, false, false, true, NOT_TODAY",
    "139, 89, true, false, false, GO",
    "140, 80, true, false, false, NOT_TODAY",
    "130, 90, true, false, false, NOT_TODAY",
    "140, 80, true, true, false, URGENT",
    "160, 80, true, false, false, URGENT",
    "130, 110, true, false, false, URGENT"
  })
  void pressureLines(
      int s, int d, boolean maternity, boolean symptoms, boolean dizzy, Outcome worst) {
    Outcome o = Outcome.GO;
    for (Finding f : new Pressure(s, d).findings(maternity, symptoms, dizzy)) {
      o = o.worse(f.outcome());
    }
    assertThat(o).isEqualTo(worst);
  }

  @Test
  void aClearanceOnlyFindingOutlivesALaterNoAndOnlyAClearanceAfterItLiftsIt() {
    Finding heart = with("heart.event", "yes").findings().get(0);
    Finding stop =
        new Finding(OpenFinding.STOP_EVENT, Outcome.CLEARANCE_ONLY, "stopped", "test", null);
    LocalDate day = TODAY.minusDays(10);
    List<OpenFinding> all =
        List.of(new OpenFinding(heart, day, false), new OpenFinding(stop, day, true));
    Set<String> both = Set.of(heart.rule(), stop.rule());
    assertThat(OpenFinding.standing(all, List.of(), TODAY)).hasSize(2);
    assertThat(
            OpenFinding.standing(all, List.of(new Clearance(day.minusDays(1), TODAY, both)), TODAY))
        .hasSize(2);
    assertThat(OpenFinding.standing(all, List.of(new Clearance(day, TODAY, both)), TODAY))
        .containsExactly(stop);
    assertThat(
            OpenFinding.standing(all, List.of(new Clearance(day.plusDays(1), TODAY, both)), TODAY))
        .isEmpty();
    assertThat(
            OpenFinding.standing(
                all, List.of(new Clearance(day.plusDays(1), TODAY.minusDays(1), both)), TODAY))
        .hasSize(2);
  }

  @Test
  void wrongAnswersAreNamedAtTheirQuestion() {
    Assessment a =
        with(
            "pressure.high",
            "yes",
            "pressure.systolic",
            "400",
            "sign.chest",
            "maybe",
            "no.such",
            "yes");
    assertThat(a.errors()).containsKeys("pressure.systolic", "sign.chest", "no.such");
    assertThat(with("pressure.high", "yes", "pressure.systolic", "120").errors())
        .containsKey("pressure.diastolic");
    assertThat(a.complete()).isFalse();
  }
}
