package riposo.core.dose;

import java.util.Collection;
import java.util.List;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Act;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.JointMotion;
import riposo.core.limit.Loading;
import riposo.core.limit.Side;
import riposo.core.movement.Carry;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Variant;

/** Choosing a weight from the kit: the smaller of target and cap, rounded down to kit. */
public final class Loads {
  /** The heaviest that a light grip holds, in grams, and a firm one: house rule. */
  private static final int[] GRIP = {0, 1000, 5000};

  private Loads() {}

  /**
   * The greatest weight per hand, in grams, that the caps leave for a variant done on that side.
   */
  public static int capGrams(Variant variant, Side side, Caps caps) {
    return capGrams(variant, side, variant.carry(), caps);
  }

  /**
   * The greatest weight, in grams as printed on it, that the caps leave in a hand or on the body.
   *
   * @param carry how it is held; null where the hands alone say it
   */
  public static int capGrams(Variant variant, Side side, @Nullable Carry carry, Caps caps) {
    if (carry != null && carry.body) {
      return capBody(variant, side, carry, caps);
    }
    Side empty = variant.emptyHand();
    if (empty != null && side == Side.BOTH) {
      return capGrams(variant, empty.other(), carry, caps);
    }
    if (side == empty) {
      return 0;
    }
    boolean shared = carry == Carry.BOTH_HANDS;
    boolean one = shared || carry == Carry.TWO_IN_ONE || carry == Carry.ONE_HAND;
    int hands = one ? 1 : Math.max(1, variant.handsLoaded());
    int hand = hand(variant, shared ? Side.BOTH : side, caps);
    // half of it in each hand
    int cap = shared && hand <= Integer.MAX_VALUE / 2 ? 2 * hand : hand;
    cap = Math.min(cap, caps.cap(Axis.LOAD_TOTAL, Side.BOTH) / hands);
    if (variant.overhead()) {
      cap = Math.min(cap, caps.cap(Axis.LOAD_OVERHEAD, Side.BOTH) / hands);
    }
    if (variant.whole()[Axis.LOAD_FROM_FLOOR.cell(Side.BOTH)] > 0) {
      cap = Math.min(cap, caps.cap(Axis.LOAD_FROM_FLOOR, Side.BOTH) / hands);
    }
    return cap;
  }

  /** What a hand may hold: its own cap and its grip; BOTH is the weaker of the two. */
  private static int hand(Variant variant, Side side, Caps caps) {
    int cap = caps.cap(Axis.LOAD_HAND, side);
    int grip = caps.cap(Axis.GRIP, side);
    return variant.movement().loadKind() == LoadKind.DUMBBELL && grip < GRIP.length
        ? Math.min(cap, GRIP[grip])
        : cap;
  }

  /**
   * What the body may carry: nothing where a joint, the spine, pressure or effort may not be loaded
   * so. What the body's own weight asks of the legs is then asked under added load, at one more of
   * effort.
   */
  private static int capBody(Variant variant, Side side, Carry carry, Caps caps) {
    int[] d = variant.demand(variant.oneSided() ? side : Side.BOTH).clone();
    for (JointMotion m : JointMotion.values()) {
      for (Side s : m.arm ? new Side[0] : new Side[] {Side.LEFT, Side.RIGHT}) {
        int own = d[Axis.joint(m, Loading.OWN).cell(s)];
        int added = Axis.joint(m, Loading.ADDED).cell(s);
        d[added] = Math.max(d[added], own);
      }
    }
    if (carry == Carry.BACKPACK) {
      for (String m : List.of("flexion", "extension", "rotation", "side-bend")) {
        int loaded = Axis.of("spine." + m + ".loaded").cell(Side.BOTH);
        d[loaded] = Math.max(d[loaded], d[Axis.of("spine." + m + ".any").cell(Side.BOTH)]);
      }
    }
    int effort = Axis.EFFORT.cell(Side.BOTH);
    int pressure = Axis.PRESSURE.cell(Side.BOTH);
    d[effort] = Math.min(10, d[effort] + 1);
    d[pressure] = Math.max(1, d[pressure]);
    if (caps.forbids(d)) {
      return 0;
    }
    int cap = caps.cap(Axis.LOAD_TOTAL, Side.BOTH);
    if (carry == Carry.HIPS) {
      cap = Math.min(cap, caps.cap(Axis.LOAD_FROM_FLOOR, Side.BOTH));
    }
    return carry == Carry.THIGHS ? cap / 2 : cap;
  }

