package riposo.core.movement;

import java.util.List;
import java.util.Set;
import riposo.core.limit.Act;
import riposo.core.limit.JointMotion;
import riposo.core.limit.Loading;
import riposo.core.limit.Side;

/**
 * A change that lowers a demand without changing the movement. Each states which demands it changes
 * and by how much ({@link Effect}). Three raise one while they lower others: HOLD_SUPPORT moves the
 * balance demand from the unsupported to the supported cap, HELP_RISING lets the arms carry,
 * FOREARMS bends the elbows. Breathing out on effort changes no demand: it is a cue that goes with
 * every trunk pressure of 1 or more, not a modifier.
 */
public enum Modifier {
  HOLD_SUPPORT(
      "hand on support",
      "the balance level is held to the cap with support",
      Set.of(Kit.CHAIR, Kit.COUNTER, Kit.WALL)) {
    @Override
    boolean fits(Draft d) {
      return !d.supported && d.balance > 0;
    }

    @Override
    void apply(Draft d) {
      d.supported = true;
      d.acts.remove(Act.BENT_OVER_FREE);
    }
  },
  RANGE(
      "shorter range",
      "every joint that can be cut stays inside its cap, as far as the range is still useful",
      Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.leastRange < 100;
    }

    /** The amount depends on the caps of the day; see {@link Draft#cutRange}. */
    @Override
    void apply(Draft d) {}
  },
  ARMS_LOW("arms low", "no arm raised, nothing overhead, complexity 1 lower", Set.of()) {
    /** Arms that carry the body stay where they are; what they reach beyond that goes. */
    @Override
    boolean fits(Draft d) {
      return d.joints.stream()
          .anyMatch(
              j ->
                  j.motion().arm
                      && (!d.bearsOnArms()
                          || j.motion() == JointMotion.SHOULDER_ELEVATION && j.degrees() > 90));
    }

    @Override
    void apply(Draft d) {
      if (d.bearsOnArms()) {
        d.joints.replaceAll(
            j ->
                j.motion() == JointMotion.SHOULDER_ELEVATION
                    ? new JointDemand(j.motion(), Math.min(90, j.degrees()), j.loading(), j.part())
                    : j);
      } else {
        d.joints.removeIf(j -> j.motion().arm);
      }
      d.overhead = false;
      d.acts.remove(Act.HANDS_OUT_OF_VIEW);
      d.complexity = Math.max(0, d.complexity - 1);
    }
  },
  ONE_SIDE("one side at a time", "the other arm takes no part, half the weight in all", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.sides != SidePattern.ONE_SIDE;
    }

    @Override
    void apply(Draft d) {
      d.oneSide = true;
    }
  },
  /** Before NO_WEIGHT: of two alike the one that leaves the other hand its weight is taken. */
  LEFT_EMPTY("left hand empty", "no weight and no grip of the left hand", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return pair(d);
    }

    @Override
    void apply(Draft d) {
      d.empty = Side.LEFT;
    }
  },
  RIGHT_EMPTY("right hand empty", "no weight and no grip of the right hand", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return pair(d);
    }

    @Override
    void apply(Draft d) {
      d.empty = Side.RIGHT;
    }
  },
  NO_WEIGHT(
      "no weight",
      "no weight, no grip, no latex, effort 1 lower; the limb still carries itself",
      Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.leastGrams > 0;
    }

    @Override
    void apply(Draft d) {
      d.leastGrams = 0;
      // The limb still carries its own weight: an empty hand overhead is not a free range.
      d.joints.replaceAll(
          j ->
              j.loading() == Loading.ADDED
                  ? new JointDemand(j.motion(), j.degrees(), Loading.OWN, j.part())
                  : j);
      d.effort = Math.max(0, d.effort - 1);
      d.grip = 0;
      d.acts.remove(Act.BAND_LATEX);
      d.acts.remove(Act.ONE_HANDED_LOAD);
    }
  },
  STEP_NOT_HOP("step, do not hop", "impact 0, effort 1 lower", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.impact > 0;
    }

    @Override
    void apply(Draft d) {
      d.impact = 0;
      d.effort = Math.max(0, d.effort - 1);
    }
  },
  PAD("pad under the knee", "no knee on the bare floor", Set.of(Kit.PAD)) {
    @Override
    boolean fits(Draft d) {
      return d.kneelsBare();
    }

    @Override
    void apply(Draft d) {
      d.padded = true;
    }
  },
  HIGHER_SEAT("seat 5 cm higher", "knee and hip bend 10° less", Set.of(Kit.CUSHION)) {
    @Override
    boolean fits(Draft d) {
      return true;
    }

    @Override
    void apply(Draft d) {
      d.lower(JointMotion.KNEE_FLEXION, 10);
      d.lower(JointMotion.HIP_FLEXION, 10);
    }
  },
  FEET_WIDER("feet wider", "balance 2 becomes 1", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.balance == 2;
    }

    @Override
    void apply(Draft d) {
      d.balance = 1;
    }
  },
  TOE_DOWN("toe touches down", "balance 3 or 4 becomes 2, at most 75 % on one leg", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.balance >= 3;
    }

    @Override
    void apply(Draft d) {
      d.balance = 2;
      d.position = d.supported ? Position.STANDING_SUPPORTED : Position.STANDING;
      d.acts.remove(Act.ONE_LEG_STANCE);
      d.bearing.replaceAll(
          b -> b.arm() ? b : new BearingDemand(false, Math.min(b.percent(), 75), b.part()));
    }
  },
  FISTS("fists or handles", "wrist bent back 10° at most", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.joints.stream()
          .anyMatch(j -> j.motion() == JointMotion.WRIST_EXTENSION && j.degrees() > 10);
    }

    @Override
    void apply(Draft d) {
      d.joints.replaceAll(
          j ->
              j.motion() == JointMotion.WRIST_EXTENSION
                  ? new JointDemand(j.motion(), Math.min(10, j.degrees()), j.loading(), j.part())
                  : j);
    }
  },
  SHORT_HOLDS("shorter holds, more of them", "holds of 10 s", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.hold > 10 && !d.stretch;
    }

    @Override
    void apply(Draft d) {
      d.hold = 10;
    }
  },
  SHORTER_LEVER(
      "shorter lever", "the share of load each movement states, effort 1 lower", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.lever > 0;
    }

    @Override
    void apply(Draft d) {
      d.effort = Math.max(0, d.effort - 1);
    }
  },
  RECLINE("reclined, not flat", "reclined instead of flat on the back", Set.of(Kit.WEDGE)) {
    @Override
    boolean fits(Draft d) {
      return d.position == Position.SUPINE;
    }

    @Override
    void apply(Draft d) {
      d.position = Position.RECLINED;
    }
  },
  FACE_FRONT("facing front", "no turn of the spine", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.spine.stream().anyMatch(s -> s.motion().equals("rotation"));
    }

    @Override
    void apply(Draft d) {
      d.spine.removeIf(s -> s.motion().equals("rotation"));
    }
  },
  SLOWER("slower", "effort 1 lower", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.hold == 0;
    }

    @Override
    void apply(Draft d) {
      d.effort = Math.max(0, d.effort - 1);
    }
  },
  /** Ebben 2011's line: 15 cm higher takes about 5 % of body weight off, half of it a hand. */
  HIGHER_HANDS(
      "hands 15 cm higher", "3 % less on each arm, effort 1 lower (Ebben 2011)", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.position == Position.RAISED_PLANK
          && d.bearing.stream().anyMatch(b -> b.arm() && b.percent() > 3);
    }

    @Override
    void apply(Draft d) {
      d.bearing.replaceAll(
          b -> b.arm() ? new BearingDemand(true, Math.max(0, b.percent() - 3), b.part()) : b);
      d.effort = Math.max(0, d.effort - 1);
    }
  },
  /** The hands take about 15 % each on the way up, as in standing with the hands. */
  HELP_RISING(
      "hands help rising, none going down",
      "effort 1 lower; each arm carries 15 % on the way up, wrist 60°, arm 20° behind",
      Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.acts.contains(Act.STAND_UP) && d.bearing.stream().noneMatch(BearingDemand::arm);
    }

    @Override
    void apply(Draft d) {
      d.bearing.add(new BearingDemand(true, 15, Part.BOTH));
      d.joints.add(new JointDemand(JointMotion.WRIST_EXTENSION, 60, Loading.OWN, Part.BOTH));
      d.joints.add(new JointDemand(JointMotion.SHOULDER_EXTENSION, 20, Loading.OWN, Part.BOTH));
      d.grip = Math.max(d.grip, 1);
      d.effort = Math.max(0, d.effort - 1);
    }
  },
  HAND_OFF("someone hands over the weight", "no weight fetched from the floor", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.leastGrams > 0 && d.onFloor() && !d.acts.contains(Act.LIFT_FROM_FLOOR);
    }

    @Override
    void apply(Draft d) {
      d.handedOff = true;
    }
  },
  FOREARMS("on the forearms", "no wrist bent back; elbows bent to 90°", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.joints.stream().anyMatch(j -> j.motion() == JointMotion.WRIST_EXTENSION)
          && d.bearing.stream().anyMatch(BearingDemand::arm);
    }

    @Override
    void apply(Draft d) {
      d.joints.removeIf(j -> j.motion() == JointMotion.WRIST_EXTENSION);
      d.joints.removeIf(j -> j.motion() == JointMotion.ELBOW_FLEXION && j.degrees() < 90);
      if (d.joints.stream().noneMatch(j -> j.motion() == JointMotion.ELBOW_FLEXION)) {
        d.joints.add(new JointDemand(JointMotion.ELBOW_FLEXION, 90, Loading.OWN, Part.BOTH));
      }
    }
  },
  LIGHTER("the lightest band", "500 g of band instead of more", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.leastGrams > 500;
    }

    @Override
    void apply(Draft d) {
      d.leastGrams = 500;
    }
  },
  ON_BED("on a bed or plinth", "no way to the floor; weights lie beside", Set.of(Kit.BED)) {
    @Override
    boolean fits(Draft d) {
      return d.position.height == 0 && !d.onBed;
    }

    @Override
    void apply(Draft d) {
      d.onBed = true;
    }
  },
  BACK_SUPPORT("back supported", "trunk control 1 lower", Set.of(Kit.CHAIR)) {
    @Override
    boolean fits(Draft d) {
      return seated(d) && d.trunk < 3;
    }

    @Override
    void apply(Draft d) {
      d.eased += 1;
      d.backed = true;
    }
  },
  STRAPPED("strap round the trunk", "trunk control 2 lower", Set.of(Kit.STRAP)) {
    @Override
    boolean fits(Draft d) {
      return seated(d);
    }

    @Override
    void apply(Draft d) {
      d.eased += 2;
    }
  },
  /** The hand that holds on takes no part, so what two arms do is done one side at a time. */
  HOLD_ON(
      "one hand holding on",
      "trunk control 2 lower; the other arm only, light grip of the hand that holds",
      Set.of(Kit.CHAIR)) {
    @Override
    boolean fits(Draft d) {
      return seated(d) && !d.bearsOnArms() && (d.sides != SidePattern.ONE_SIDE || d.hands < 2);
    }

    @Override
    void apply(Draft d) {
      d.eased += 2;
      d.heldOn = true;
      d.oneSide |=
          d.sides != SidePattern.ONE_SIDE && d.joints.stream().anyMatch(j -> j.motion().arm);
    }
  };

  private static boolean pair(Draft d) {
    return d.leastGrams > 0 && d.hands == 2 && !d.oneSide && d.empty == null;
  }

  private static boolean seated(Draft d) {
    return d.position == Position.CHAIR && d.trunk > 0 && !d.acts.contains(Act.STAND_UP);
  }

  /** Most modifiers one variant may carry. */
  public static final int MOST = 3;

  public final String words;

  /** What it does to the demands, in a few words; the numbers for a movement: {@link #effects}. */
  public final String effect;

  /** Any one of these makes the modifier possible; empty when it needs nothing. */
  public final Set<Kit> anyOf;

  Modifier(String words, String effect, Set<Kit> anyOf) {
    this.words = words;
    this.effect = effect;
    this.anyOf = anyOf;
  }

  /** Whether the modifier would change anything in the movement as drafted. */
  abstract boolean fits(Draft draft);

  abstract void apply(Draft draft);

  /** What the modifier changes in the movement, cell by cell; empty for RANGE, cut to the caps. */
  public List<Effect> effects(Movement movement) {
    return this == RANGE || !movement.modifiers().contains(this) || !fits(new Draft(movement))
        ? List.of()
        : Effect.between(
            Variant.of(movement, Set.of(), 100), Variant.of(movement, Set.of(this), 100));
  }

  /** Whether it swaps a part of the movement for another instead of easing it. */
  public boolean swapsPart() {
    return this == ARMS_LOW || this == STEP_NOT_HOP;
  }

  /** Whether it is a hold or a support that is reached for when a set gets unsteady. */
  public boolean holdsOn() {
    return this == HOLD_SUPPORT
        || this == HELP_RISING
        || this == TOE_DOWN
        || this == BACK_SUPPORT
        || this == HOLD_ON;
  }

  public static List<Modifier> inOrder(Set<Modifier> modifiers) {
    return modifiers.stream().sorted().toList();
  }
}
