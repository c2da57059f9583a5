package riposo.core.plan;

/**
 * Intervals in order (handbook 5): work, rest, rounds over the whole list. 10 x 50/10, 2 rounds =
 * 20:00.
 *
 * @param work seconds, 10 to 300
 * @param rest seconds after every work interval, 0 to 300
 * @param rounds 1 to 6
 */
public record IntervalsInOrder(int work, int rest, int rounds) {
  public IntervalsInOrder {
    check("work", work, 10, 300, " s");
    check("rest", rest, 0, 300, " s");
    check("rounds", rounds, 1, 6, "");
  }

  private static void check(String what, int value, int least, int greatest, String unit) {
    if (value < least || value > greatest) {
      throw new IllegalArgumentException(
          what + " must lie between " + least + " and " + greatest + unit + ", was " + value);
    }
  }

  /**
   * The share of each work + rest that a client with a work-for-rest cap works: with 100 (rest at
   * least as long as work) the first half. 20/10 becomes 15 of each 30 s. Rounds down.
   *
   * @param capPercent work as a percentage of rest; {@link Integer#MAX_VALUE} when nothing caps
   */
  public int workWithin(int capPercent) {
    if (capPercent == Integer.MAX_VALUE) {
      return work;
    }
    long total = (long) work + rest;
    return (int) Math.min(work, total * capPercent / (100L + capPercent));
  }
}