  /**
   * Every weight of the kit that can be held in a way, whatever the caps: in grams as printed,
   * lightest first, 0 for none; two in one hand as their sum.
   *
   * @param hands how many hands hold one at once
   */
  public static List<Integer> steps(@Nullable Carry way, int hands, Collection<Weight> kit) {
    java.util.SortedSet<Integer> all = new java.util.TreeSet<>(List.of(0));
    for (Weight a : kit) {
      if (a.count() >= hands) {
        all.add(a.grams());
      }
      for (Weight b : way == Carry.TWO_IN_ONE ? kit : List.<Weight>of()) {
        if (a != b || a.count() > 1) {
          all.add(a.grams() + b.grams());
        }
      }
    }
    return List.copyOf(all);
  }

  /**
   * The heaviest weight in kit at or under both, with one for each hand that holds one; empty when
   * there is none, which means no weight: a proper dose.
   */
  public static OptionalInt atOrUnder(
      int targetGrams, int capGrams, int hands, Collection<Weight> kit) {
    return kit.stream()
        .filter(w -> w.count() >= hands && w.grams() <= targetGrams && w.grams() <= capGrams)
        .mapToInt(Weight::grams)
        .max();
  }

  /**
   * The weight for each hand: the heaviest in kit at or under the target and that hand's own cap,
   * so that a cap on one hand leaves the other its weight.
   *
   * @param side BOTH, or the side done
   */
  public static Held held(
      Variant variant, Side side, int targetGrams, Caps caps, Collection<Weight> kit) {
    return held(variant, side, variant.carry(), targetGrams, caps, kit);
  }

  /**
   * The same, held or carried in a way.
   *
   * @param carry null where the hands alone say it
   */
  public static Held held(
      Variant variant,
      Side side,
      @Nullable Carry carry,
      int targetGrams,
      Caps caps,
      Collection<Weight> kit) {
    if (carry == Carry.TWO_IN_ONE) {
      return twoInOne(variant, side, targetGrams, caps, kit);
    }
    boolean alone = carry == Carry.BOTH_HANDS || carry == Carry.ONE_HAND;
    boolean body = carry != null && carry.body;
    int hands = carry == Carry.THIGHS ? 2 : alone || body ? 1 : Math.max(1, variant.handsLoaded());
    int cap = capGrams(variant, side, carry, caps);
    int same = atOrUnder(targetGrams, cap, hands, kit).orElse(0);
    if (carry != null && (body || carry == Carry.BOTH_HANDS)) {
      return new Held(same, same, carry);
    }
    if (side != Side.BOTH || !variant.oneSided() && variant.movement().demands().hands() < 2) {
      return new Held(same, same, hands == 2 ? Carry.EACH_HAND : Carry.ONE_HAND);
    }
    int left = one(variant, Side.LEFT, targetGrams, caps, kit);
    int right = one(variant, Side.RIGHT, targetGrams, caps, kit);
    if (variant.oneSided()) {
      return new Held(left, right, Carry.ONE_HAND);
    }
    // both hands together where one-handed loads are closed, or the trunk carries none on one side
    boolean alike =
        caps.cap(Axis.act(Act.ONE_HANDED_LOAD), Side.BOTH) == 0
            || caps.cap(Axis.TRUNK, Side.BOTH) < 2;
    // two of the same only where there are two
    return left == right || alike && variant.emptyHand() == null
        ? new Held(same, same, Carry.EACH_HAND)
        : new Held(left, right, Carry.EACH_HAND);
  }

  /** Two weights in the hand at work, their sum at or under target and cap; none where none fit. */
  private static Held twoInOne(
      Variant variant, Side side, int targetGrams, Caps caps, Collection<Weight> kit) {
    int[] hands = new int[2];
    for (Side s : List.of(Side.LEFT, Side.RIGHT)) {
      Side of = variant.oneSided() && side == Side.BOTH ? s : side;
      int most = Math.min(targetGrams, capGrams(variant, of, Carry.TWO_IN_ONE, caps));
      int best = 0;
      for (Weight a : kit) {
        for (Weight b : kit) {
          int sum = a.grams() + b.grams();
          if ((a != b || a.count() > 1) && sum <= most) {
            best = Math.max(best, sum);
          }
        }
      }
      hands[s == Side.LEFT ? 0 : 1] = best;
    }
    return new Held(hands[0], hands[1], Carry.TWO_IN_ONE);
  }

