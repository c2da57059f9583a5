package riposo.core.movement;

import java.util.BitSet;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.JointMotion;
import riposo.core.limit.Loading;
import riposo.core.limit.Side;

/**
 * A movement with a set of modifiers and, when RANGE is among them, the percentage of the range
 * kept. Demand arrays are made once: {@link #whole()} for the movement as it is done (both sides,
 * in turn where one-sided), {@link #half(Side)} for one side alone.
 */
public final class Variant {
  private final Movement movement;
  private final Set<Modifier> modifiers;
  private final int range;
  private final Draft draft;
  private final int[] whole;
  private final int @Nullable [] left;
  private final int @Nullable [] right;

  /** The cells that a shorter range lowers. */
  private final BitSet cuttable = new BitSet();

  private final Map<Integer, Variant> cuts = new ConcurrentHashMap<>();

  private Variant(Movement movement, Set<Modifier> modifiers, int range) {
    this.movement = movement;
    this.modifiers = modifiers;
    this.range = range;
    this.draft = new Draft(movement);
    for (Modifier m : modifiers) {
      m.apply(draft);
    }
    if (range < 100) {
      draft.cutRange(range, movement.ranged());
    }
    if (draft.oneSided()) {
      left = draft.cells(Side.LEFT);
      right = draft.cells(Side.RIGHT);
      whole = new int[Axis.CELLS];
      for (int i = 0; i < whole.length; i++) {
        whole[i] = Math.max(left[i], right[i]);
      }
    } else {
      left = null;
      right = null;
      whole = draft.cells(Side.BOTH);
    }
    for (JointDemand j : draft.joints) {
      if (movement.ranged().contains(j.motion())) {
        for (Loading l : Loading.values()) {
          Axis axis = Axis.joint(j.motion(), l);
          cuttable.set(axis.cell(Side.LEFT));
          cuttable.set(axis.cell(Side.RIGHT));
        }
      }
    }
  }

  /**
   * The movement with these modifiers. Throws when one is not accepted by the movement, changes
   * nothing in it, or when there are more than {@link Modifier#MOST}.
   *
   * @param range percentage of range kept, 100 unless RANGE is among the modifiers
   */
  public static Variant of(Movement movement, Set<Modifier> modifiers, int range) {
    if (modifiers.size() > Modifier.MOST) {
      throw new IllegalArgumentException("at most 3 modifiers, was " + modifiers);
    }
    Draft probe = new Draft(movement);
    EnumSet<Modifier> ordered = EnumSet.noneOf(Modifier.class);
    ordered.addAll(modifiers);
    for (Modifier m : ordered) {
      if (!movement.modifiers().contains(m) || !m.fits(probe)) {
        throw new IllegalArgumentException(movement.id() + " does not take " + m);
      }
    }
    if (ordered.contains(Modifier.RANGE) != (range < 100)
        || range < movement.leastRange()
        || range > 100) {
      throw new IllegalArgumentException(
          movement.id() + ": a range of " + range + " % with " + ordered + " is not possible");
    }
    return new Variant(movement, Collections.unmodifiableSet(ordered), range);
  }

  /**
   * The same variant with the longest range that the caps leave on every joint that can be cut, or
   * itself when they leave none that is useful. Rounds down, so a cap is never passed by rounding.
   */
  Variant cutTo(Caps caps, Side working) {
    int[] demand = demand(working);
    if (!caps.forbidsOnly(demand, cuttable)) {
      return this; // something else stays closed however short the range
    }
    int percent = 100;
    for (int cell = cuttable.nextSetBit(0); cell >= 0; cell = cuttable.nextSetBit(cell + 1)) {
      int asked = demand[cell];
      int cap = caps.cap(cell);
      if (asked > cap) {
        // down here, and what the cut asks is rounded up: it still never passes the whole cap
        percent = Math.min(percent, cap * 100 / asked);
      }
    }
    return percent == 100 || percent < movement.leastRange() ? this : cut(percent);
  }

