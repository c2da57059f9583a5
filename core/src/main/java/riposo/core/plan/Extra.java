package riposo.core.plan;

import riposo.core.limit.Side;

/**
 * More work for a weaker side: a recorded exception, left out of the comparison of left and right.
 *
 * @param seconds 5 to 300, done after the last round of the slot
 */
public record Extra(Side side, int seconds, String reason) {
  public Extra {
    if (side == null || side == Side.BOTH) {
      throw new IllegalArgumentException("extra work names its side, left or right");
    }
    if (seconds < 5 || seconds > 300) {
      throw new IllegalArgumentException("extra work lasts 5 to 300 s, was " + seconds);
    }
    if (reason == null || reason.isBlank() || reason.length() > 200) {
      throw new IllegalArgumentException("extra work for one side needs a recorded reason");
    }
  }
}
