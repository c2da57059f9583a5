package riposo.core.movement;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Act;
import riposo.core.limit.Axis;
import riposo.core.limit.JointMotion;
import riposo.core.limit.Loading;
import riposo.core.limit.Side;

/** A movement's demands while modifiers change them; flattened into cells at the end. */
final class Draft {
  final SidePattern sides;
  final int leastRange;
  Position position;
  final List<JointDemand> joints;
  final List<SpineDemand> spine;
  int impact;
  int balance;
  boolean supported;
  final List<BearingDemand> bearing;
  int leastGrams;
  final int hands;
  boolean overhead;
  int hold;
  final int pressure;
  final Set<Axis> head;
  int grip;
  int effort;
  int complexity;
  final Set<Act> acts;
  boolean oneSide;
  boolean padded;
  boolean handedOff;
  boolean onBed;
  boolean backed;
  boolean heldOn;

  /** The hand that holds no weight though the other does; null when both or neither do. */
  @Nullable Side empty;

  final int trunk;

  /** How much of what the trunk holds up is taken off it. */
  int eased;

  final int lever;

  /** A mild stretch or a posture kept: a hold, but not still effort. */
  final boolean stretch;

  Draft(Movement m) {
    Demands d = m.demands();
    sides = m.sides();
    leastRange = m.leastRange();
    lever = m.lever();
    position = d.position();
    joints = new ArrayList<>(d.joints());
    spine = new ArrayList<>(d.spine());
    impact = d.impact();
    balance = d.balance();
    supported = d.supported();
    bearing = new ArrayList<>(d.bearing());
    leastGrams = d.leastGrams();
    hands = d.hands();
    overhead = d.overhead();
    hold = d.holdSeconds();
    pressure = d.pressure();
    head = new HashSet<>(d.head());
    grip = d.grip();
    effort = d.effort();
    complexity = d.complexity();
    trunk = d.trunk();
    acts = EnumSet.noneOf(Act.class);
    acts.addAll(d.acts());
    stretch =
        (m.purpose() == Purpose.MOBILITY || m.purpose() == Purpose.BREATHING)
            && !acts.contains(Act.PRESS_STILL);
  }

  /** Whether a knee rests on the ground with nothing under it. */
  boolean kneelsBare() {
    return !padded
        && (position == Position.ALL_FOURS
            || position == Position.KNEELING
            || position == Position.HALF_KNEELING);
  }

  /** Whether the body lies on the floor or is down on it: on a bed it is not. */
  boolean onFloor() {
    return position.onFloor() && !onBed;
  }

  boolean bearsOnArms() {
    return bearing.stream().anyMatch(b -> b.arm() && b.percent() > 0);
  }

  /** The most an arm is raised, in degrees. */
  private int raised() {
    return joints.stream()
        .filter(j -> j.motion() == JointMotion.SHOULDER_ELEVATION)
        .mapToInt(JointDemand::degrees)
        .max()
        .orElse(0);
  }

  void lower(JointMotion motion, int degrees) {
    joints.replaceAll(
        j ->
            j.motion() == motion
                ? new JointDemand(motion, Math.max(0, j.degrees() - degrees), j.loading(), j.part())
                : j);
  }

  /** Cuts every cuttable joint range to that percentage of itself, rounded up to whole degrees. */
  void cutRange(int percent, Set<JointMotion> ranged) {
    joints.replaceAll(
        j ->
            ranged.contains(j.motion())
                // up, so that what is asked is never said to be less than it is
                ? new JointDemand(
                    j.motion(), (j.degrees() * percent + 99) / 100, j.loading(), j.part())
                : j);
  }

  boolean oneSided() {
    return sides == SidePattern.ONE_SIDE || oneSide;
  }

