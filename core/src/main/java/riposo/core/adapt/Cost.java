package riposo.core.adapt;

/**
 * What a choice gives up, compared in this order, lowest wins. Counted for each side, so a choice
 * that is the same on both sides counts everything twice.
 *
 * @param purpose 0 the purpose asked for, 1 a neighbouring one, 2 only the same muscles or one side
 *     resting beside the other at work, 9 rest
 * @param muscles primary muscles missed count 2, those only helped count 1; the movement's,
 *     whatever its form
 * @param kind {@link #EASED} to {@link #OTHER_FAMILY}
 * @param range percentage points of range given up
 * @param position 1 when the posture is another than asked
 * @param distance in tenths: within the family the rungs between, but no more than the difference
 *     in difficulty; difference in difficulty + 1 across families
 * @param modifiers how many
 */
public record Cost(
    int purpose, int muscles, int kind, int range, int position, int distance, int modifiers)
    implements Comparable<Cost> {
  /** The movement asked for, eased, with so much of its range or more. */
  public static final int EASED = 0;

  /** The movement asked for with less of its range, or with a part of it swapped. */
  public static final int CUT = 1;

  public static final int FAMILY = 2;
  public static final int OTHER_FAMILY = 3;

  /** The least percentage of its range with which a movement counts as the same one eased. */
  public static final int SAME_RANGE = 60;

  public static final Cost NONE = new Cost(0, 0, 0, 0, 0, 0, 0);
  public static final Cost REST = new Cost(9, 0, 0, 0, 0, 0, 0);

  /**
   * One side resting while the other does the purpose asked for: no worse than the purpose changed
   * on both, so that what is closed on one side changes nothing on the other.
   */
  public static final Cost ONE_RESTS = new Cost(2, 0, 0, 0, 0, 0, 0);

  public Cost plus(Cost o) {
    return new Cost(
        purpose + o.purpose,
        muscles + o.muscles,
        kind + o.kind,
        range + o.range,
        position + o.position,
        distance + o.distance,
        modifiers + o.modifiers);
  }

  @Override
  public int compareTo(Cost o) {
    int c = Integer.compare(purpose, o.purpose);
    c = c != 0 ? c : Integer.compare(muscles, o.muscles);
    c = c != 0 ? c : Integer.compare(kind, o.kind);
    c = c != 0 ? c : Integer.compare(range, o.range);
    c = c != 0 ? c : Integer.compare(position, o.position);
    c = c != 0 ? c : Integer.compare(distance, o.distance);
    return c != 0 ? c : Integer.compare(modifiers, o.modifiers);
  }
}
