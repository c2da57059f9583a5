package riposo.core.dose;

import org.jspecify.annotations.Nullable;

/**
 * The weight held: how much in each hand, and in how many hands at once.
 *
 * @param left grams in the left hand; 0 for none
 * @param right grams in the right hand; 0 for none
 * @param way whether each hand holds one, or one hand at a time
 */
public record Held(int left, int right, Way way) {
  /** How it is held. */
  public enum Way {
    /** A weight in each hand; the two may differ, and one hand may be empty. */
    EACH_HAND,
    /** One weight, in the hand at work. */
    ONE_HAND
  }

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
    return grams == null ? null : new Held(grams, grams, hands == 2 ? Way.EACH_HAND : Way.ONE_HAND);
  }

  /** Whether the hands hold different weights, at once or in turn. */
  public boolean differs() {
    return left != right;
  }

  /** The heavier hand's, in grams. */
  public int heavier() {
    return Math.max(left, right);
  }
}
