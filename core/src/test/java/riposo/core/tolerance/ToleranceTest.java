package riposo.core.tolerance;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.limit.Side;

class ToleranceTest {
  private static final Tolerance PAIN_FREE = new Tolerance(School.PAIN_FREE, 0, 6, false);
  private static final Tolerance MONITORED = new Tolerance(School.MONITORED, 0, 6, false);
  private static final Steps OPEN = new Steps("next", false, "previous", 2000, 500, false);
  private static final NextDay FINE = new NextDay(0, NextDay.Compared.SAME, false, Set.of());

  private static FamilySession session(
      Integer effort, Integer pain, Integer reps, NextDay next, Verdict decided) {
    SetEntry e =
        new SetEntry(
            "s1", 1, Side.BOTH, "asked", "here", 1900, reps, 10, effort, pain, null, false);
    return new FamilySession(
        UUID.randomUUID(), LocalDate.of(2026, 11, 1), List.of(e), 0, false, false, next, decided);
  }

  private static NextDay morning(int pain) {
    return new NextDay(pain, NextDay.Compared.SAME, false, Set.of());
  }

  @ParameterizedTest(name = "pain {0}, morning {1}: pain-free {2}, monitored {3}")
  @CsvSource({
    "0, 0, STAY, STAY",
    "1, 0, EASE_PAIN_FREE, STAY",
    "2, 0, EASE_PAIN_FREE, STAY",
    "3, 0, EASE_PAIN_FREE, STAY",
    "3, 1, EASE_PAIN_FREE, EASE_MONITORED",
    "5, 0, EASE_PAIN_FREE, STAY",
    "6, 0, EASE_PAIN_FREE, EASE_MONITORED",
    "7, 0, EASE_PAIN_FREE, EASE_MONITORED",
    "8, 0, STOP_PAIN, STOP_PAIN",
    "0, 1, STAY, STAY",
    "0, 2, EASE_MORNING, EASE_MORNING",
    "0, 8, STOP_PAIN, STOP_PAIN"
  })
  void schoolsOfPain(int pain, int next, Rule free, Rule monitored) {
    List<FamilySession> one = List.of(session(5, pain, 10, morning(next), null));
    assertThat(PAIN_FREE.judge(one, OPEN).rule()).isEqualTo(free);
    assertThat(MONITORED.judge(one, OPEN).rule()).isEqualTo(monitored);
  }

  @ParameterizedTest(name = "reps {0} and {1}, effort {2}, answered {3}: {4}")
  @CsvSource({
    "12, 12, 6, true, STEP_UP",
    "12, 11, 6, true, STAY",
    "11, 12, 6, true, STAY",
    "12, 12, 7, true, STAY",
    "12, 12, 6, false, STAY"
  })
  void twoForTwoNeedsBothSessionsAndAnsweredMornings(
      int first, int second, int effort, boolean answered, Verdict verdict) {
    List<FamilySession> two =
        List.of(
            session(effort, 0, first, FINE, Verdict.STAY),
            session(effort, 0, second, answered ? FINE : null, null));
    assertThat(PAIN_FREE.judge(two, OPEN).verdict()).isEqualTo(verdict);
    assertThat(new Tolerance(School.PAIN_FREE, 0, 6, true).judge(two, OPEN).verdict())
        .as("no-progression rules stepping up out")
        .isEqualTo(Verdict.STAY);
  }

  @Test
  void theOneChangeIsWeightThenRungThenSlower() {
    List<FamilySession> two = List.of(session(5, 0, 12, FINE, null), session(5, 0, 12, FINE, null));
    Change load = PAIN_FREE.judge(two, OPEN).change();
    assertThat(List.of(load.kind(), load.grams())).isEqualTo(List.of(Change.Kind.LOAD_UP, 2000));
    Change big = PAIN_FREE.judge(two, new Steps("next", false, null, 3000, null, false)).change();
    assertThat(List.of(big.kind(), big.tempo())).isEqualTo(List.of(Change.Kind.SLOWER, "4-0-2-0"));
    assertThat(
            PAIN_FREE.judge(two, new Steps("next", false, null, null, null, false)).change().kind())
        .isEqualTo(Change.Kind.RUNG_UP);
    assertThat(PAIN_FREE.judge(two, new Steps(null, true, null, null, null, false)).verdict())
        .as("a limit in the way")
        .isEqualTo(Verdict.STAY);
  }

  @Test
  void aStepTooBigTakesTheNextRungOnceLoweringSlowlyIsUsedUp() {
    List<FamilySession> two = List.of(session(5, 0, 12, FINE, null), session(5, 0, 12, FINE, null));
    Change change = PAIN_FREE.judge(two, new Steps("next", false, null, 3000, null, true)).change();
    assertThat(List.of(change.kind(), change.movementId()))
        .isEqualTo(List.of(Change.Kind.RUNG_UP, "next"));
    assertThat(PAIN_FREE.judge(two, new Steps(null, false, null, 3000, null, true)).verdict())
        .isEqualTo(Verdict.STAY);
    assertThat(PAIN_FREE.judge(two, new Steps(null, false, null, null, null, true)).verdict())
        .isEqualTo(Verdict.STAY);
  }

  @Test
  void twoEasesWithoutReliefStopAndOneWithReliefDoesNot() {
    FamilySession eased = session(5, 3, 10, FINE, Verdict.EASE);
    assertThat(PAIN_FREE.judge(List.of(eased, session(5, 3, 10, FINE, null)), OPEN).rule())
        .isEqualTo(Rule.STOP_TWO_EASES);
    assertThat(PAIN_FREE.judge(List.of(eased, session(5, 1, 10, FINE, null)), OPEN).rule())
        .isEqualTo(Rule.EASE_PAIN_FREE);
  }

  @Test
  void otherRoadsToEaseAndStop() {
    assertThat(rule(session(8, 0, 10, FINE, null), session(8, 0, 10, FINE, null)))
        .isEqualTo(Rule.EASE_EFFORT);
    assertThat(rule(session(5, 0, 10, morning(1), null), session(5, 0, 10, morning(1), null)))
        .isEqualTo(Rule.EASE_MORNING_TWICE);
    NextDay tired = new NextDay(0, NextDay.Compared.SAME, true, Set.of());
    assertThat(rule(session(5, 0, 10, tired, null))).isEqualTo(Rule.EASE_FATIGUE);
    NextDay sign = new NextDay(0, NextDay.Compared.SAME, false, Set.of(NextDay.Sign.NUMBNESS));
    assertThat(rule(session(5, 0, 10, sign, null))).isEqualTo(Rule.STOP_NEW_SIGN);
    FamilySession s = session(5, 0, 10, FINE, null);
    FamilySession stopped =
        new FamilySession(s.runId(), s.date(), s.entries(), 0, true, false, null, null);
    assertThat(rule(stopped)).isEqualTo(Rule.STOP_SIGN);
  }

  private static Rule rule(FamilySession... sessions) {
    return PAIN_FREE.judge(List.of(sessions), OPEN).rule();
  }

  @Test
  void easeTakesOneStepDownAndNoWeightIsAProperDose() {
    List<FamilySession> sore = List.of(session(5, 2, 10, FINE, null));
    assertThat(PAIN_FREE.judge(sore, OPEN).change().grams()).isEqualTo(500);
    assertThat(
            PAIN_FREE.judge(sore, new Steps(null, false, null, null, null, false)).change().grams())
        .isZero();
  }
}
