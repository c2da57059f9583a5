package riposo.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import riposo.core.dose.Dose;
import riposo.core.limit.Axis;
import riposo.core.limit.Broken;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Catalogue;
import riposo.core.plan.PlanCheck;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.Rule;
import riposo.core.tolerance.Verdict;

class WordingTest {
  private static final LocalDate FEB = LocalDate.of(2027, 2, 12);
  private final Wording words = new Wording(new Catalogue(List.of()));

  private static Broken broken(
      String axis, Side side, int asked, int cap, LocalDate until, boolean due) {
    return new Broken(
        axis, side, asked, cap, new UUID(1, 1), Strength.FIRM, "physio letter", until, due, null);
  }

  @Test
  void aRejectionIsASentenceWithNumberSideSourceAndDate() {
    assertThat(Wording.broken(broken("joint.knee-flexion.loaded", Side.LEFT, 100, 60, FEB, false)))
        .isEqualTo(
            "asks for 100° of knee bend under load on the left; limit 60° (physio letter, until 12 Feb, firm)");
    assertThat(Wording.broken(broken("act.dip", Side.BOTH, 1, 0, null, false)))
        .isEqualTo("asks for a dip, which is closed (physio letter, until reviewed, firm)");
    assertThat(Wording.broken(broken("pressure", Side.BOTH, 2, 1, FEB, true)))
        .contains("review due since 12 Feb");
  }

  @Test
  void theSameLimitOnBothSidesIsSaidOnce() {
    assertThat(
            Wording.broken(
                List.of(
                    broken("grip", Side.LEFT, 2, 1, null, false),
                    broken("grip", Side.RIGHT, 2, 1, null, false))))
        .containsExactly("asks for 2 of grip; limit 1 (physio letter, until reviewed, firm)");
  }

  @ParameterizedTest
  @CsvSource({
    "joint.shoulder-elevation.loaded, RIGHT, 80, right arm raised under load ≤ 80°",
    "act.dip, BOTH, 0, no dip",
    "surface.floor, BOTH, 0, no floor",
    "spine.rotation.loaded, BOTH, 0, no spine turn under load",
    "spine.rotation.any, BOTH, 1, spine turn ≤ mid range",
    "balance.unsupported, BOTH, 1, balance without support ≤ wide stance",
    "load.hand, LEFT, 2500, left weight in the hand ≤ 2.5 kg",
    "hold, BOTH, 20, still effort ≤ 20 s",
    "session.work-per-rest, BOTH, 100, rest at least as long as work",
    "session.week, BOTH, 2, sessions a week ≤ 2 a week",
    "impact, BOTH, 0, impact ≤ walking pace"
  })
  void limitsInAFewWords(String axis, Side side, int cap, String expected) {
    assertThat(Wording.limit(axis, side, cap)).isEqualTo(expected);
  }

  @Test
  void everyAxisHasWordsForEveryAmount() {
    for (Axis axis : Axis.all()) {
      for (int value : new int[] {0, 1, axis.greatest}) {
        assertThat(Wording.amount(axis, value)).as(axis.id).isNotBlank();
      }
    }
  }

  @Test
  void dosesSayNoWeightPlainly() {
    assertThat(Wording.dose(new Dose(2, 8, null, 2000, 2, null, false)))
        .isEqualTo("2 × 8 · 2 kg each");
    assertThat(Wording.dose(new Dose(2, 8, null, 0, 2, null, false)))
        .isEqualTo("2 × 8 · no weight");
    assertThat(Wording.dose(new Dose(2, null, 20, null, 0, 0.31, false)))
        .isEqualTo("2 × 20 s hold · 0.31 bw");
    assertThat(Wording.dose(new Dose(1, 10, null, null, 2, null, true))).isEqualTo("1 × 10 · band");
    assertThat(Wording.dose(new Dose(2, null, null, null, 0, null, false))).isEqualTo("2 × rest");
  }

  @ParameterizedTest
  @EnumSource(Rule.class)
  void everyRuleHasASentenceAndASource(Rule rule) {
    Map<String, Integer> facts = new LinkedHashMap<>();
    for (String name :
        List.of(
            "pain", "usual", "rise", "effort", "goal", "cap", "reps", "target", "wanted", "eases",
            "signs")) {
      facts.put(name, 3);
    }
    Change none = new Change(Change.Kind.NONE, "x", null, null, null, null, null);
    String sentence = words.judgement(new Judgement(Verdict.STAY, rule, facts, List.of(), none));
    assertThat(sentence).isNotBlank().doesNotContain("null").endsWith(".");
    assertThat(rule.source).isNotBlank();
    assertThat(rule.id).startsWith("tolerance.");
  }

  @ParameterizedTest
  @EnumSource(Change.Kind.class)
  void everyChangeHasItsWords(Change.Kind kind) {
    String sentence = words.change(new Change(kind, "x", 2000, 8, "4-0-2-0", 3000, 28));
    assertThat(sentence).doesNotContain("null");
    assertThat(sentence.isEmpty()).isEqualTo(kind == Change.Kind.NONE);
    if (kind == Change.Kind.SLOWER) {
      assertThat(sentence).contains("3 kg is a step too big", "28 reps");
    }
  }

  @Test
  void checksSayWhatIsWanted() {
    assertThat(Wording.check(new PlanCheck(PlanCheck.WARM_UP_SHORT, 240, 300)))
        .contains("4:00", "5:00");
    assertThat(Wording.check(new PlanCheck(PlanCheck.COOL_DOWN_SHORT, 60, 180)))
        .contains("1:00", "3:00");
    assertThat(Wording.check(new PlanCheck(PlanCheck.FLOOR_TRIPS, 3, 1)))
        .isEqualTo("3 trips to the floor.");
    assertThat(Wording.clock(1180)).isEqualTo("19:40");
  }
}
