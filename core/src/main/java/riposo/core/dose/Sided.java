package riposo.core.dose;

import java.util.function.IntUnaryOperator;
import riposo.core.limit.Side;

/**
 * A weight for each side, in grams as printed; 0 for none.
 *
 * @param left in the left hand, or while the left side works
 * @param right in the right hand, or while the right side works
 */
public record Sided(int left, int right) {
  public Sided {
    if (left < 0 || right < 0) {
      throw new IllegalArgumentException("a weight is not below 0: " + left + ", " + right);
    }
  }

  public static Sided same(int grams) {
    return new Sided(grams, grams);
  }

  /** What that side holds; of both the heavier. */
  public int of(Side side) {
    return side == Side.LEFT ? left : side == Side.RIGHT ? right : heavier();
  }

  public int heavier() {
    return Math.max(left, right);
  }

  public boolean differs() {
    return left != right;
  }

  /** The side that holds less; BOTH where they hold the same. */
  public Side lighter() {
    return left < right ? Side.LEFT : right < left ? Side.RIGHT : Side.BOTH;
  }

  /** The same with another weight on a side, or on both. */
  public Sided with(Side side, int grams) {
    return new Sided(side == Side.RIGHT ? left : grams, side == Side.LEFT ? right : grams);
  }

  /** The same with each side changed. */
  public Sided each(IntUnaryOperator change) {
    return new Sided(change.applyAsInt(left), change.applyAsInt(right));
  }
}