  /**
   * The demand array. For one-sided work {@code working} is the side at work; for the rest it is
   * BOTH.
   */
  int[] cells(Side working) {
    int[] v = new int[Axis.CELLS];
    put(v, Axis.position(position.id()), Side.BOTH, 1);
    put(v, onBed ? Axis.BED : position.surface, Side.BOTH, 1);
    if (onFloor() && !acts.contains(Act.FLOOR_TRAINING)) {
      put(v, Axis.FLOOR_WAY, Side.BOTH, 1);
    }
    put(v, Axis.KNEEL_BARE, Side.BOTH, kneelsBare() ? 1 : 0);
    lie(v, working);
    for (JointDemand j : joints) {
      for (Side side : sidesOf(j.part(), j.motion().arm, working)) {
        put(v, Axis.joint(j.motion(), Loading.FREE), side, j.degrees());
        if (j.loading() != Loading.FREE) {
          put(v, Axis.joint(j.motion(), Loading.OWN), side, j.degrees());
        }
        if (j.loading() == Loading.ADDED && !(j.motion().arm && side == empty)) {
          put(v, Axis.joint(j.motion(), Loading.ADDED), side, j.degrees());
        }
      }
    }
    for (SpineDemand s : spine) {
      put(v, Axis.of("spine." + s.motion() + ".any"), Side.BOTH, s.level());
      if (s.loaded()) {
        put(v, Axis.of("spine." + s.motion() + ".loaded"), Side.BOTH, s.level());
      }
    }
    put(v, Axis.IMPACT, Side.BOTH, impact);
    put(v, supported ? Axis.BALANCE_HELD : Axis.BALANCE, Side.BOTH, balance);
    for (BearingDemand b : bearing) {
      for (Side side : sidesOf(b.part(), b.arm(), working)) {
        put(v, b.arm() ? Axis.BEARING_ARM : Axis.BEARING_LEG, side, b.percent());
      }
    }
    if (leastGrams > 0 && hands > 0) {
      List<Side> loaded =
          hands == 1 || oneSide
              ? sidesOf(Part.WORKING, true, working)
              : List.of(Side.LEFT, Side.RIGHT);
      loaded.stream()
          .filter(side -> side != empty)
          .forEach(side -> put(v, Axis.LOAD_HAND, side, leastGrams));
      int total = leastGrams * (empty != null ? 1 : working == Side.BOTH ? hands : loaded.size());
      put(v, Axis.LOAD_TOTAL, Side.BOTH, total);
      if (overhead) {
        put(v, Axis.LOAD_OVERHEAD, Side.BOTH, total);
      }
      if (onFloor() && !handedOff || acts.contains(Act.LIFT_FROM_FLOOR)) {
        put(v, Axis.LOAD_FROM_FLOOR, Side.BOTH, total);
        // picking it up and putting it down bends the back
        put(v, Axis.of("spine.flexion.any"), Side.BOTH, 1);
        put(v, Axis.of("spine.flexion.loaded"), Side.BOTH, 1);
      }
      if (hands == 1 || oneSide || empty != null) {
        put(v, Axis.act(Act.ONE_HANDED_LOAD), Side.BOTH, 1);
      }
      if (position == Position.SUPINE || position == Position.RECLINED) {
        put(v, Axis.act(Act.WEIGHT_OVER_FACE), Side.BOTH, raised() >= 45 ? 1 : 0);
      }
    }
    if (raised() > 120 && !backed && position.height >= Position.CHAIR.height) {
      put(v, Axis.act(Act.OVERHEAD_UNBACKED), Side.BOTH, 1);
    }
    // a pair of weights of which one hand has none is a load on one side
    boolean lopsided = leastGrams > 0 && hands == 2 && (oneSide || empty != null);
    int held = lopsided && position.height >= Position.CHAIR.height ? Math.max(2, trunk) : trunk;
    put(v, Axis.TRUNK, Side.BOTH, Math.max(0, held - eased));
    put(v, Axis.HOLD, Side.BOTH, stretch ? 0 : hold);
    put(v, Axis.PRESSURE, Side.BOTH, pressure);
    head.forEach(h -> put(v, h, Side.BOTH, 1));
    sidesOf(oneSided() && hands < 2 || oneSide ? Part.WORKING : Part.BOTH, true, working)
        .forEach(side -> put(v, Axis.GRIP, side, side == empty ? 0 : grip));
    if (heldOn && working != Side.BOTH) {
      put(v, Axis.GRIP, working.other(), 1);
    }
    put(v, Axis.EFFORT, Side.BOTH, effort);
    // the way to the floor is taught one to one, part by part
    put(v, Axis.COMPLEXITY, Side.BOTH, acts.contains(Act.FLOOR_TRAINING) ? 0 : complexity);
    for (Act a : acts) {
      Axis axis = Axis.act(a);
      (axis.sided ? sidesOf(Part.WORKING, false, working) : List.of(Side.BOTH))
          .forEach(side -> put(v, axis, side, 1));
    }
    if (acts.contains(Act.STAND_UP)) {
      put(v, Axis.STANDING, Side.BOTH, 1);
    }
    return v;
  }

  /** Lying down and rising goes by a roll; lying on a side is lying on the one not at work. */
  private void lie(int[] v, Side working) {
    if (position == Position.PRONE) {
      put(v, Axis.act(Act.BELLY_DOWN), Side.BOTH, 1);
    }
    if (position == Position.SUPINE || position == Position.PRONE) {
      put(v, Axis.RISE_ROLL, Side.BOTH, 1);
    } else if (position == Position.SIDE_LYING) {
      put(v, Axis.ROLL, working.other(), 1);
    }
  }

  private List<Side> sidesOf(Part part, boolean arm, Side working) {
    if (working == Side.BOTH) {
      return List.of(Side.LEFT, Side.RIGHT);
    }
    return switch (part) {
      case WORKING -> List.of(working);
      case OTHER -> List.of(working.other());
      // A two-armed movement done with one arm leaves the other arm out of it, never the legs.
      case BOTH -> oneSide && arm ? List.of(working) : List.of(Side.LEFT, Side.RIGHT);
    };
  }

  private static void put(int[] v, Axis axis, Side side, int value) {
    int cell = axis.cell(side == Side.BOTH ? Side.LEFT : side);
    v[cell] = Math.max(v[cell], value);
    if (side == Side.BOTH && axis.sided) {
      v[axis.cell(Side.RIGHT)] = Math.max(v[axis.cell(Side.RIGHT)], value);
    }
  }
}
