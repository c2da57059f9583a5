package riposo.core.plan;

import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;

/**
 * A stretch of the timeline.
 *
 * @param start seconds from the beginning
 * @param length seconds, 1 or more
 * @param slotKey the slot at work, or the one before for rest and the one after for a change of
 *     posture
 * @param round 1-based in the work block, 0 outside it
 * @param height contour height, 0 lying to 5 on a step
 * @param reps repetitions expected; null when not counted
 * @param holdSeconds length of one hold; null when not a hold
 */
public record Segment(
    int start,
    int length,
    Kind kind,
    Block block,
    String slotKey,
    int round,
    Side side,
    int height,
    @Nullable Integer reps,
    @Nullable Integer holdSeconds) {
  /** What the time is for. */
  public enum Kind {
    WORK,
    REST,
    SIDE_CHANGE,
    POSTURE_CHANGE
  }

  public Segment {
    if (length < 1) {
      throw new IllegalArgumentException("a segment lasts at least 1 s, was " + length);
    }
  }

  public int endExclusive() {
    return start + length;
  }
}
