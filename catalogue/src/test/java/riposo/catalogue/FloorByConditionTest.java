package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.limit.Broken;
import riposo.core.limit.Caps;
import riposo.core.limit.Condition;
import riposo.core.limit.FloorWay;
import riposo.core.wording.Wording;

/** Condition by condition: by which way the floor is open, and what closes each way. */
class FloorByConditionTest {
  private static Caps caps(String said, boolean pad, Set<FloorWay> seen) {
    return Caps.on(Said.DAY, Said.limits(said)).with(new Caps.Floor(pad, seen, false));
  }

  private static Set<FloorWay> ways(String words) {
    Set<FloorWay> all = EnumSet.noneOf(FloorWay.class);
    if (words.contains("half")) {
      all.add(FloorWay.HALF_KNEELING);
    }
    if (words.contains("chair")) {
      all.add(FloorWay.CHAIR);
    }
    return all;
  }

  /** Limits | open | closes the half-kneeling | closes the chair | open once both were seen. */
  @ParameterizedTest(name = "{0}: {1}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          LOW_BONE_DENSITY | half, chair | - | - | half, chair
          HIP | half, chair | - | - | half, chair
          KNEE right | chair | joint.knee-flexion.loaded | - | half, chair
          KNEE_REPLACED left | - | position.half-kneeling | position.kneeling | -
          HIP_BACK right | - | joint.hip-flexion.any | joint.hip-flexion.any | -
          HIP_FRONT left | half, chair | - | - | half, chair
          FOOT left | half, chair | - | - | half, chair
          SHOULDER right | half, chair | - | - | half, chair
          SHOULDER_REVERSE right | half | - | bearing.arm | half, chair
          SHOULDER_OPERATED left | half | - | bearing.arm | half, chair
          SHOULDER_OPERATED_NEW left | half | - | bearing.arm | half
          ELBOW_WRIST_HAND left | half, chair | - | - | half, chair
          ELBOW_WRIST_HAND | chair | joint.wrist-extension.loaded | - | half, chair
          LEG_SPARED right | - | bearing.leg | bearing.leg | -
          ARM_SPARED left | half | - | bearing.arm | half
          PELVIC_GIRDLE | - | act.split-stance | balance.supported | half, chair
          STERNOTOMY 6 weeks | - | surface.floor | bearing.arm | -
          HEART_EVENT | half, chair | - | - | half, chair
          HEART_WALL | half, chair | - | - | half, chair
          FATIGUE_WORSE | - | effort | effort | half, chair
          DIABETES_FEET | half, chair | - | - | half, chair
          FOOT_ULCER left | - | bearing.leg | bearing.leg | half, chair
          FISTULA left | half | - | bearing.arm | half, chair
          STROKE | - | transfer.floor | transfer.floor | half, chair
          STROKE_SIDE left | half | - | bearing.arm | half, chair
          PARKINSON | - | transfer.floor | transfer.floor | half, chair
          FALLS | - | transfer.floor | transfer.floor | half, chair
          FRAIL | - | transfer.floor | transfer.floor | half, chair
          VERTIGO | - | transfer.floor | transfer.floor | half, chair
          WHEELCHAIR | - | transfer.floor | transfer.floor | half, chair
          NO_LEG_FUNCTION | - | act.leg-work | act.leg-work | -
          LEG_LOST left | - | bearing.leg | bearing.leg | half, chair
          LEG_FITTED left | - | balance.supported | balance.supported | half, chair
          ARM_LOST right | half | - | bearing.arm | half, chair
          LYMPH_ARM left | half | - | bearing.arm | half, chair
          BONE_SPREAD_ARM right | half | - | bearing.arm | half, chair
          BONE_SPREAD_LEG left | half, chair | - | - | half, chair
          week 24 | half, chair | - | - | half, chair
          KNEE right; SHOULDER_OPERATED left | - | joint.knee-flexion.loaded | bearing.arm | half, chair
          PELVIC_GIRDLE; week 30 | - | act.uneven-legs | balance.supported | half, chair
          """)
  void theWaysOpenAndWhatClosesTheOthers(
      String said, String open, String half, String chair, String seen) {
    Caps caps = caps(said, true, Set.of());
    assertThat(caps.floorWays()).isEqualTo(ways(open));
    closes(caps, FloorWay.HALF_KNEELING, half);
    closes(caps, FloorWay.CHAIR, chair);
    assertThat(caps(said, true, EnumSet.allOf(FloorWay.class)).floorWays())
        .as("once both were seen to go well")
        .isEqualTo(ways(seen));
  }

  private static void closes(Caps caps, FloorWay way, String axis) {
    List<Broken> broken = caps.closing(way);
    if (axis.equals("-")) {
      assertThat(broken).isEmpty();
    } else {
      assertThat(broken).extracting(Broken::axisId).contains(axis);
      assertThat(Wording.broken(broken)).allMatch(s -> s.startsWith("asks"));
    }
  }

  @Test
  void aKneeThatNeedsAPadHasNoWayWithoutOne() {
    assertThat(caps("KNEE right", false, Set.of()).floorWays()).isEmpty();
    assertThat(caps("KNEE right", true, Set.of()).floorWays()).containsExactly(FloorWay.CHAIR);
  }

  /** Every condition is in the table above or leaves both ways open; prints those that do not. */
  @Test
  void whatClosesAWayIsInTheTable() {
    String table =
        Arrays.stream(getClass().getDeclaredMethods())
            .filter(m -> m.isAnnotationPresent(CsvSource.class))
            .map(m -> m.getAnnotation(CsvSource.class).textBlock())
            .collect(Collectors.joining());
    Set<String> missing = new HashSet<>();
    for (Condition c : Condition.values()) {
      boolean both = caps(c.name(), true, Set.of()).floorWays().size() == 2;
      if (!both && !table.contains(c.name())) {
        missing.add(c.name());
      }
    }
    assertThat(missing).isEmpty();
  }
}
