package riposo.core.movement;

import java.util.EnumSet;
import java.util.Set;
import java.util.function.Predicate;
import riposo.core.limit.Act;
import riposo.core.limit.JointMotion;

/**
 * What a movement asks of the body, in the words it is found by: "no kneeling" finds what does not
 * have it. For finding only; whether somebody may do it is judged on the axes. Degrees by house
 * rule: overhead from 120 of the shoulder, a deep knee bend over 60, a bent wrist over 30.
 */
public enum Ask {
  FLOOR("floor", m -> m.position().onFloor()),
  KNEELING(
      "kneeling",
      m ->
          m.position() == Position.ALL_FOURS
              || m.position() == Position.KNEELING
              || m.position() == Position.HALF_KNEELING),
  STANDING("standing", m -> m.position().height >= 3),
  LYING_FLAT("lying flat", m -> m.position() == Position.SUPINE),
  GRIP("grip", m -> m.demands().grip() > 0),
  IMPACT("impact", m -> m.demands().impact() > 0),
  OVERHEAD(
      "overhead", m -> m.demands().overhead() || most(m, JointMotion.SHOULDER_ELEVATION) >= 120),
  BALANCE("balance", m -> m.demands().balance() >= 2),
  HOLD("hold", m -> m.demands().holdSeconds() > 0),
  WEIGHT("weight", m -> m.loadKind() == LoadKind.DUMBBELL || m.loadKind() == LoadKind.BAND),
  ARM_WEIGHT(
      "weight on the arms", m -> m.demands().bearing().stream().anyMatch(BearingDemand::arm)),
  LEG_WORK("leg work", m -> m.demands().acts().contains(Act.LEG_WORK)),
  TRUNK_PRESSURE("trunk pressure", m -> m.demands().pressure() >= 2),
  TURNING("turning", m -> spine(m, "rotation")),
  BENDING("bending", m -> spine(m, "flexion") || m.demands().acts().contains(Act.BENT_OVER_FREE)),
  DEEP_KNEE_BEND("deep knee bend", m -> most(m, JointMotion.KNEE_FLEXION) > 60),
  BENT_WRIST("bent wrist", m -> most(m, JointMotion.WRIST_EXTENSION) > 30);

  public final String words;
  private final Predicate<Movement> has;

  Ask(String words, Predicate<Movement> has) {
    this.words = words;
    this.has = has;
  }

  /** All that a movement asks as it stands, unmodified. */
  public static Set<Ask> of(Movement m) {
    EnumSet<Ask> all = EnumSet.noneOf(Ask.class);
    for (Ask a : values()) {
      if (a.has.test(m)) {
        all.add(a);
      }
    }
    return all;
  }

  private static int most(Movement m, JointMotion motion) {
    return m.demands().joints().stream()
        .filter(j -> j.motion() == motion)
        .mapToInt(JointDemand::degrees)
        .max()
        .orElse(0);
  }

  private static boolean spine(Movement m, String motion) {
    return m.demands().spine().stream().anyMatch(s -> s.motion().equals(motion));
  }
}
