package riposo.core.movement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import riposo.core.limit.Act;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.JointMotion;
import riposo.core.limit.Limit;
import riposo.core.limit.Loading;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;

/** What a movement asks for, side by side, and what each modifier takes off. */
class VariantTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 24);
  private static final String ELEVATION = "joint.shoulder-elevation.";

  /** A standing press with a weight in each hand, 170° up. */
  private static Movement press(SidePattern sides, Part part, Position position, int balance) {
    Demands demands =
        new Demands(
            position,
            List.of(
                new JointDemand(JointMotion.SHOULDER_ELEVATION, 170, Loading.ADDED, part),
                new JointDemand(JointMotion.KNEE_FLEXION, 20, Loading.OWN, Part.BOTH),
                new JointDemand(JointMotion.WRIST_EXTENSION, 60, Loading.OWN, part)),
            List.of(new SpineDemand("rotation", 1, true)),
            2,
            balance,
            false,
            List.of(new BearingDemand(false, 50, Part.BOTH)),
            500,
            sides == SidePattern.ONE_SIDE ? 1 : 2,
            true,
            30,
            1,
            Set.of(Axis.HEAD_BACK),
            2,
            6,
            2,
            2,
            Set.of(Act.HANDS_OUT_OF_VIEW, Act.BAND_LATEX, Act.BENT_OVER_FREE));
    return movement("press", 1, 40, sides, demands, EnumSet.allOf(Modifier.class));
  }

  private static Movement movement(
      String id,
      int rung,
      int difficulty,
      SidePattern sides,
      Demands demands,
      Set<Modifier> modifiers) {
    return new Movement(
        id,
        id,
        "family",
        Purpose.PUSH_OVERHEAD,
        rung,
        difficulty,
        sides,
        Tempo.of("2-0-2-0"),
        LoadKind.DUMBBELL,
        null,
        Set.of("shoulders"),
        Set.of(),
        List.of(Set.of(Kit.DUMBBELLS)),
        demands,
        50,
        Set.of(JointMotion.SHOULDER_ELEVATION),
        modifiers,
        List.of("cue"),
        List.of("fault"),
        modifiers.contains(Modifier.SHORTER_LEVER) ? 30 : 0,
        null,
        null,
        List.of(),
        null,
        List.of());
  }

  private static Variant with(Movement m, Modifier... modifiers) {
    return Variant.of(m, Set.of(modifiers), 100);
  }

  private static int cell(Variant v, String axis, Side side) {
    return v.whole()[Axis.of(axis).cell(side)];
  }

  private final Movement both = press(SidePattern.BOTH, Part.BOTH, Position.STANDING, 2);
  private final Movement one = press(SidePattern.ONE_SIDE, Part.WORKING, Position.STANDING, 3);

  @Test
  void aTwoSidedMovementAsksTheSameOfBothSides() {
    Variant v = with(both);
    for (Side side : List.of(Side.LEFT, Side.RIGHT)) {
      assertThat(cell(v, ELEVATION + "any", side)).isEqualTo(170);
      assertThat(cell(v, ELEVATION + "loaded", side)).isEqualTo(170);
      assertThat(cell(v, ELEVATION + "added", side)).isEqualTo(170);
      assertThat(cell(v, "joint.knee-flexion.added", side)).as("own weight is not added").isZero();
      assertThat(cell(v, "joint.knee-flexion.loaded", side)).isEqualTo(20);
      assertThat(cell(v, "load.hand", side)).isEqualTo(500);
    }
    assertThat(cell(v, "load.total", Side.BOTH)).isEqualTo(1000);
    assertThat(cell(v, "load.overhead", Side.BOTH)).isEqualTo(1000);
    assertThatThrownBy(() -> v.half(Side.LEFT)).isInstanceOf(IllegalStateException.class);
  }

  @Test
  void aOneSidedMovementLeavesTheOtherArmOutButStandsOnBothLegs() {
    Variant v = with(one);
    int[] left = v.half(Side.LEFT);
    assertThat(left[Axis.of(ELEVATION + "any").cell(Side.LEFT)]).isEqualTo(170);
    assertThat(left[Axis.of(ELEVATION + "any").cell(Side.RIGHT)]).isZero();
    assertThat(left[Axis.LOAD_HAND.cell(Side.RIGHT)]).isZero();
    assertThat(left[Axis.GRIP.cell(Side.RIGHT)]).isZero();
    assertThat(left[Axis.BEARING_LEG.cell(Side.RIGHT)]).isEqualTo(50);
    assertThat(cell(v, ELEVATION + "any", Side.RIGHT))
        .as("done on both sides in turn")
        .isEqualTo(170);
    assertThat(cell(v, "load.total", Side.BOTH)).isEqualTo(500);
  }

  @Test
  void oneSideAtATimeHalvesTheTotalAndFreesTheOtherArm() {
    Variant v = with(both, Modifier.ONE_SIDE);
    assertThat(v.half(Side.RIGHT)[Axis.of(ELEVATION + "loaded").cell(Side.LEFT)]).isZero();
    assertThat(v.half(Side.RIGHT)[Axis.of("joint.knee-flexion.any").cell(Side.LEFT)]).isEqualTo(20);
    assertThat(cell(v, "load.total", Side.BOTH)).isEqualTo(500);
    assertThat(v.handsLoaded()).isEqualTo(1);
  }

  @Test
  void noWeightLeavesTheWeightOfTheArm() {
    Variant v = with(both, Modifier.NO_WEIGHT);
    assertThat(cell(v, ELEVATION + "added", Side.LEFT)).isZero();
    assertThat(cell(v, ELEVATION + "loaded", Side.LEFT)).isEqualTo(170);
    assertThat(cell(v, "load.hand", Side.LEFT)).isZero();
    assertThat(cell(v, "load.overhead", Side.BOTH)).isZero();
    assertThat(cell(v, "grip", Side.LEFT)).isZero();
    assertThat(v.loadable()).isFalse();
  }

  @Test
  void aHandOnSupportMovesTheBalanceDemandAndKeepsItsLevel() {
    Variant v = with(one, Modifier.HOLD_SUPPORT);
    assertThat(cell(v, "balance.unsupported", Side.BOTH)).isZero();
    assertThat(cell(v, "balance.supported", Side.BOTH)).isEqualTo(3);
    assertThat(cell(v, "act.bent-over-free", Side.BOTH)).isZero();
    assertThat(v.supported()).isTrue();
  }

  @ParameterizedTest(name = "{0} takes {1} from {2} to {3}")
  @CsvSource({
    "ARMS_LOW, joint.shoulder-elevation.any, 170, 0",
    "ARMS_LOW, act.hands-out-of-view, 1, 0",
    "STEP_NOT_HOP, impact, 2, 0",
    "FEET_WIDER, balance.unsupported, 2, 1",
    "FISTS, joint.wrist-extension.any, 60, 10",
    "SHORT_HOLDS, hold, 30, 10",
    "SHORTER_LEVER, effort, 6, 5",
    "SLOWER, effort, 6, 6",
    "FACE_FRONT, spine.rotation.loaded, 1, 0",
    "HIGHER_SEAT, joint.knee-flexion.any, 20, 10",
    "NO_WEIGHT, act.band-latex, 1, 0"
  })
  void eachModifierLowersWhatItSays(Modifier modifier, String axis, int before, int after) {
    assertThat(cell(with(both), axis, Side.LEFT)).isEqualTo(before);
    if (before == after) { // a hold is not done slower
      assertThatThrownBy(() -> with(both, modifier)).hasMessageContaining(modifier.name());
    } else {
      assertThat(cell(with(both, modifier), axis, Side.LEFT)).isEqualTo(after);
    }
  }

  @Test
  void toeDownLeavesOneLegAndReclineLeavesFlat() {
    Movement oneLeg = press(SidePattern.ONE_SIDE, Part.WORKING, Position.ONE_LEG, 4);
    assertThat(cell(with(oneLeg), "position.one-leg", Side.BOTH)).isEqualTo(1);
    Variant down = with(oneLeg, Modifier.TOE_DOWN);
    assertThat(cell(down, "position.one-leg", Side.BOTH)).isZero();
    assertThat(cell(down, "balance.unsupported", Side.BOTH)).isEqualTo(2);
    Variant reclined =
        with(press(SidePattern.BOTH, Part.BOTH, Position.SUPINE, 0), Modifier.RECLINE);
    assertThat(cell(reclined, "position.supine", Side.BOTH)).isZero();
    assertThat(cell(reclined, "position.reclined", Side.BOTH)).isEqualTo(1);
    assertThat(cell(reclined, "surface.floor", Side.BOTH)).as("still on the floor").isEqualTo(1);
  }

  @ParameterizedTest
  @EnumSource(Position.class)
  void theWayToTheFloorIsAskedForTooWeightsIncluded(Position position) {
    Variant v = with(press(SidePattern.BOTH, Part.BOTH, position, 0));
    int floor = position.onFloor() ? 1 : 0;
    boolean kneels =
        position == Position.ALL_FOURS
            || position == Position.KNEELING
            || position == Position.HALF_KNEELING;
    assertThat(cells(v, Axis.FLOOR_WAY)).isEqualTo(floor);
    assertThat(cell(v, "kneel.bare", Side.BOTH)).isEqualTo(kneels ? 1 : 0);
    assertThat(cell(v, "load.from-floor", Side.BOTH)).isEqualTo(floor * 1000);
    assertThat(cell(v, "spine.flexion.loaded", Side.BOTH)).as("picking it up").isEqualTo(floor);
    boolean lies = position == Position.SUPINE || position == Position.PRONE;
    assertThat(cells(v, Axis.RISE_ROLL)).isEqualTo(lies ? 1 : 0);
    if (kneels) {
      assertThat(
              cell(
                  with(press(SidePattern.BOTH, Part.BOTH, position, 0), Modifier.PAD),
                  "kneel.bare",
                  Side.BOTH))
          .isZero();
    }
    assertThat(v.whole()[position.surface.cell(Side.BOTH)]).isEqualTo(1);
  }

  private static int cells(Variant v, Axis derived) {
    return v.whole()[derived.cell(Side.BOTH)];
  }

  @Test
  void onABedNothingIsAskedOfTheFloorAndTheRollStays() {
    Movement m = press(SidePattern.BOTH, Part.BOTH, Position.SUPINE, 0);
    Variant v = with(m, Modifier.ON_BED);
    for (String axis :
        List.of("surface.floor", "load.from-floor", "spine.flexion.loaded", "transfer.floor")) {
      assertThat(cell(v, axis, Side.BOTH)).as(axis).isZero();
    }
    assertThat(cells(v, Axis.FLOOR_WAY)).isZero();
    assertThat(cells(v, Axis.RISE_ROLL)).isEqualTo(1);
    assertThat(cell(v, "surface.bed", Side.BOTH)).isEqualTo(1);
    assertThat(v.onFloor()).isFalse();
  }

  @Test
  void lyingOnASideIsLyingOnTheOneNotAtWork() {
    Variant v = with(press(SidePattern.ONE_SIDE, Part.WORKING, Position.SIDE_LYING, 0));
    assertThat(v.half(Side.LEFT)[Axis.ROLL.cell(Side.RIGHT)]).isEqualTo(1);
    assertThat(v.half(Side.LEFT)[Axis.ROLL.cell(Side.LEFT)]).isZero();
    assertThat(cell(v, "roll", Side.LEFT)).as("both in turn").isEqualTo(1);
  }

  @Test
  void theTrunkIsHeldByTheBackAStrapOrAHandAndTheHandThatHoldsTakesNoPart() {
    Movement m = press(SidePattern.BOTH, Part.BOTH, Position.CHAIR, 0);
    assertThat(cell(with(m), "trunk", Side.BOTH)).isEqualTo(2);
    assertThat(cell(with(m), "act.overhead-unbacked", Side.BOTH)).isEqualTo(1);
    Variant backed = with(m, Modifier.BACK_SUPPORT);
    assertThat(cell(backed, "trunk", Side.BOTH)).isEqualTo(1);
    assertThat(cell(backed, "act.overhead-unbacked", Side.BOTH)).isZero();
    assertThat(cell(with(m, Modifier.STRAPPED), "trunk", Side.BOTH)).isZero();
    Variant held = with(m, Modifier.HOLD_ON);
    assertThat(held.oneSided()).isTrue();
    assertThat(cell(held, "trunk", Side.BOTH)).isZero();
    assertThat(held.half(Side.LEFT)[Axis.LOAD_HAND.cell(Side.RIGHT)]).isZero();
    assertThat(held.half(Side.LEFT)[Axis.GRIP.cell(Side.RIGHT)]).as("it holds").isEqualTo(1);
    assertThat(cell(with(m, Modifier.HOLD_ON, Modifier.BACK_SUPPORT), "trunk", Side.BOTH))
        .as("never below nothing")
        .isZero();
  }

  @ParameterizedTest(name = "cap {0}: {1} % kept")
  @CsvSource({"169, 99", "120, 70", "86, 50", "85, 50", "84, 0", "170, 100"})
  void theRangeIsCutDownNeverUpAndNotBelowWhatIsUseful(int cap, int percent) {
    Catalogue catalogue =
        new Catalogue(List.of(new Family("family", "F", Purpose.PUSH_OVERHEAD, List.of(both))));
    Limit limit =
        new Limit(
            new UUID(1, 1),
            ELEVATION + "any",
            Side.LEFT,
            cap,
            Strength.FIRM,
            "test",
            DAY,
            null,
            null);
    Caps caps = Caps.on(DAY, List.of(limit));
    var cut = catalogue.shortened(catalogue.variants(both).get(0), caps, Side.BOTH);
    if (percent == 0 || percent == 100) {
      assertThat(cut).isEmpty();
    } else {
      assertThat(cut).get().extracting(Variant::range).isEqualTo(percent);
      assertThat(cell(cut.orElseThrow(), ELEVATION + "any", Side.LEFT)).isLessThanOrEqualTo(cap);
    }
  }

  @Test
  void atMostThreeModifiersAndOnlyThoseThatChangeSomething() {
    assertThatThrownBy(
            () ->
                with(
                    both,
                    Modifier.NO_WEIGHT,
                    Modifier.HOLD_SUPPORT,
                    Modifier.FISTS,
                    Modifier.ONE_SIDE))
        .hasMessageContaining("at most 3");
    assertThatThrownBy(() -> with(both, Modifier.PAD)).hasMessageContaining("PAD");
    assertThatThrownBy(() -> with(one, Modifier.ONE_SIDE)).hasMessageContaining("ONE_SIDE");
  }

  @Test
  void familiesRiseAndIdsAreUnique() {
    Demands d = both.demands();
    Movement first = movement("a", 1, 10, SidePattern.BOTH, d, Set.of());
    Movement second = movement("b", 2, 20, SidePattern.BOTH, d, Set.of());
    Movement easier = movement("c", 3, 15, SidePattern.BOTH, d, Set.of());
    assertThatThrownBy(() -> new Family("f", "F", Purpose.PULL, List.of(second, first)))
        .hasMessageContaining("rungs must rise");
    assertThatThrownBy(() -> new Family("f", "F", Purpose.PULL, List.of(first, second, easier)))
        .hasMessageContaining("less difficult");
    assertThatThrownBy(() -> new Family("f", "F", Purpose.PULL, List.of()))
        .hasMessageContaining("at least one");
    Family f = new Family("f", "F", Purpose.PULL, List.of(first));
    assertThatThrownBy(() -> new Catalogue(List.of(f, f))).hasMessageContaining("f");
    assertThatThrownBy(
            () -> new Catalogue(List.of(f, new Family("g", "G", Purpose.PULL, List.of(first)))))
        .hasMessageContaining("a");
    assertThatThrownBy(() -> new Catalogue(List.of(f)).movement("nope"))
        .hasMessageContaining("nope");
    assertThatThrownBy(() -> new Catalogue(List.of(f)).family("nope")).hasMessageContaining("nope");
  }

  @ParameterizedTest
  @ValueSource(strings = {"2-0-2", "0-0-0-0", "a-b-c-d", "-1-0-2-0"})
  void aTempoIsFourNumbersOfSomeLength(String tempo) {
    assertThatThrownBy(() -> Tempo.of(tempo)).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void everyPurposeHasNeighboursThatAreNotItself() {
    for (Purpose p : Purpose.values()) {
      assertThat(p.neighbours()).as(p.name()).isNotEmpty().doesNotContain(p);
      assertThat(Purpose.ofId(p.id())).isEqualTo(p);
    }
    for (Position p : Position.values()) {
      assertThat(Position.find(p.id())).isEqualTo(p);
      assertThat(Axis.exists("position." + p.id())).isTrue();
    }
  }

  @Test
  void impossibleDemandsAreRefused() {
    assertThatThrownBy(() -> new JointDemand(JointMotion.NECK, 181, Loading.FREE, Part.BOTH))
        .hasMessageContaining("181");
    assertThatThrownBy(() -> new BearingDemand(true, 101, Part.BOTH)).hasMessageContaining("101");
    assertThatThrownBy(() -> new SpineDemand("flexion", 3, true)).hasMessageContaining("3");
    assertThatThrownBy(() -> movement("x", 0, 10, SidePattern.BOTH, both.demands(), Set.of()))
        .hasMessageContaining("rung");
    assertThatThrownBy(() -> movement("x", 1, 101, SidePattern.BOTH, both.demands(), Set.of()))
        .hasMessageContaining("difficulty");
  }
}
