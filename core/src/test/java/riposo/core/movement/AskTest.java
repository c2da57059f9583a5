package riposo.core.movement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.adapt.SmallCatalogue;
import riposo.core.limit.JointMotion;
import riposo.core.limit.Loading;

/** The words a movement is found by, and the degrees at which they begin. */
class AskTest {
  @ParameterizedTest(name = "{0}: {1}")
  @CsvSource({
    "knee-lift, ''",
    "sit-to-stand, DEEP_KNEE_BEND",
    "squat, STANDING DEEP_KNEE_BEND",
    "jump-squat, STANDING IMPACT BALANCE DEEP_KNEE_BEND",
    "bridge, FLOOR LYING_FLAT",
    "wall-push, STANDING ARM_WEIGHT",
    "floor-push, FLOOR ARM_WEIGHT TRUNK_PRESSURE BENT_WRIST",
    "low-raise, STANDING WEIGHT",
    "press, STANDING OVERHEAD WEIGHT",
    "hinged-row, STANDING WEIGHT BENDING",
    "prone-row, FLOOR",
  })
  void whatItIsFoundBy(String id, String expected) {
    assertThat(Ask.of(SmallCatalogue.ALL.movement(id)))
        .containsExactlyInAnyOrderElementsOf(
            Arrays.stream((expected == null ? "" : expected).split(" "))
                .filter(s -> !s.isEmpty())
                .map(Ask::valueOf)
                .toList());
  }

  @ParameterizedTest(name = "{0} {1}°: {2} {3}")
  @CsvSource({
    "SHOULDER_ELEVATION, 119, OVERHEAD, false",
    "SHOULDER_ELEVATION, 120, OVERHEAD, true",
    "KNEE_FLEXION, 60, DEEP_KNEE_BEND, false",
    "KNEE_FLEXION, 61, DEEP_KNEE_BEND, true",
    "WRIST_EXTENSION, 30, BENT_WRIST, false",
    "WRIST_EXTENSION, 31, BENT_WRIST, true",
  })
  void whereTheWordBegins(JointMotion motion, int degrees, Ask ask, boolean has) {
    Movement m = bent(SmallCatalogue.ALL.movement("knee-lift"), motion, degrees);
    Set<Ask> all = Ask.of(m);
    assertThat(all.contains(ask)).isEqualTo(has);
    assertThat(all).as("nothing else").hasSize(has ? 1 : 0);
  }

  private static Movement bent(Movement m, JointMotion motion, int degrees) {
    Demands d = m.demands();
    Demands bent =
        new Demands(
            d.position(),
            List.of(new JointDemand(motion, degrees, Loading.OWN, Part.BOTH)),
            d.spine(),
            d.impact(),
            d.balance(),
            d.supported(),
            d.bearing(),
            d.leastGrams(),
            d.hands(),
            d.overhead(),
            d.holdSeconds(),
            d.pressure(),
            d.head(),
            d.grip(),
            d.effort(),
            d.complexity(),
            d.trunk(),
            d.acts());
    return new Movement(
        m.id(),
        m.name(),
        m.familyId(),
        m.purpose(),
        m.rung(),
        m.difficulty(),
        m.sides(),
        m.tempo(),
        m.loadKind(),
        m.share(),
        m.primary(),
        m.secondary(),
        m.kit(),
        bent,
        m.leastRange(),
        m.ranged(),
        m.modifiers(),
        m.cues(),
        m.faults(),
        m.lever(),
        m.figure(),
        null,
        List.of(),
        null,
        List.of());
  }
}
