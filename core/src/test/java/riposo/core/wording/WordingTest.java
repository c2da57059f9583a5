package riposo.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import riposo.core.dose.Build;
import riposo.core.dose.Dose;
import riposo.core.limit.Axis;
import riposo.core.limit.Broken;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Catalogue;
import riposo.core.plan.PlanCheck;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.Grounds;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.Rule;
import riposo.core.tolerance.Verdict;

class WordingTest {
  private static final LocalDate FEB = LocalDate.of(2027, 2, 12);
  private final Wording words = new Wording(new Catalogue(List.of()));
  private final VerdictWords verdicts = new VerdictWords(words);

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
  void dosesSayNoWeightPlainlyAndEveryNumberWhatItCounts() {
    assertThat(DoseWords.dose(new Dose(2, 8, null, 2000, 2, null, false)))
        .isEqualTo("2 × 8 reps, 2 kg in each hand");
    assertThat(DoseWords.dose(new Dose(2, 8, null, 0, 2, null, false)))
        .isEqualTo("2 × 8 reps, no weight");
    assertThat(DoseWords.dose(new Dose(2, null, 20, null, 0, 0.31, false)))
        .isEqualTo("2 × 20 s hold, about a third of body weight");
    assertThat(DoseWords.dose(new Dose(1, 10, null, null, 2, null, true)))
        .isEqualTo("1 × 10 reps, with the band");
    assertThat(DoseWords.dose(new Dose(2, null, null, null, 0, null, false))).isEqualTo("2 × rest");
    Dose sided = new Dose(2, 10, null, 1000, 1, null, false);
    assertThat(Arrays.stream(Dose.Turns.values()).map(t -> DoseWords.dose(sided.turns(t))))
        .containsExactly(
            "2 × 10 reps each side, 1 kg in one hand",
            "2 × 10 reps, sides in turn, 1 kg in one hand",
            "2 × 10 reps, one side a round, 1 kg in one hand",
            "2 × 10 reps, left only, 1 kg in one hand",
            "2 × 10 reps, right only, 1 kg in one hand");
    Dose staged =
        new Dose(
            1,
            28,
            null,
            null,
            0,
            null,
            false,
            null,
            null,
            new Dose.Counts(28, 16, 8, 4),
            null,
            null,
            null);
    assertThat(DoseWords.said(staged, List.of(), Build.UNKNOWN))
        .isEqualTo("once, 28 full, 16 in part, 8 pulses, 4 s held");
    assertThat(DoseWords.said(sided.turns(Dose.Turns.EACH), List.of(), Build.UNKNOWN))
        .isEqualTo("2 rounds of 10 reps on each side, 1 kg in one hand");
  }

  @ParameterizedTest
  @EnumSource(Rule.class)
  void everyRuleHasASentenceAndASource(Rule rule) {
    Judgement j =
        new Judgement(Verdict.STAY, rule, grounds(rule), List.of(), new Change.None("x", null));
    String sentence = verdicts.judgement(j);
    assertThat(sentence).isNotBlank().doesNotContain("null").endsWith(".");
    assertThat(rule.source).isNotBlank();
    assertThat(rule.id).startsWith("tolerance.");
  }

  private static Grounds grounds(Rule rule) {
    return switch (rule) {
      case STOP_SIGN, EASE_FATIGUE -> new Grounds.Plain();
      case STOP_PAIN -> new Grounds.Pain(8);
      case STOP_NEW_SIGN -> new Grounds.NewSigns(1);
      case STOP_TWO_EASES -> new Grounds.Eases(2);
      case EASE_PAIN_FREE -> new Grounds.OverUsual(3, 1);
      case EASE_MONITORED -> new Grounds.Monitored(4, null);
      case EASE_MORNING, EASE_MORNING_TWICE -> new Grounds.Morning(2);
      case EASE_OVER_CAP -> new Grounds.OverCap(6, 5);
      case EASE_EFFORT -> new Grounds.OverGoal(8, 6);
      case STEP_UP -> new Grounds.TwoForTwo(null, null, 5, 6);
      case STAY -> new Grounds.Otherwise(null, null, null, false, true);
    };
  }

  @Test
  void aNumberThatIsNotKnownIsLeftOutOfTheSentence() {
    Change none = new Change.None("x", null);
    assertThat(sentence(Rule.STEP_UP, new Grounds.TwoForTwo(12, 10, 5, 6), none))
        .startsWith("12 reps for 10 asked at effort 5 twice");
    assertThat(sentence(Rule.STEP_UP, new Grounds.TwoForTwo(null, null, 4, 6), none))
        .startsWith("Holds done at effort 4 twice");
    assertThat(sentence(Rule.EASE_MONITORED, new Grounds.Monitored(4, 1), none))
        .contains("next morning +1");
    assertThat(sentence(Rule.STAY, new Grounds.Otherwise(0, 12, null, true, false), none))
        .isEqualTo("0 reps; 12 twice running would step up.");
    assertThat(sentence(Rule.STAY, new Grounds.Otherwise(null, null, 5, true, false), none))
        .isEqualTo("Nothing calls for a change.");
  }

  private String sentence(Rule rule, Grounds grounds, Change change) {
    return verdicts.judgement(new Judgement(Verdict.STAY, rule, grounds, List.of(), change));
  }

  static Stream<Change> changes() {
    return Stream.of(
        new Change.None("x", 2000),
        new Change.LoadUp("x", 2000, 1000, 28),
        new Change.RungUp("x", null),
        new Change.TwoInOne("x", 2500, 2000),
        new Change.Hold("x", 2000, null, "2-0-2-2"),
        new Change.LessSupport("x", null, riposo.core.movement.Modifier.HOLD_SUPPORT),
        new Change.Slower("x", 2000, new Change.Step(3000, 28)),
        new Change.MoreSets("x", 2000, new Change.Step(3000, 28), 3),
        new Change.BandBeside("x", 2000, new Change.Step(3000, 28), 200),
        new Change.MoreReps("x", 2000, 7, 5),
        new Change.LoadDown("x", 0, 1000),
        new Change.RungDown("x"),
        new Change.FewerReps("x", null, 4),
        new Change.HalveSession("x", null, null),
        new Change.Stop("x", null));
  }

  @Test
  void everyKindOfChangeIsTriedHere() {
    assertThat(changes().map(Change::kind)).containsExactlyInAnyOrder(Change.Kind.values());
  }

  @ParameterizedTest
  @MethodSource("changes")
  void everyChangeHasItsWords(Change change) {
    String sentence = verdicts.change(change);
    assertThat(sentence).doesNotContain("null");
    assertThat(sentence.isEmpty()).isEqualTo(change.kind() == Change.Kind.NONE);
    if (change.tooBig() != null) {
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

  @Test
  void whoMayNotStepUpIsNotToldWhatWouldStepUp() {
    VerdictWords verdicts = new VerdictWords(words);
    assertThat(stay(verdicts, true))
        .isEqualTo("No stepping up while exertion makes the next day worse.");
    assertThat(stay(verdicts, false)).isEqualTo("7 reps; 9 twice running would step up.");
  }

  private static String stay(VerdictWords words, boolean flagged) {
    return words.judgement(
        new Judgement(
            Verdict.STAY,
            Rule.STAY,
            new Grounds.Otherwise(7, 9, 4, true, flagged),
            List.of(UUID.randomUUID()),
            new Change.None("row", null)));
  }
}
