package riposo.core.movement;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import riposo.core.limit.Act;
import riposo.core.limit.Axis;
import riposo.core.limit.JointMotion;
import riposo.core.limit.Side;

/**
 * Whether a movement's demands hang together: what contradicts itself is refused, what claims less
 * than its posture implies is warned about .
 */
public final class Soundness {
  /**
   * Two statements that cannot both be true.
   *
   * @param field where in the document, such as {@code demands/weight}
   */
  public record Contradiction(String field, String words) {}

  /**
   * A demand below what the posture asks of anybody.
   *
   * @param asked what the movement claims, in the unit of the axis
   * @param least what the posture implies
   */
  public record Doubt(String axisId, Side side, int asked, int least) {}

  /** What a posture asks of anybody: at least so much on an axis. */
  public record Implied(String axisId, int least) {}

  private static final List<Implied> ON_FEET =
      List.of(new Implied("act.leg-work", 1), new Implied("bearing.leg", 40));

  private static final Map<Position, List<Implied>> IMPLIED =
      Map.ofEntries(
          Map.entry(Position.CHAIR, List.of(new Implied("joint.hip-flexion.any", 80))),
          Map.entry(Position.LONG_SITTING, List.of(new Implied("joint.hip-flexion.any", 70))),
          Map.entry(
              Position.STANDING_SUPPORTED,
              List.of(new Implied("act.leg-work", 1), new Implied("bearing.leg", 40))),
          Map.entry(Position.STANDING, ON_FEET),
          Map.entry(
              Position.ONE_LEG,
              List.of(
                  new Implied("act.leg-work", 1),
                  new Implied("act.one-leg-stance", 1),
                  new Implied("act.uneven-legs", 1),
                  new Implied("bearing.leg", 100))),
          Map.entry(
              Position.STEPPING,
              List.of(
                  new Implied("act.leg-work", 1),
                  new Implied("act.uneven-legs", 1),
                  new Implied("bearing.leg", 90),
                  new Implied("joint.knee-flexion.loaded", 30))),
          Map.entry(
              Position.RAISED_PLANK,
              List.of(
                  new Implied("act.leg-work", 1),
                  new Implied("bearing.arm", 5),
                  new Implied("bearing.leg", 20),
                  new Implied("joint.shoulder-elevation.loaded", 45))),
          Map.entry(
              Position.FLOOR_PLANK,
              List.of(
                  new Implied("act.leg-work", 1),
                  new Implied("bearing.arm", 25),
                  new Implied("bearing.leg", 10),
                  new Implied("pressure", 2),
                  new Implied("joint.shoulder-elevation.loaded", 60))),
          Map.entry(
              Position.ALL_FOURS,
              List.of(
                  new Implied("act.leg-work", 1),
                  new Implied("bearing.arm", 15),
                  new Implied("bearing.leg", 20),
                  new Implied("joint.hip-flexion.any", 60),
                  new Implied("joint.knee-flexion.any", 60))),
          Map.entry(
              Position.KNEELING,
              List.of(
                  new Implied("act.leg-work", 1),
                  new Implied("bearing.leg", 20),
                  new Implied("joint.knee-flexion.any", 80))),
          Map.entry(
              Position.HALF_KNEELING,
              List.of(
                  new Implied("act.leg-work", 1),
                  new Implied("act.split-stance", 1),
                  new Implied("bearing.leg", 25),
                  new Implied("joint.hip-flexion.any", 60),
                  new Implied("joint.knee-flexion.any", 80))));

  private Soundness() {}

  /** What each posture implies, in the order of the postures. */
  public static Map<Position, List<Implied>> implied() {
    return new TreeMap<>(IMPLIED);
  }

