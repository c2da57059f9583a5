package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.Situation;
import riposo.core.limit.Axis;
import riposo.core.limit.JointMotion;
import riposo.core.limit.Side;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Movement;
import riposo.core.movement.Purpose;

/**
 * What stays open of every purpose where a whole class of movements is closed; prints the report.
 */
class CoverageTest {
  private static final Adapter ADAPTER = new Adapter(CatalogueReader.shipped());

  /** Limits as "axis cap" or "axis cap side", in words a practitioner would use. */
  private static final Map<String, String> SITUATIONS = new LinkedHashMap<>();

  /** Holes that no movement can fill, and why. */
  private static final Map<String, String> EXPLAINED =
      Map.of(
          "arms at rest/push", "a push is done with the arms",
          "arms at rest/push overhead", "a push is done with the arms",
          "arms at rest/elbow bend", "the elbow is not to bend",
          "arms at rest/elbow straighten", "the elbow is not to move");

  static {
    SITUATIONS.put("seated only", "surface.standing 0; surface.floor 0; transfer.floor 0");
    SITUATIONS.put("no arms", "bearing.arm 0; load.hand 0; grip 0");
    SITUATIONS.put(
        "arms at rest",
        "bearing.arm 0; load.hand 0; grip 0; joint.shoulder-elevation.any 0;"
            + " joint.shoulder-rotation.any 0; joint.shoulder-extension.any 0;"
            + " joint.elbow-flexion.any 0; joint.wrist-extension.any 0");
    SITUATIONS.put(
        "one arm only",
        "bearing.arm 0 right; load.hand 0 right; grip 0 right; joint.shoulder-elevation.any 0 right;"
            + " joint.shoulder-rotation.any 0 right; joint.shoulder-extension.any 0 right;"
            + " joint.elbow-flexion.any 0 right; joint.wrist-extension.any 0 right");
    SITUATIONS.put("no floor", "surface.floor 0; transfer.floor 0");
    SITUATIONS.put("no standing", "surface.standing 0");
    SITUATIONS.put(
        "wheelchair, no leg function",
        "surface.standing 0; transfer.floor 0; act.leg-work 0; act.stand-up 0");
    SITUATIONS.put(
        "week 34",
        "pressure 1; impact 1; effort 6; position.prone 0; position.supine 0; balance.unsupported 2");
    StringBuilder joints = new StringBuilder();
    for (JointMotion m : JointMotion.values()) {
      int cap =
          switch (m) {
            case SHOULDER_ELEVATION -> 80;
            case ELBOW_FLEXION, HIP_FLEXION, KNEE_FLEXION -> 90;
            case WRIST_EXTENSION -> 30;
            case ANKLE_DORSIFLEXION -> 10;
            default -> 0;
          };
      joints.append(joints.isEmpty() ? "" : "; ").append("joint.").append(m.id());
      joints.append(".any ").append(cap);
    }
    SITUATIONS.put(
        "all joint caps at once", joints.append("; joint.knee-flexion.added 60").toString());
  }

  @Test
  void everyPurposeHasOpenMovementsInEverySituationOrTheHoleIsExplained() {
    List<String> unexplained = new ArrayList<>();
    Map<String, String> explained = new TreeMap<>();
    StringBuilder report = new StringBuilder("open movements by purpose\n");
    Catalogue catalogue = ADAPTER.catalogue();
    for (Map.Entry<String, String> e : SITUATIONS.entrySet()) {
      Situation s = RandomLimits.all(AlternativesTableTest.limits(e.getValue()));
      Map<Purpose, Integer> open = new EnumMap<>(Purpose.class);
      for (Movement m : catalogue.movements()) {
        boolean may =
            ADAPTER.open(m.id(), s) != null
                || ADAPTER.resolve(m.id(), s).parts().stream()
                    .anyMatch(p -> m.id().equals(p.movementId()));
        open.merge(m.purpose(), may ? 1 : 0, Integer::sum);
      }
      report.append(e.getKey()).append(": ");
      for (Purpose p : Purpose.values()) {
        int n = open.getOrDefault(p, 0);
        report.append(p.words).append(' ').append(n).append(", ");
        if (n == 0) {
          String hole = e.getKey() + "/" + p.words;
          String why = EXPLAINED.get(hole);
          if (why == null) {
            unexplained.add(hole);
          } else {
            explained.put(hole, why);
          }
        }
      }
      report.append('\n');
    }
    explained.forEach(
        (h, w) -> report.append("hole ").append(h).append(": ").append(w).append('\n'));
    System.out.println(report);
    assertThat(unexplained).isEmpty();
    assertThat(explained)
        .as("no explanation outlives its hole")
        .isEqualTo(new TreeMap<>(EXPLAINED));
  }

  @Test
  void everyAxisThatALimitMayNameIsAskedForBySomeMovementOrReadElsewhere() {
    List<String> never = new ArrayList<>();
    for (Axis a : Axis.all()) {
      boolean asked =
          ADAPTER.catalogue().movements().stream()
              .map(m -> ADAPTER.catalogue().variants(m).get(0).whole())
              .anyMatch(v -> v[a.cell(Side.LEFT)] > 0);
      if (!asked) {
        never.add(a.id);
      }
    }
    System.out.println("axes no shipped movement asks for: " + never);
    assertThat(never)
        .noneMatch(a -> a.startsWith("joint.") && a.endsWith(".any"))
        .doesNotContain("impact", "grip", "hold", "pressure", "effort", "complexity");
  }
}
