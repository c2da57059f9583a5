package riposo.core.run;

import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;

/**
 * What is done otherwise in a slot from now on, or this time only.
 *
 * @param slotKey of the run's sheet
 * @param round the first round it holds for, 0 to 999
 * @param side whose weight it is; BOTH for everything else
 * @param option id of one of the slot's options: what it becomes, or whose weight it is; null for
 *     the weight of what the sheet asks, and elsewhere
 * @param grams weight per hand, 0 for none; of WEIGHT only
 * @param onward it holds for the rounds after as well
 */
public record Change(
    String slotKey,
    int round,
    Side side,
    To to,
    @Nullable String option,
    @Nullable Integer grams,
    boolean onward) {
  /** What it becomes. */
  public enum To {
    /** One of the slot's options. */
    OPTION,
    /** Another weight. */
    WEIGHT,
    /** Nothing: left today. */
    LEAVE,
    /** What the sheet asks, as before any change. */
    BACK
  }

  public Change {
    if (slotKey == null || side == null || to == null) {
      throw new IllegalArgumentException("a change names its slot, side and what it becomes");
    }
    if (round < 0 || round > 999) {
      throw new IllegalArgumentException("round must lie between 0 and 999, was " + round);
    }
    boolean named = to == To.WEIGHT || (to == To.OPTION) == (option != null);
    if (!named || (to == To.WEIGHT) != (grams != null)) {
      throw new IllegalArgumentException("a change names its option, or its weight");
    }
    if (grams != null && (grams < 0 || grams > Entry.MOST_GRAMS)) {
      throw new IllegalArgumentException(
          "grams must lie between 0 and " + Entry.MOST_GRAMS + ", was " + grams);
    }
  }

  /** Left today, every set that was not told yet. */
  static Change left(String slotKey) {
    return new Change(slotKey, 0, Side.BOTH, To.LEAVE, null, null, true);
  }

  boolean holds(int round, Side side) {
    return (this.round == round || onward && this.round < round)
        && (to != To.WEIGHT || this.side == Side.BOTH || this.side == side);
  }
}
