package riposo.core.tolerance;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.dose.Loads;
import riposo.core.dose.Sided;
import riposo.core.limit.Side;
import riposo.core.movement.Modifier;

/** What comes next in load, side by side: the ways on and their order. */
class NextLoadTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 2);
  private static final Tolerance USUAL = new Tolerance(School.PAIN_FREE, 0, 6, false, false);

  private static Steps.Near near(@Nullable Integer next, @Nullable Integer within) {
    return new Steps.Near(next, within, 500, 500, null, false);
  }

  private static Steps steps(Steps.Near both, @Nullable String slower, @Nullable String hold) {
    return new Steps("next", false, null, both, null, null, 5, slower, hold, null);
  }

  private static FamilySession both(int day, int grams, int reps) {
    return Sets.on(DAY.plusDays(day)).set(Side.BOTH, grams, reps, 6, 0).session();
  }

  private static List<Change> ways(int grams, int reps, Steps steps) {
    Judgement j = USUAL.judge(List.of(both(0, grams, reps), both(4, grams, reps)), steps);
    return Stream.concat(Stream.of(j.change()), j.ways().stream()).toList();
  }

  private static List<Change.Kind> kinds(List<Change> ways) {
    return ways.stream().map(Change::kind).toList();
  }

  @Test
  void aWeightWithinTheStepComesFirstAndTheOtherWaysAfterIt() {
    List<Change> ways = ways(10_000, 12, steps(near(10_400, 10_500), "4-0-2-0", "2-0-2-2"));
    assertThat(ways.get(0)).isEqualTo(new Change.LoadUp("row", 10_500, 10_000, null));
    assertThat(kinds(ways))
        .containsExactly(
            Change.Kind.LOAD_UP, Change.Kind.SLOWER, Change.Kind.HOLD, Change.Kind.RUNG_UP);
  }

  @Test
  void aStepTooBigSaysItsArithmeticAndGoesAnotherWay() {
    // 2 kg to 3 kg for 10 at 4 left: 30 (1.5 (1 + 14/30) - 1) - 4 = 32
    List<Change> ways = ways(2000, 12, steps(near(3000, null), "4-0-2-0", "2-0-2-2"));
    assertThat(ways.get(0)).isEqualTo(new Change.Slower("row", 2000, new Change.Step(3000, 32)));
    assertThat(kinds(ways))
        .containsExactly(Change.Kind.SLOWER, Change.Kind.HOLD, Change.Kind.RUNG_UP);
    Steps pair = steps(new Steps.Near(3000, null, 500, 500, 2100, false), "4-0-2-0", null);
    assertThat(ways(2000, 12, pair).get(0)).isEqualTo(new Change.TwoInOne("row", 2100, 2000));
    assertThat(kinds(ways(2000, 12, steps(near(3000, null), null, "4-0-2-2"))))
        .as("slow already: a hold comes next")
        .containsExactly(Change.Kind.HOLD, Change.Kind.RUNG_UP);
    assertThat(kinds(ways(2000, 12, steps(near(3000, null), null, null))))
        .containsExactly(Change.Kind.RUNG_UP);
  }

  @Test
  void aSetMoreAndABandAreWaysRoundAStepTooBigOnly() {
    Steps big = steps(near(3000, null), "4-0-2-0", null).sets(3).pull(200);
    List<Change> ways = ways(2000, 12, big);
    assertThat(kinds(ways))
        .containsExactly(
            Change.Kind.SLOWER,
            Change.Kind.MORE_SETS,
            Change.Kind.BAND_BESIDE,
            Change.Kind.RUNG_UP);
    Change.Step step = new Change.Step(3000, 32);
    assertThat(ways)
        .contains(
            new Change.MoreSets("row", 2000, step, 3),
            new Change.BandBeside("row", 2000, step, 200));
    assertThat(kinds(ways(2000, 12, steps(near(2100, 2100), "4-0-2-0", null).sets(3).pull(200))))
        .as("a weight within the step")
        .containsExactly(Change.Kind.LOAD_UP, Change.Kind.SLOWER, Change.Kind.RUNG_UP);
    Judgement uneven =
        USUAL.judge(List.of(sides(0, 1000, 12, 2000, 12), sides(4, 1000, 12, 2000, 12)), big);
    assertThat(kinds(Stream.concat(Stream.of(uneven.change()), uneven.ways().stream()).toList()))
        .as("one side alone takes neither")
        .doesNotContain(Change.Kind.MORE_SETS, Change.Kind.BAND_BESIDE);
  }

  @Test
  void repetitionsTakenOffComeBackTwoAtATimeBeforeAnythingIsAdded() {
    Steps s = steps(near(2100, 2100), "4-0-2-0", "2-0-2-2").fewer(true);
    List<FamilySession> two = new ArrayList<>();
    for (int day : new int[] {0, 4}) {
      two.add(Sets.on(DAY.plusDays(day)).target(5).set(Side.BOTH, 2000, 7, 6, 0).session());
    }
    Judgement j = USUAL.judge(two, s);
    assertThat(j.change()).isEqualTo(new Change.MoreReps("row", 2000, 7, 5));
    assertThat(j.ways()).as("nothing else beside it").isEmpty();
    assertThat(USUAL.stimulus(two.get(1), s)).as("nor a change of stimulus").isEmpty();
  }

  /** A heavier weight is seen in the sets themselves; of how they were done only this tells. */
  @ParameterizedTest(name = "after the session before {0} was taken: {1}")
  @CsvSource(
      nullValues = "-",
      value = {
        "SLOWER, STAY",
        "HOLD, STAY",
        "LESS_SUPPORT, STAY",
        "MORE_SETS, STAY",
        "MORE_REPS, STAY",
        "NONE, STEP_UP",
        "LOAD_UP, STEP_UP",
        "-, STEP_UP"
      })
  void aChangeOfHowItIsDoneCountsOnceItWasDoneTwice(Change.@Nullable Kind taken, Verdict now) {
    FamilySession one =
        Sets.on(DAY).set(Side.BOTH, 2000, 12, 6, 0).decided(Verdict.STEP_UP).taken(taken).session();
    Judgement j = USUAL.judge(List.of(one, both(4, 2000, 12)), steps(near(2100, 2100), null, null));
    assertThat(j.verdict()).isEqualTo(now);
    assertThat(j.noStep().contains(NoStep.JUST_CHANGED)).isEqualTo(now == Verdict.STAY);
  }

  @ParameterizedTest(name = "{0} reps at 10 kg, next 11.4 kg: {1}")
  @CsvSource({"12, SLOWER", "16, SLOWER", "17, LOAD_UP", "18, LOAD_UP"})
  void asManyRepetitionsAsTheStepIsWorthTakeIt(int reps, Change.Kind kind) {
    // 10 kg to 11.4 kg for 10 at 4 left: 30 (1.14 (1 + 14/30) - 1) - 4 = 16.2
    assertThat(Loads.equalReps(10_000, 11_400, 10, 4)).isEqualTo(17);
    Change first = ways(10_000, reps, steps(near(11_400, null), "4-0-2-0", null)).get(0);
    assertThat(first.kind()).isEqualTo(kind);
  }

  @Test
  void supportThatNothingAsksForCanBeLeftOut() {
    Steps s =
        new Steps(
            null,
            false,
            null,
            near(null, null),
            null,
            null,
            5,
            null,
            "2-0-2-2",
            Modifier.HOLD_SUPPORT);
    assertThat(kinds(ways(2000, 12, s)))
        .containsExactly(Change.Kind.HOLD, Change.Kind.LESS_SUPPORT);
  }

  private static FamilySession sides(int day, int left, int leftReps, int right, int rightReps) {
    return Sets.on(DAY.plusDays(day))
        .set(Side.LEFT, left, leftReps, 6, 0)
        .set(Side.RIGHT, right, rightReps, 6, 0)
        .session();
  }

  /** Weight and repetitions of the left and the right in both sessions, 10 asked. */
  @ParameterizedTest(name = "left {0} g {1}, right {2} g {3}: {4} to {5}")
  @CsvSource(
      nullValues = "-",
      value = {
        "2000, 12, 2000, 12, BOTH, 2100, -",
        "2000, 12, 2000, 11, -, -, ONE_SIDE",
        "2000, 11, 2000, 12, -, -, ONE_SIDE",
        "1000, 12, 2000, 12, LEFT, 1050, -",
        "1000, 12, 2000, 9, LEFT, 1050, -",
        "1000, 9, 2000, 12, -, -, ONE_SIDE",
        "2000, 9, 1000, 12, RIGHT, 1050, -"
      })
  void eachSideIsJudgedByItself(
      int left,
      int leftReps,
      int right,
      int rightReps,
      @Nullable Side side,
      @Nullable Integer to,
      @Nullable NoStep why) {
    Steps s =
        new Steps(
            null,
            false,
            null,
            near(2100, 2100),
            near(left + left / 20, left + left / 20),
            near(right + right / 20, right + right / 20),
            5,
            "4-0-2-0",
            null,
            null);
    Judgement j =
        USUAL.judge(
            List.of(
                sides(0, left, leftReps, right, rightReps),
                sides(4, left, leftReps, right, rightReps)),
            s);
    if (side == null) {
      assertThat(j.verdict()).isEqualTo(Verdict.STAY);
      assertThat(j.noStep()).containsExactly(why);
      return;
    }
    Change.LoadUp up = (Change.LoadUp) j.change();
    Sided after = new Sided(left, right).with(side, to);
    assertThat(up.side()).isEqualTo(side);
    assertThat(up.sides()).isEqualTo(after.differs() ? after : null);
    assertThat(up.grams()).isEqualTo(after.heavier());
  }

  @Test
  void aCapOnTheLighterSideLetsTheOtherGoOn() {
    Steps.Near capped = new Steps.Near(null, null, 500, 500, null, true);
    Steps s =
        new Steps(
            null, false, null, near(2100, 2100), capped, near(2100, 2100), 5, null, null, null);
    Change up =
        USUAL
            .judge(List.of(sides(0, 1000, 12, 2000, 12), sides(4, 1000, 12, 2000, 12)), s)
            .change();
    assertThat(up.sides()).isEqualTo(new Sided(1000, 2100));
  }

  @Test
  void easingTakesEachSideAStepDownFromItsOwn() {
    Steps s =
        new Steps(
            null,
            false,
            null,
            near(null, null),
            new Steps.Near(null, null, 500, 500, null, false),
            new Steps.Near(null, null, 500, 1500, null, false),
            5,
            null,
            null,
            null);
    FamilySession sore =
        Sets.on(DAY).set(Side.LEFT, 1000, 10, 6, 3).set(Side.RIGHT, 2000, 10, 6, 0).session();
    Change.LoadDown down = (Change.LoadDown) USUAL.judge(List.of(sore), s).change();
    assertThat(down.sides()).isEqualTo(new Sided(500, 1500));
  }

  @Test
  void weeksOfTheSameWithoutTroubleOfferAChangeButNeverWeightOrRung() {
    Steps s = steps(near(2100, 2100), "4-0-2-0", "2-0-2-2");
    List<FamilySession> weeks = new ArrayList<>();
    for (int day : new int[] {0, 7, 14, 20}) {
      weeks.add(both(day, 2000, 10));
    }
    assertThat(USUAL.judge(weeks, s).ways()).as("20 days").isEmpty();
    weeks.set(3, both(21, 2000, 10));
    Judgement j = USUAL.judge(weeks, s);
    assertThat(j.verdict()).isEqualTo(Verdict.STAY);
    assertThat(((Grounds.Otherwise) j.grounds()).steadyDays()).isEqualTo(21);
    assertThat(kinds(j.ways())).containsExactly(Change.Kind.SLOWER, Change.Kind.HOLD);
    for (Tolerance t :
        List.of(
            new Tolerance(School.PAIN_FREE, 0, 6, true, false),
            new Tolerance(School.PAIN_FREE, 0, 6, false, true))) {
      Judgement closed = t.judge(weeks, s);
      assertThat(closed.ways()).as("nothing may rise").isEmpty();
      assertThat(((Grounds.Otherwise) closed.grounds()).steadyDays())
          .as("and no change is said to be open")
          .isNull();
    }
    Grounds usedUp = USUAL.judge(weeks, steps(near(2100, 2100), null, null)).grounds();
    assertThat(((Grounds.Otherwise) usedUp).steadyDays())
        .as("no change is said to be open where every one is used up")
        .isNull();
    weeks.set(1, Sets.on(DAY.plusDays(7)).set(Side.BOTH, 2000, 10, 6, 0).next(null).session());
    assertThat(USUAL.judge(weeks, s).ways()).as("a morning not answered").isEmpty();
  }

  @Test
  void strengthIsEstimatedUpToFifteenAndNeverWhereEffortDoesNotTell() {
    assertThat(Loads.strength(2000, 10, 6)).isEqualTo(2933); // 2 (1 + 14/30)
    assertThat(Loads.strength(2000, 11, 6)).isEqualTo(3000);
    assertThat(Loads.strength(2000, 12, 6)).as("12 and 4 left are 16").isNull();
    assertThat(Loads.strength(2000, 10, 4)).as("under 5 nothing is said of what is left").isNull();
    assertThat(Loads.strength(0, 10, 6)).isNull();
  }

  /**
   * More pain, more effort or a worse morning never lead to a better verdict, and an unanswered one
   * never to a step.
   */
  @Test
  void worseNeverLeadsToBetter() {
    Steps s = steps(near(2100, 2100), "4-0-2-0", "2-0-2-2");
    Random random = new Random(17);
    int compared = 0;
    for (int i = 0; i < 4000; i++) {
      Tolerance t =
          new Tolerance(
              School.values()[random.nextInt(2)],
              random.nextInt(3),
              5 + random.nextInt(3),
              false,
              random.nextInt(8) == 0);
      int n = 1 + random.nextInt(4);
      List<FamilySession> base = new ArrayList<>();
      List<FamilySession> worse = new ArrayList<>();
      for (int k = 0; k < n; k++) {
        int reps = 9 + random.nextInt(5);
        int effort = 3 + random.nextInt(6);
        int pain = random.nextInt(4);
        int morning = random.nextInt(4);
        boolean last = k == n - 1;
        int kind = last ? random.nextInt(3) : -1;
        base.add(made(k, reps, effort, pain, morning));
        worse.add(
            made(
                k,
                reps,
                Math.min(10, effort + (kind == 0 ? 1 + random.nextInt(3) : 0)),
                Math.min(10, pain + (kind == 1 ? 1 + random.nextInt(5) : 0)),
                Math.min(10, morning + (kind == 2 ? 1 + random.nextInt(5) : 0))));
      }
      Verdict a = t.judge(base, s).verdict();
      Verdict b = t.judge(worse, s).verdict();
      assertThat(rank(b)).as("%s then %s", a, b).isLessThanOrEqualTo(rank(a));
      List<FamilySession> silent = new ArrayList<>(base);
      FamilySession l = base.get(n - 1);
      silent.set(
          n - 1,
          Sets.on(l.date())
              .set(Side.BOTH, 2000, l.last().reps(), l.last().effort(), l.last().pain())
              .next(null)
              .session());
      assertThat(t.judge(silent, s).verdict()).isNotEqualTo(Verdict.STEP_UP);
      compared++;
    }
    assertThat(compared).isEqualTo(4000);
  }

  private static FamilySession made(int k, int reps, int effort, int pain, int morning) {
    return Sets.on(DAY.plusDays(k * 4L))
        .set(Side.BOTH, 2000, reps, effort, pain)
        .morning(morning)
        .session();
  }

  /** From STOP_AND_REFER, the worst, to STEP_UP. */
  private static int rank(Verdict v) {
    return switch (v) {
      case STOP_AND_REFER -> 0;
      case EASE -> 1;
      case STAY -> 2;
      case STEP_UP -> 3;
    };
  }
}
