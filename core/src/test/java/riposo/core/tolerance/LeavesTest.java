package riposo.core.tolerance;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import riposo.core.adapt.Standing;
import riposo.core.dose.Sided;
import riposo.core.limit.Side;
import riposo.core.movement.Carry;

/** Where a decision leaves the weight, side by side, and how it is held. */
class LeavesTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 2);

  /** 2 kg left, 1 kg right: the lighter side is the last set. */
  private static final FamilySession UNEVEN =
      Sets.on(DAY).set(Side.LEFT, 2000, 10, 6, 0).set(Side.RIGHT, 1000, 10, 6, 0).session();

  static Stream<Arguments> changes() {
    Sided both = new Sided(2000, 1000);
    Sided less = new Sided(1500, 500);
    return Stream.of(
        Arguments.of(Verdict.STAY, new Change.None("row", 1000), 2000, both),
        Arguments.of(Verdict.STEP_UP, new Change.Slower("row", 1000, null), 2000, both),
        Arguments.of(Verdict.EASE, new Change.FewerReps("row", 1000, 5), 2000, both),
        Arguments.of(
            Verdict.STEP_UP,
            new Change.LoadUp("row", 2000, 1000, null, Side.RIGHT, null),
            2000,
            null),
        Arguments.of(Verdict.EASE, new Change.LoadDown("row", 1500, 2000, less), 1500, less),
        Arguments.of(Verdict.EASE, new Change.LoadDown("row", 0, 2000), 0, null),
        Arguments.of(Verdict.STEP_UP, new Change.RungUp("next", 1000), null, null));
  }

  @ParameterizedTest(name = "{1}")
  @MethodSource("changes")
  void eachSideKeepsItsOwnWeightUnlessTheChangeIsOne(
      Verdict decided, Change change, @Nullable Integer grams, @Nullable Sided sides) {
    Standing s = Leaves.of(null, UNEVEN, "pull", decided, change, DAY);
    assertThat(s.grams()).isEqualTo(grams);
    assertThat(s.sides()).isEqualTo(sides);
  }

  @Test
  void twoInOneHandStaySoUntilLessIsHeld() {
    FamilySession even = Sets.on(DAY).set(Side.BOTH, 2000, 12, 6, 0).session();
    Standing two =
        Leaves.of(null, even, "pull", Verdict.STEP_UP, new Change.TwoInOne("row", 2100, 2000), DAY);
    assertThat(two.carry()).isEqualTo(Carry.TWO_IN_ONE);
    assertThat(carry(two, Verdict.STAY, new Change.None("row", 2100))).isEqualTo(Carry.TWO_IN_ONE);
    assertThat(carry(two, Verdict.STEP_UP, new Change.LoadUp("row", 2200, 2100, null)))
        .isEqualTo(Carry.TWO_IN_ONE);
    assertThat(carry(two, Verdict.EASE, new Change.LoadDown("row", 2000, 2100))).isNull();
    assertThat(carry(two, Verdict.STEP_UP, new Change.RungUp("next", null))).isNull();
  }

  static Stream<Arguments> kept() {
    Change.Step big = new Change.Step(3000, 28);
    return Stream.of(
        Arguments.of(Verdict.STAY, new Change.None("row", 2000), 5, "4-0-2-0", 1, 200),
        Arguments.of(
            Verdict.STEP_UP, new Change.MoreSets("row", 2000, big, 3), 5, "4-0-2-0", 1, 200),
        Arguments.of(
            Verdict.STEP_UP, new Change.BandBeside("row", 2000, big, 150), 5, "4-0-2-0", 1, 150),
        Arguments.of(Verdict.STEP_UP, new Change.MoreReps("row", 2000, 7, 5), 7, "4-0-2-0", 1, 200),
        Arguments.of(
            Verdict.STEP_UP, new Change.Hold("row", 2000, big, "4-0-2-2"), 5, "4-0-2-2", 1, 200),
        Arguments.of(
            Verdict.STEP_UP, new Change.LoadUp("row", 2100, 2000, null), 5, null, null, null),
        Arguments.of(Verdict.EASE, new Change.LoadDown("row", 1500, 2000), 5, null, null, null),
        Arguments.of(Verdict.EASE, new Change.FewerReps("row", 2000, 2), 2, null, null, null),
        Arguments.of(Verdict.STEP_UP, new Change.RungUp("next", 2000), null, null, null, null));
  }

  /** Five repetitions, slow, in a set more and with a band were agreed before. */
  @ParameterizedTest(name = "{0} {1}")
  @MethodSource("kept")
  void whatWasAgreedBeforeStaysUnlessWeightOrRungChangeAndFewerRepetitionsStayAnyway(
      Verdict decided,
      Change change,
      @Nullable Integer reps,
      @Nullable String tempo,
      @Nullable Integer more,
      @Nullable Integer pull) {
    FamilySession s = Sets.on(DAY).set(Side.BOTH, 2000, 12, 6, 0).session();
    Standing before =
        new Standing(
            "pull", "row", "row", 2000, 5, "4-0-2-0", "STAY", false, DAY, null, null, DAY, 1, 200);
    Standing after = Leaves.of(before, s, "pull", decided, change, DAY);
    assertThat(after.reps()).isEqualTo(reps);
    assertThat(after.tempo()).isEqualTo(tempo);
    assertThat(after.more()).isEqualTo(more);
    assertThat(after.pull()).isEqualTo(pull);
  }

  private static @Nullable Carry carry(Standing before, Verdict decided, Change change) {
    FamilySession s = Sets.on(DAY).set(Side.BOTH, 2100, 12, 6, 0).session();
    return Leaves.of(before, s, "pull", decided, change, DAY).carry();
  }

  @Test
  void aStandingIsKnownFromTheDayOfItsSessionHoweverLateItWasDecided() {
    LocalDate late = DAY.plusDays(20);
    Standing s = Leaves.of(null, UNEVEN, "pull", Verdict.STAY, new Change.None("row", 1000), late);
    assertThat(s.known()).as("where no session is told").isEqualTo(late);
    assertThat(s.of(DAY).known()).isEqualTo(DAY);
  }
}