  /** The least of the variants of one movement, cell by cell; see {@link Catalogue#least}. */
  static int[] least(List<Variant> variants) {
    int[] least = Axis.openCaps();
    for (Variant v : variants) {
      boolean cut =
          v.movement.leastRange() < 100 && v.movement.modifiers().contains(Modifier.RANGE);
      for (int[] demand : v.left == null ? new int[][] {v.whole} : new int[][] {v.left, v.right}) {
        for (int i = 0; i < least.length; i++) {
          int asked =
              cut && v.cuttable.get(i) ? demand[i] * v.movement.leastRange() / 100 : demand[i];
          least[i] = Math.min(least[i], asked);
        }
      }
    }
    return least;
  }

  /** This variant with RANGE added and so much of the range kept; made once. */
  private Variant cut(int percent) {
    return cuts.computeIfAbsent(
        percent,
        p -> {
          EnumSet<Modifier> with = EnumSet.of(Modifier.RANGE);
          with.addAll(modifiers);
          return new Variant(movement, Collections.unmodifiableSet(with), p);
        });
  }

  /** This variant as it is, or cut so far where that was made before; null where it was not. */
  @Nullable Variant known(boolean cut, int range) {
    return cut ? cuts.get(range) : range == 100 ? this : null;
  }

  public Movement movement() {
    return movement;
  }

  /** In the fixed order of {@link Modifier}. */
  public Set<Modifier> modifiers() {
    return modifiers;
  }

  /** Percentage of the full range kept. */
  public int range() {
    return range;
  }

  /** True when the work is done one side at a time. */
  public boolean oneSided() {
    return draft.oneSided();
  }

  public boolean supported() {
    return draft.supported;
  }

  public Position position() {
    return draft.position;
  }

  /** Whether it is done down on the floor, so that somebody has to get there and up again. */
  public boolean onFloor() {
    return draft.onFloor();
  }

  public int holdSeconds() {
    return draft.hold;
  }

  /** Whether a hold of it is a mild stretch or a posture kept, which is no still effort. */
  public boolean stretch() {
    return draft.stretch;
  }

  /** True when a weight or band may still be held. */
  public boolean loadable() {
    return movement.loadKind() != LoadKind.NONE && !modifiers.contains(Modifier.NO_WEIGHT);
  }

  /** How many weights the hands hold at once; one that both hold is one. */
  public int handsLoaded() {
    return draft.oneSide || draft.empty != null || carry() == Carry.BOTH_HANDS
        ? Math.min(1, draft.hands)
        : draft.hands;
  }

  /** The usual way to hold or carry a weight; null where none is taken. */
  public @Nullable Carry carry() {
    List<Carry> ways = movement.carries();
    if (ways.isEmpty() || ways.get(0).body && movement.loadKind() != LoadKind.DUMBBELL) {
      return null;
    }
    // with one hand out of it, what is held is in the other
    return draft.oneSide || draft.empty != null ? Carry.ONE_HAND : ways.get(0);
  }

  /** The hand that holds no weight though the other does; null when both or neither do. */
  public @Nullable Side emptyHand() {
    return draft.empty;
  }

  public boolean overhead() {
    return draft.overhead;
  }

  /** The degrees reached in a motion, greatest over both sides; 0 when it does not move. */
  public int degrees(JointMotion motion) {
    return draft.joints.stream()
        .filter(j -> j.motion() == motion)
        .mapToInt(JointDemand::degrees)
        .max()
        .orElse(0);
  }

  /** Demands of the movement as it is done on both sides. Not to be changed. */
  public int[] whole() {
    return whole;
  }

  /** Demands of one side alone; throws when the variant cannot be done on one side. */
  public int[] half(Side side) {
    int[] v = side == Side.LEFT ? left : right;
    if (v == null || side == Side.BOTH) {
      throw new IllegalStateException(movement.id() + " is not one-sided");
    }
    return v;
  }

  public int[] demand(Side working) {
    return working == Side.BOTH ? whole : half(working);
  }
}