  /** Every contradiction; empty when the movement is sound. */
  public static List<Contradiction> contradictions(Movement m) {
    Demands d = m.demands();
    Position p = d.position();
    List<Contradiction> found = new ArrayList<>();
    boolean standing = p.surface == Axis.STANDING;
    if (d.impact() > 0 && !standing && p != Position.FLOOR_PLANK) {
      found.add(new Contradiction("demands/impact", "impact while " + words(p)));
    }
    if (d.balance() > 2 && !standing) {
      found.add(new Contradiction("demands/balance", "one-leg balance while " + words(p)));
    }
    if (p == Position.STANDING_SUPPORTED && !d.supported()) {
      found.add(new Contradiction("demands/supported", "standing with support, yet unsupported"));
    }
    if (p == Position.ONE_LEG && d.balance() < 3) {
      found.add(new Contradiction("demands/balance", "on one leg, yet balance below 3"));
    }
    if (p != Position.ONE_LEG
        && d.balance() < 3
        && standing
        && d.bearing().stream().anyMatch(b -> !b.arm() && b.percent() == 100)
        && d.acts().contains(Act.ONE_LEG_STANCE)) {
      found.add(new Contradiction("demands/balance", "one leg carries all, yet balance below 3"));
    }
    boolean weighted = m.loadKind() == LoadKind.DUMBBELL || m.loadKind() == LoadKind.BAND;
    if (weighted != d.leastGrams() > 0) {
      found.add(
          new Contradiction(
              "demands/weight",
              weighted ? "a load without its least weight" : "a weight without a load"));
    }
    if (m.loadKind() == LoadKind.DUMBBELL && d.hands() == 0) {
      found.add(new Contradiction("demands/weight/hands", "a dumbbell that no hand holds"));
    }
    if (m.loadKind() == LoadKind.DUMBBELL && d.grip() == 0) {
      found.add(new Contradiction("demands/grip", "a weight in the hand without grip"));
    }
    needs(m, m.loadKind() == LoadKind.DUMBBELL, Kit.DUMBBELLS, found);
    needs(m, m.loadKind() == LoadKind.BAND, Kit.BAND, found);
    if (m.loadKind() == LoadKind.BAND != d.acts().contains(Act.BAND_LATEX)) {
      found.add(new Contradiction("demands/acts", "a band and band-latex go together"));
    }
    int elevation =
        d.joints().stream()
            .filter(j -> j.motion() == JointMotion.SHOULDER_ELEVATION)
            .mapToInt(JointDemand::degrees)
            .max()
            .orElse(0);
    if (d.overhead() && elevation < 120) {
      found.add(
          new Contradiction(
              "demands/weight/overhead", "overhead with the arm at " + elevation + "°"));
    }
    if (weighted && !d.overhead() && elevation >= 150 && !m.isHold()) {
      found.add(
          new Contradiction(
              "demands/weight/overhead", "a weight at " + elevation + "° is overhead"));
    }
    if (m.sides() != SidePattern.ONE_SIDE
        && (d.joints().stream().anyMatch(j -> j.part() != Part.BOTH)
            || d.bearing().stream().anyMatch(b -> b.part() != Part.BOTH))) {
      found.add(
          new Contradiction("demands/joints", "a working and another side in two-sided work"));
    }
    if (d.acts().contains(Act.SPLIT_STANCE) && p == Position.ONE_LEG) {
      found.add(new Contradiction("demands/acts", "a split stance on one leg"));
    }
    for (JointMotion r : m.ranged()) {
      if (d.joints().stream().noneMatch(j -> j.motion() == r)) {
        found.add(new Contradiction("range/cuts", "cuts " + r.words + ", which does not move"));
      }
    }
    return found;
  }

  /**
   * What the trunk holds up at least: nothing lying; 2 with an arm raised over the shoulder, a turn
   * or side bend, or a load on one side; else 1. Leaning out, 3, is for the data to say.
   */
  public static int leastTrunk(
      Position position,
      List<JointDemand> joints,
      List<SpineDemand> spine,
      int hands,
      SidePattern sides) {
    if (position.height == 0) {
      return 0;
    }
    boolean over =
        joints.stream()
            .anyMatch(j -> j.motion() == JointMotion.SHOULDER_ELEVATION && j.degrees() > 90);
    boolean turns =
        spine.stream()
            .anyMatch(x -> x.motion().equals("rotation") || x.motion().equals("side-bend"));
    boolean oneSided = hands == 1 || hands > 0 && sides == SidePattern.ONE_SIDE;
    return over || turns || oneSided ? 2 : 1;
  }

  private static void needs(Movement m, boolean wanted, Kit kit, List<Contradiction> found) {
    if (wanted && m.kit().stream().noneMatch(any -> any.contains(kit))) {
      found.add(new Contradiction("kit", "a load without " + kit.words));
    }
  }

  private static String words(Position p) {
    return p.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  /** Every demand below what the posture implies, on the side that carries most. */
  public static List<Doubt> doubts(Movement m) {
    int[] asked = Variant.of(m, java.util.Set.of(), 100).whole();
    List<Doubt> found = new ArrayList<>();
    for (Implied i : IMPLIED.getOrDefault(m.position(), List.of())) {
      Axis axis = Axis.of(i.axisId());
      int most = Math.max(asked[axis.cell(Side.LEFT)], asked[axis.cell(Side.RIGHT)]);
      if (most < i.least()) {
        found.add(new Doubt(axis.id, Side.BOTH, most, i.least()));
      }
    }
    Demands d = m.demands();
    int trunk = leastTrunk(m.position(), d.joints(), d.spine(), d.hands(), m.sides());
    if (d.trunk() < trunk) {
      found.add(new Doubt(Axis.TRUNK.id, Side.BOTH, d.trunk(), trunk));
    }
    boolean standing =
        m.position() == Position.STANDING
            || m.position() == Position.ONE_LEG
            || m.position() == Position.STEPPING;
    int least = m.position() == Position.STANDING ? 1 : 2;
    if (standing && m.demands().balance() < least) {
      found.add(
          new Doubt(
              m.demands().supported() ? Axis.BALANCE_HELD.id : Axis.BALANCE.id,
              Side.BOTH,
              m.demands().balance(),
              least));
    }
    return found;
  }

  /**
   * True when the lower rung asks at least as much as the higher on every axis, and more on one, so
   * that the higher rung cannot be defended.
   */
  public static boolean outranks(Movement lower, Movement higher) {
    int[] a = Variant.of(lower, java.util.Set.of(), 100).whole();
    int[] b = Variant.of(higher, java.util.Set.of(), 100).whole();
    boolean more = share(lower) > share(higher);
    for (int i = 0; i < a.length; i++) {
      if (a[i] < b[i]) {
        return false;
      }
      more |= a[i] > b[i];
    }
    return more && share(lower) >= share(higher);
  }

  private static double share(Movement m) {
    return m.share() == null ? 0 : m.share();
  }
}
