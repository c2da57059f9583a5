package riposo.core.plan;

import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.plan.PlanBlock.RestStyle;

/**
 * A stretch of the timeline.
 *
 * @param start seconds from the beginning
 * @param length seconds, 1 or more
 * @param slotKey the slot at work, or the one before for rest and the one after for everything else
 * @param round 1-based in a work block, 0 outside it
 * @param set 1-based within the round, counting sides and stages; 0 outside a work block
 * @param height contour height, 0 lying to 5 on a step
 * @param reps repetitions expected; null when not counted
 * @param holdSeconds length of one hold; null when not a hold
 * @param stage index of the stage in a staged set; null elsewhere
 * @param restStyle what a rest is filled with; null for everything else
 */
public record Segment(
    int start,
    int length,
    Kind kind,
    Block block,
    String slotKey,
    int round,
    int set,
    Side side,
    int height,
    @Nullable Integer reps,
    @Nullable Integer holdSeconds,
    @Nullable Integer stage,
    @Nullable RestStyle restStyle) {
  /** What the time is for. */
  public enum Kind {
    WORK,
    REST,
    SIDE_CHANGE,
    POSTURE_CHANGE,
    SET_UP,
    TALK
  }

  public Segment {
    if (length < 1) {
      throw new IllegalArgumentException("a segment lasts at least 1 s, was " + length);
    }
  }

  public int endExclusive() {
    return start + length;
  }

  /** Whether it is recorded extra work for a weaker side. */
  public boolean extra() {
    return set == Bout.EXTRA;
  }

  Segment lasting(int other) {
    return new Segment(
        start,
        other,
        kind,
        block,
        slotKey,
        round,
        set,
        side,
        height,
        reps,
        holdSeconds,
        stage,
        restStyle);
  }
}
