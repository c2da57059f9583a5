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
    return Screening.assess(filled(a), TODAY);
  }

  /** What the answers bring up is answered too: no, left, the first choice; a yes that is good. */
  private static Map<String, String> filled(Map<String, String> given) {
    Map<String, String> a = new LinkedHashMap<>(given);
    List<String> missing = Screening.assess(a, TODAY).missing();
    while (!missing.isEmpty()) {
      for (String id : missing) {
        Question q = question(id);
        a.put(
            id,
            switch (q.kind()) {
              case YES_NO -> q.protective() ? "yes" : "no";
              case SIDE -> "left";
              case CHOICE -> q.options().get(0).value();
              default -> TODAY.plusDays(100).toString();
            });
      }
      missing = Screening.assess(a, TODAY).missing();
    }
    return a;
  }

  /** Half done is never green: one open gate, one open follow-up, or nothing answered at all. */
  @Test
  void nothingIsGreenBeforeItIsKnown() {
    Assessment nothing = Screening.assess(Map.of(), TODAY);
    assertThat(List.of(nothing.standing(), nothing.today()))
        .isEqualTo(List.of(Outcome.NOT_KNOWN, Outcome.STILL_OPEN));
    for (String gate : with().visible()) {
      Map<String, String> a = healthy();
      a.remove(gate);
      Assessment open = Screening.assess(a, TODAY);
      assertThat(open.missing()).containsExactly(gate);
      assertThat(open.standing()).as(gate).isEqualTo(Outcome.NOT_KNOWN);
      assertThat(open.today()).as(gate).isEqualTo(Outcome.STILL_OPEN);
    }
    Map<String, String> followUp = healthy();
    followUp.put("joint.any", "yes");
    followUp.put("knee.pain", "yes");
    Assessment half = Screening.assess(followUp, TODAY);
    assertThat(half.missing()).contains("knee.side", "hip.pain");
    assertThat(half.standing()).isEqualTo(Outcome.NOT_KNOWN);
    // what is worse is said at once
    followUp.put("sign.chest", "yes");
    assertThat(Screening.assess(followUp, TODAY).standing()).isEqualTo(Outcome.CLEARANCE_ONLY);
    followUp.put("sign.sudden", "yes");
    assertThat(Screening.assess(followUp, TODAY).today()).isEqualTo(Outcome.URGENT);
    assertThat(with("joint.any", "yes", "knee.pain", "yes").standing())
        .isEqualTo(Outcome.READY_WITH_LIMITS);
    // an answer that cannot be right is as good as none
    assertThat(with("sign.chest", "maybe").standing()).isEqualTo(Outcome.NOT_KNOWN);
  }

  /** A question as far as its being asked goes, and what is asked for some answers. */
  record Shown(String id, Question.Kind kind, String showIf, boolean optional, boolean fresh) {}

  record ShownCase(Map<String, String> answers, List<String> visible, List<String> missing) {}

  record ShownCases(List<Shown> questions, List<ShownCase> cases) {}

  /** The browser reads the same cases, so that both ask the same questions. */
  @Test
  void theCommittedCasesOfWhatIsAskedAreTrue() throws java.io.IOException {
    List<ShownCase> cases = new ArrayList<>();
    for (int seed = 0; seed < 40; seed++) {
      Random random = new Random(seed);
      Map<String, String> answers = new java.util.TreeMap<>();
      for (Question q : Screening.questions()) {
        if (random.nextInt(10) > seed % 4) {
          answers.put(q.id(), answer(q, random));
        }
      }
      answers.values().removeIf(String::isEmpty);
      Assessment a = Screening.assess(answers, TODAY);
      cases.add(new ShownCase(answers, a.visible(), a.missing()));
    }
    ShownCases now =
        new ShownCases(
            Screening.questions().stream()
                .map(q -> new Shown(q.id(), q.kind(), q.showIf(), q.optional(), q.fresh()))
                .toList(),
            cases);
    java.nio.file.Path file = java.nio.file.Path.of("src/test/resources/shown-cases.json");
    tools.jackson.databind.json.JsonMapper json =
        tools.jackson.databind.json.JsonMapper.builder().build();
    if (Boolean.getBoolean("riposo.cases.write")) {
      java.nio.file.Files.writeString(file, json.writeValueAsString(now) + "\n");
    }
    assertThat(json.readTree(json.writeValueAsString(now)))
        .as("-Driposo.cases.write=true renews it")
        .isEqualTo(json.readTree(java.nio.file.Files.readString(file)));
  }

  /** Seeded answers of everything; for every question some answer must change what comes out. */
  @Test
  void everyQuestionLeadsSomewhere() {
    Set<String> nowhere = new java.util.TreeSet<>();
    Screening.questions().forEach(q -> nowhere.add(q.id()));
    for (int seed = 0; seed < 300 && !nowhere.isEmpty(); seed++) {
      Random random = new Random(seed);
      Map<String, String> answers = new HashMap<>();
      for (Question q : Screening.questions()) {
        boolean calm = q.id().startsWith("sign.") && random.nextInt(4) > 0;
        answers.put(q.id(), calm ? "no" : answer(q, random));
      }
      for (String id : List.copyOf(nowhere)) {
        Question q = question(id);
        if (!Screening.assess(answers, TODAY).visible().contains(id)) {
          continue;
        }
        Map<String, String> other = new HashMap<>(answers);
        for (int i = 0; i < 6; i++) {
          other.put(id, i == 0 && q.kind() == Question.Kind.YES_NO ? "no" : answer(q, random));
          if (!comes(answers).equals(comes(other))) {
            nowhere.remove(id);
          }
        }
      }
    }
    assertThat(nowhere).isEmpty();
  }

  /** All that an assessment says but which questions are asked. */
  private static List<Object> comes(Map<String, String> answers) {
    Assessment a = Screening.assess(answers, TODAY);
    return List.of(
        a.findings(),
        a.proposals(),
        a.notes(),
        String.valueOf(a.gestation()),
        a.maternity(),
        a.noProgression(),
        a.readings(),
        a.sugarRules(),
        a.pulse(),
        a.stopFor());
  }

  private static String answer(Question q, Random random) {
    return switch (q.kind()) {
      case YES_NO -> q.showIf() == null || random.nextInt(3) > 0 ? "yes" : "no";
      case SIDE -> List.of("left", "right", "both").get(random.nextInt(3));
      case CHOICE -> q.options().get(random.nextInt(q.options().size())).value();
      case DATE ->
          q.id().equals("pregnancy.due")
              ? random.nextBoolean() ? "" : TODAY.plusDays(random.nextInt(280)).toString()
              : TODAY.minusDays(random.nextInt(500)).toString();
      case NUMBER -> String.valueOf(q.least() + random.nextInt(q.greatest() - q.least() + 1));
    };
  }

  @ParameterizedTest(name = "{0} weeks told: {1}")
  @CsvSource({"24, 24+6", "15, 15+6", "1, 1+6", "41, 41+6", "42, 42+0"})
  void weeksToldCountFromTheirDayAsTheirLastDay(String weeks, String shown) {
    Map<String, String> told =
        filled(Map.of("birth.any", "yes", "pregnancy.now", "yes", "pregnancy.weeks", weeks));
    assertThat(Screening.assess(told, TODAY).gestation()).isEqualTo(shown);
    Map<String, String> kept = Screening.dated(told, TODAY);
    assertThat(Screening.assess(kept, TODAY).gestation()).isEqualTo(shown);
    if (!weeks.equals("42") && !weeks.equals("41")) {
      assertThat(Screening.assess(kept, TODAY.plusDays(7)).gestation())
          .as("a week later")
          .startsWith(String.valueOf(Integer.parseInt(weeks) + 1));
    }
  }

  @Test
  void weeksOrADueDateIsWantedAndTheyMustAgree() {
    Map<String, String> neither = healthy();
    neither.put("birth.any", "yes");
    neither.put("pregnancy.now", "yes");
    assertThat(Screening.assess(neither, TODAY).missing()).contains("pregnancy.due");
    neither.put("pregnancy.due", TODAY.plusDays(109).toString());
    assertThat(Screening.assess(neither, TODAY).missing()).doesNotContain("pregnancy.due");
    neither.put("pregnancy.weeks", "24");
    assertThat(Screening.assess(neither, TODAY).errors()).isEmpty();
    neither.put("pregnancy.weeks", "20");
    assertThat(Screening.assess(neither, TODAY).errors()).containsKey("pregnancy.weeks");
  }

  @Test
  void whatIsAboutNowIsAskedFreshAtEveryScreening() {
    List<String> fresh =
        Screening.questions().stream().filter(Question::fresh).map(Question::id).toList();
    assertThat(fresh)
        .contains("sign.chest", "sign.sudden", "sign.dizzy.explained", "pain.level", "falls.any")
        .doesNotContain("heart.event", "knee.pain", "sugar.type1", "pregnancy.due");
  }

  @Test
  void aHealthyActiveClientIsReadyAfterAtMost25Questions() {
    Assessment a = with();
    assertThat(List.of(a.standing(), a.today())).isEqualTo(List.of(Outcome.READY, Outcome.GO));
    assertThat(a.visible()).hasSizeLessThanOrEqualTo(25);
    assertThat(a.complete()).isTrue();
  }

  @Test
  void aHealthyClientIsNeverAskedWhatLiesBehindAGate() {
    for (String id : with().visible()) {
      assertThat(question(id).showIf()).as(id).isNull();
    }
    // and behind a gate nothing is lost: every question can be reached
    Set<String> reached = new java.util.HashSet<>(with().visible());
    for (int round = 0; round < 5; round++) {
      Map<String, String> all = new HashMap<>();
      for (String id : reached) {
        Question q = question(id);
        all.put(id, q.kind() == Question.Kind.YES_NO ? "yes" : "");
      }
      all.put("heart.device", "defibrillator");
      all.put("shoulder.kind", "cuff");
      all.put("limb.lost.which", "leg");
      reached.addAll(Screening.assess(all, TODAY).visible());
    }
    assertThat(reached).containsAll(Screening.questions().stream().map(Question::id).toList());
  }

  private static Question question(String id) {
    return Screening.questions().stream().filter(q -> q.id().equals(id)).findFirst().orElseThrow();
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
            with("active.now", active, "sugar.diabetes", disease, "wish.vigorous", vigorous)
                .standing())
        .isEqualTo(standing);
  }

  @Test
  void addingAYesNeverImprovesAnOutcomeAndOrderDoesNotMatter() {
    List<String> ids =
        new ArrayList<>(
            Screening.questions().stream()
                .filter(q -> q.kind() == Question.Kind.YES_NO && !q.protective())
                .map(Question::id)
                .toList());
    for (int seed = 0; seed < 400; seed++) {
      Random random = new Random(seed);
      Collections.shuffle(ids, random);
      Map<String, String> answers = healthy();
      // what is neither good nor bad news is answered at random and then left alone
      for (Question q : Screening.questions()) {
        if (q.kind() == Question.Kind.SIDE && random.nextBoolean()) {
          answers.put(q.id(), List.of("left", "right", "both").get(random.nextInt(3)));
        } else if (q.kind() == Question.Kind.CHOICE && random.nextBoolean()) {
          answers.put(q.id(), q.options().get(random.nextInt(q.options().size())).value());
        } else if (q.kind() == Question.Kind.DATE && random.nextBoolean()) {
          answers.put(q.id(), TODAY.minusDays(random.nextInt(800)).toString());
        } else if (q.protective()) {
          answers.put(q.id(), random.nextBoolean() ? "yes" : "no");
        }
      }
      answers.put("pregnancy.due", TODAY.plusDays(random.nextInt(280)).toString());
      // what is asked is answered, so that an open question never hides what an answer means
      answers = filled(answers);
      Assessment before = Screening.assess(answers, TODAY);
      for (String id : ids.subList(0, 1 + random.nextInt(20))) {
        answers.put(id, random.nextBoolean() ? "yes" : "unsure");
        answers = filled(answers);
        Assessment after = Screening.assess(answers, TODAY);
        assertThat(after.standing())
            .as("seed %d, %s", seed, id)
            .isGreaterThanOrEqualTo(before.standing());
        assertThat(after.today())
            .as("seed %d, %s", seed, id)
            .isGreaterThanOrEqualTo(before.today());
        assertThat(after.readings()).as("seed %d, %s", seed, id).containsAll(before.readings());
        assertThat(after.pulse().off()).containsAll(before.pulse().off());
        assertThat(after.proposals().stream().map(Proposal::key).toList())
            .as("seed %d, %s", seed, id)
            .containsAll(before.proposals().stream().map(Proposal::key).toList())
            .doesNotHaveDuplicates();
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
    assertThat(
            with("birth.any", "yes", "pregnancy.now", "yes", "pregnancy.due", due.toString())
                .errors())
        .containsKey("pregnancy.due");
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
    "90, 50, false, false, false, GO",
    "89, 50, false, false, false, CAUTION",
    "80, 50, false, false, false, CAUTION",
    "79, 50, false, false, false, NOT_TODAY",
    "90, 50, false, false, true, GO",
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

  private static final Finding HEART =
      new Finding("standing.event.heart.event", Outcome.CLEARANCE_ONLY, "event", "test", null);
  private static final Finding ASK =
      new Finding("standing.heart-valve", Outcome.ASK_FIRST, "valve", "test", null);
  private static final Finding STOP =
      new Finding(OpenFinding.STOP_EVENT, Outcome.CLEARANCE_ONLY, "stopped", "test", null);

  private static OpenFinding found(Finding f, LocalDate day, boolean last) {
    return new OpenFinding(f, day, false, last);
  }

  @Test
  void aClearanceOnlyFindingOutlivesALaterNoAndOnlyAClearanceAfterItLiftsIt() {
    LocalDate day = TODAY.minusDays(10);
    List<OpenFinding> all = List.of(found(HEART, day, false), OpenFinding.event(STOP, day));
    Set<String> both = Set.of(HEART.rule(), STOP.rule());
    assertThat(OpenFinding.standing(all, List.of(), TODAY)).hasSize(2);
    assertThat(standing(all, new Clearance(day.minusDays(1), TODAY, both))).hasSize(2);
    // on the day of the stop it is voided, from the day after it stands
    assertThat(standing(all, new Clearance(day, TODAY, both))).hasSize(2);
    assertThat(standing(all, new Clearance(day.plusDays(1), TODAY, both))).isEmpty();
    assertThat(standing(all, new Clearance(day.plusDays(1), TODAY.minusDays(1), both))).hasSize(2);
    assertThat(standing(List.of(found(ASK, day, false)))).isEmpty();
  }

  @Test
  void anExpiredClearanceReopensItsFindingTheDayAfter() {
    List<OpenFinding> all = List.of(found(ASK, TODAY.minusDays(40), true));
    Clearance c = new Clearance(TODAY.minusDays(30), TODAY, Set.of(ASK.rule()));
    assertThat(OpenFinding.standing(all, List.of(c), TODAY)).isEmpty();
    assertThat(OpenFinding.standing(all, List.of(c), TODAY.plusDays(1))).containsExactly(ASK);
    // not from the future either
    Clearance later = new Clearance(TODAY.plusDays(1), TODAY.plusDays(9), Set.of(ASK.rule()));
    assertThat(standing(all, later)).containsExactly(ASK);
  }

  @ParameterizedTest(name = "{0}: voids {1}")
  @CsvSource({
    "HEART_EVENT, true",
    "SYMPTOM, true",
    "OPERATION, true",
    "ILLNESS, false",
    "HOSPITAL, false",
    "FALL, false"
  })
  void aNewEventOperationOrSymptomVoidsTheClearance(Happened what, boolean voids) {
    Clearance c = new Clearance(TODAY.minusDays(5), TODAY.plusDays(90), Set.of(ASK.rule()));
    for (int days : new int[] {6, 5, 4}) {
      LocalDate day = TODAY.minusDays(days);
      List<OpenFinding> all =
          List.of(
              found(ASK, TODAY.minusDays(40), true),
              OpenFinding.event(what.finding(day, "that day"), day));
      assertThat(c.voidedBy(all) != null).isEqualTo(voids && days <= 5);
      assertThat(standing(all, c).contains(ASK)).isEqualTo(voids && days <= 5);
      assertThat(standing(all, c))
          .anyMatch(f -> f.rule().contains(what.voids() ? "happened" : "rescreen"));
    }
  }

  @Test
  void aFindingBeganWithTheFirstVersionInAnUnbrokenRow() {
    LocalDate d = TODAY.minusDays(100);
    List<OpenFinding.Version> versions =
        List.of(
            new OpenFinding.Version(d.plusDays(30), List.of(HEART, ASK)),
            new OpenFinding.Version(d.plusDays(20), List.of(HEART)),
            new OpenFinding.Version(d.plusDays(10), List.of(ASK)));
    List<OpenFinding> all = OpenFinding.of(versions);
    assertThat(all.get(0)).isEqualTo(new OpenFinding(HEART, d.plusDays(20), false, true));
    assertThat(all.get(1)).isEqualTo(new OpenFinding(ASK, d.plusDays(30), false, true));
    assertThat(all.get(3).began()).isEqualTo(d.plusDays(10));
    Finding dated = new Finding("r", Outcome.CLEARANCE_ONLY, "x", "test", null, d);
    assertThat(OpenFinding.of(List.of(new OpenFinding.Version(TODAY, List.of(dated)))).get(0))
        .isEqualTo(new OpenFinding(dated, d, true, true));
  }

  @ParameterizedTest(name = "given at {0} for {1}: good until {2}")
  @CsvSource({
    "-, standing.heart-valve, 365",
    "-, standing.operation, 42",
    "13+6, standing.pregnancy-relative, 0",
    "14+0, standing.pregnancy-relative, 97",
    "27+6, standing.pregnancy-relative, 0",
    "28+0, standing.pregnancy-relative, 98",
    "20+0, standing.operation, 42"
  })
  void aClearanceLastsTheShortestOfItsDefaults(String weeks, String rule, int days) {
    LocalDate due =
        weeks.equals("-")
            ? null
            : LocalDate.parse(
                ScreeningRulesTest.answers("pregnancy.due=" + weeks).get("pregnancy.due"));
    LocalDate day = due == null ? TODAY : ScreeningRulesTest.TODAY;
    assertThat(Clearance.defaultUntil(day, List.of(rule), due)).isEqualTo(day.plusDays(days));
  }

  private static List<Finding> standing(List<OpenFinding> all, Clearance... clearances) {
    return OpenFinding.standing(all, List.of(clearances), TODAY);
  }

  @Test
  void datesAfterTodayAreRefusedExceptTheDueDate() {
    String tomorrow = TODAY.plusDays(1).toString();
    assertThat(with("operation.recent", "yes", "operation.date", tomorrow).errors())
        .containsKey("operation.date");
    assertThat(with("operation.recent", "yes", "operation.date", TODAY.toString()).errors())
        .isEmpty();
    assertThat(with("joint.any", "yes", "hip.replaced", "yes", "hip.approach", "sideways").errors())
        .containsKey("hip.approach");
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
