package riposo.core.dose;

import org.jspecify.annotations.Nullable;
import riposo.core.movement.Carry;

/**
 * The weight held: how much in each hand, and how. What both hands hold, or the body carries, is
 * the same on both sides: the weight as it is printed.
 *
 * @param left grams in the left hand; 0 for none
 * @param right grams in the right hand; 0 for none
 * @param way how it is held
 */
public record Held(int left, int right, Carry way) {
  public Held {
    if (left < 0 || right < 0) {
      throw new IllegalArgumentException("a weight held is not below 0: " + left + ", " + right);
    }
  }

  /**
   * The same in every hand that holds one.
   *
   * @param grams null where the movement takes no weight
   * @param hands how many hands hold it at once
   * @return null where it takes none
   */
  public static @Nullable Held same(@Nullable Integer grams, int hands) {
    return grams == null
        ? null
        : new Held(grams, grams, hands == 2 ? Carry.EACH_HAND : Carry.ONE_HAND);
  }

  /** Whether the hands hold different weights, at once or in turn. */
  public boolean differs() {
    return left != right;
  }

  /** All that is held or carried at once, in grams. */
  public int inAll() {
    return way == Carry.EACH_HAND || way == Carry.THIGHS ? left + right : heavier();
  }

  /** Whether the hands alone say how it is held. */
  boolean plain() {
    return way == Carry.EACH_HAND || way == Carry.ONE_HAND;
  }

  /** The heavier hand's, in grams. */
  public int heavier() {
    return Math.max(left, right);
  }
}
