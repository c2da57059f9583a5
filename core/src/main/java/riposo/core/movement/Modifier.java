package riposo.core.movement;

import java.util.List;
import java.util.Set;
import riposo.core.limit.Act;
import riposo.core.limit.Loading;

/**
 * A change that lowers a demand without changing the movement (handbook 4). Each states which
 * demands it changes and by how much; none but HOLD_SUPPORT raises one, and that moves the balance
 * demand from the unsupported to the supported cap.
 */
public enum Modifier {
  HOLD_SUPPORT("hand on support", Set.of(Kit.CHAIR, Kit.COUNTER, Kit.WALL)) {
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
  RANGE("shorter range", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.leastRange < 100;
    }

    /** The amount depends on the caps of the day; see {@link Draft#cutRange}. */
    @Override
    void apply(Draft d) {}
  },
  ARMS_LOW("arms low", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.joints.stream().anyMatch(j -> j.motion().arm && j.loading() != Loading.OWN);
    }

    @Override
    void apply(Draft d) {
      d.joints.removeIf(j -> j.motion().arm && j.loading() != Loading.OWN);
      d.overhead = false;
      d.acts.remove(Act.HANDS_OUT_OF_VIEW);
      d.complexity = Math.max(0, d.complexity - 1);
    }
  },
  ONE_SIDE("one side at a time", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.sides != SidePattern.ONE_SIDE;
    }

    @Override
    void apply(Draft d) {
      d.oneSide = true;
    }
  },
  NO_WEIGHT("no weight", Set.of()) {
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
      d.grip = Math.min(d.grip, 0);
      d.acts.remove(Act.BAND_LATEX);
    }
  },
  STEP_NOT_HOP("step, do not hop", Set.of()) {
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
  PAD("pad under the knee", Set.of(Kit.PAD)) {
    @Override
    boolean fits(Draft d) {
      return d.kneelsBare();
    }

    @Override
    void apply(Draft d) {
      d.padded = true;
    }
  },
  HIGHER_SEAT("seat 5 cm higher", Set.of(Kit.CUSHION)) {
    @Override
    boolean fits(Draft d) {
      return true;
    }

    @Override
    void apply(Draft d) {
      d.lower(riposo.core.limit.JointMotion.KNEE_FLEXION, 10);
      d.lower(riposo.core.limit.JointMotion.HIP_FLEXION, 10);
    }
  },
  FEET_WIDER("feet wider", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.balance == 2;
    }

    @Override
    void apply(Draft d) {
      d.balance = 1;
    }
  },
  TOE_DOWN("toe touches down", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.balance >= 3;
    }

    @Override
    void apply(Draft d) {
      d.balance = 2;
      d.position = Position.STANDING;
      d.acts.remove(Act.ONE_LEG_STANCE);
      d.bearing.replaceAll(
          b -> b.arm() ? b : new BearingDemand(false, Math.min(b.percent(), 75), b.part()));
    }
  },
  FISTS("fists or handles", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.joints.stream()
          .anyMatch(
              j -> j.motion() == riposo.core.limit.JointMotion.WRIST_EXTENSION && j.degrees() > 10);
    }

    @Override
    void apply(Draft d) {
      d.joints.replaceAll(
          j ->
              j.motion() == riposo.core.limit.JointMotion.WRIST_EXTENSION
                  ? new JointDemand(j.motion(), Math.min(10, j.degrees()), j.loading(), j.part())
                  : j);
    }
  },
  SHORT_HOLDS("shorter holds, more of them", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.hold > 10;
    }

    @Override
    void apply(Draft d) {
      d.hold = 10;
    }
  },
  SHORTER_LEVER("shorter lever", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return true;
    }

    @Override
    void apply(Draft d) {
      d.effort = Math.max(0, d.effort - 1);
    }
  },
  RECLINE("reclined, not flat", Set.of(Kit.WEDGE)) {
    @Override
    boolean fits(Draft d) {
      return d.position == Position.SUPINE;
    }

    @Override
    void apply(Draft d) {
      d.position = Position.RECLINED;
    }
  },
  FACE_FRONT("facing front", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.spine.stream().anyMatch(s -> s.motion().equals("rotation"));
    }

    @Override
    void apply(Draft d) {
      d.spine.removeIf(s -> s.motion().equals("rotation"));
    }
  },
  SLOWER("slower", Set.of()) {
    @Override
    boolean fits(Draft d) {
      return d.hold == 0;
    }

    @Override
    void apply(Draft d) {
      d.effort = Math.max(0, d.effort - 1);
    }
  };

  /** Most modifiers one variant may carry (handbook 4). */
  public static final int MOST = 3;

  public final String words;

  /** Any one of these makes the modifier possible; empty when it needs nothing. */
  public final Set<Kit> anyOf;

  Modifier(String words, Set<Kit> anyOf) {
    this.words = words;
    this.anyOf = anyOf;
  }

  /** Whether the modifier would change anything in the movement as drafted. */
  abstract boolean fits(Draft draft);

  abstract void apply(Draft draft);

  public static List<Modifier> inOrder(Set<Modifier> modifiers) {
    return modifiers.stream().sorted().toList();
  }
}
