package riposo.core.adapt;

/**
 * What a choice gives up, compared in this order, lowest wins. Counted for each side, so a choice
 * that is the same on both sides counts everything twice.
 *
 * @param purpose 0 the purpose asked for, 1 a neighbouring one, 2 only the same muscles, 9 rest
 * @param muscles primary muscles missed count 2, those only helped count 1
 * @param range percentage points of range given up
 * @param position 1 when the posture is another than asked
 * @param modifiers how many
 * @param distance in tenths: within the family the rungs between, but no more than the difference
 *     in difficulty; difference in difficulty + 1 across families
 */
public record Cost(int purpose, int muscles, int range, int position, int modifiers, int distance)
    implements Comparable<Cost> {
  public static final Cost NONE = new Cost(0, 0, 0, 0, 0, 0);
  public static final Cost REST = new Cost(9, 0, 0, 0, 0, 0);

  public Cost plus(Cost o) {
    return new Cost(
        purpose + o.purpose,
        muscles + o.muscles,
        range + o.range,
        position + o.position,
        modifiers + o.modifiers,
        distance + o.distance);
  }

  @Override
  public int compareTo(Cost o) {
    int c = Integer.compare(purpose, o.purpose);
    c = c != 0 ? c : Integer.compare(muscles, o.muscles);
    c = c != 0 ? c : Integer.compare(range, o.range);
    c = c != 0 ? c : Integer.compare(position, o.position);
    c = c != 0 ? c : Integer.compare(modifiers, o.modifiers);
    return c != 0 ? c : Integer.compare(distance, o.distance);
  }
}