  /**
   * The weight of one-handed work that both hands do at once in between: one for each hand, and the
   * caps of all that is held count for both together.
   */
  public static Held inBoth(
      Variant variant, Side side, int targetGrams, Caps caps, Collection<Weight> kit) {
    int most = Math.min(targetGrams, capBoth(caps, variant));
    List<Weight> pairs = kit.stream().filter(w -> w.count() >= 2).toList();
    return held(variant, side, most, caps, pairs);
  }

  /** The greatest weight in each of two hands, in grams, by what may be held in all. */
  public static int capBoth(Caps caps, Variant variant) {
    int total = caps.cap(Axis.LOAD_TOTAL, Side.BOTH);
    if (variant.overhead()) {
      total = Math.min(total, caps.cap(Axis.LOAD_OVERHEAD, Side.BOTH));
    }
    return total / 2;
  }

  private static int one(
      Variant variant, Side side, int targetGrams, Caps caps, Collection<Weight> kit) {
    return atOrUnder(targetGrams, capGrams(variant, side, caps), 1, kit).orElse(0);
  }

  /** The lightest weight in kit, for a first time without history. */
  public static OptionalInt lightest(int hands, Collection<Weight> kit) {
    return kit.stream().filter(w -> w.count() >= hands).mapToInt(Weight::grams).min();
  }

  /** The next weight in kit above; empty when there is none. */
  public static OptionalInt above(int grams, int hands, Collection<Weight> kit) {
    return kit.stream()
        .filter(w -> w.count() >= hands && w.grams() > grams)
        .mapToInt(Weight::grams)
        .min();
  }

  /** The next weight in kit below; empty when there is none: then no weight. */
  public static OptionalInt below(int grams, int hands, Collection<Weight> kit) {
    return kit.stream()
        .filter(w -> w.count() >= hands && w.grams() < grams)
        .mapToInt(Weight::grams)
        .max();
  }

  /**
   * Repetitions at {@code w1} that equal {@code r2} with {@code q} left at {@code w2}, from w1 (1 +
   * (r1 + q)/30) = w2 (1 + (r2 + q)/30), rounded up. From 2 kg to 3 kg for 8 at 2 left needs 28 at
   * 2 kg.
   */
  public static int equalReps(int w1Grams, int w2Grams, int r2, int q) {
    double right = w2Grams * (1 + (r2 + q) / 30.0);
    return (int) Math.ceil(30 * (right / w1Grams - 1) - q - 1e-9);
  }

  /** Repetitions and those left, together, up to which an estimate of strength is made. */
  public static final int EPLEY_MOST = 15;

  /**
   * The estimated weight for one repetition, in grams: w (1 + (reps + reps left)/30), Epley. Never
   * tested; a number behind a step only. Null where it is not known how many were left, or over 15
   * in all.
   *
   * @param effort 0 to 10; from 5 up it says how many were left
   */
  public static @Nullable Integer strength(int grams, int reps, int effort) {
    int all = reps + 10 - effort;
    return effort < 5 || effort > 10 || reps < 1 || all > EPLEY_MOST || grams <= 0
        ? null
        : (Integer) (int) Math.round(grams * (1 + all / 30.0));
  }

  /**
   * The heaviest weight in kit within a step, so many percent up at most: rounded down to kit.
   * Empty where that is the same weight: the next is a step too big.
   */
  public static OptionalInt within(int grams, int percent, int hands, Collection<Weight> kit) {
    long most = grams * (100L + percent) / 100;
    return kit.stream()
        .filter(w -> w.count() >= hands && w.grams() > grams && w.grams() <= most)
        .mapToInt(Weight::grams)
        .max();
  }

  /** The lightest pair in kit that is heavier in one hand, their sum; empty when there is none. */
  public static OptionalInt pairAbove(int grams, Collection<Weight> kit) {
    return steps(Carry.TWO_IN_ONE, 1, kit).stream()
        .mapToInt(Integer::intValue)
        .filter(g -> g > grams)
        .min();
  }

  /** True when the next weight is more than 10 % up: a step too big. */
  public static boolean tooBig(int fromGrams, int toGrams) {
    return tooBig(fromGrams, toGrams, 10);
  }

  /** True when the next weight is more than so many percent up. */
  public static boolean tooBig(int fromGrams, int toGrams, int percent) {
    return toGrams * 100L > fromGrams * (100L + percent);
  }
}
