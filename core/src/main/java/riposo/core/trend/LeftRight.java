package riposo.core.trend;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.run.DoneSet;
import riposo.core.tolerance.FamilySession;

/**
 * Left against right: (strong - weak) / strong, the median of the last three sessions that asked as
 * much of both sides. Over 15 percent it is flagged. Source: house rule.
 *
 * @param n sessions compared in six weeks
 * @param unequal sessions left out because they asked more of one side
 * @param percent difference; null under four sessions
 * @param weak the side that did less; BOTH where they are even, or nothing is known
 */
public record LeftRight(
    int n,
    int unequal,
    @Nullable LocalDate from,
    @Nullable LocalDate to,
    @Nullable Integer percent,
    Side weak) {
  /** A difference over so many percent is flagged. */
  public static final int FLAG = 15;

  private static final int THREE = 3;

  public boolean flagged() {
    return percent != null && percent > FLAG;
  }

  /** Compares the sides over the six weeks up to the newest session, in time order. */
  static LeftRight of(List<FamilySession> sessions) {
    if (sessions.isEmpty()) {
      return new LeftRight(0, 0, null, null, null, Side.BOTH);
    }
    LocalDate newest = sessions.get(sessions.size() - 1).date();
    List<Double> differences = new ArrayList<>();
    List<LocalDate> days = new ArrayList<>();
    int unequal = 0;
    for (FamilySession s : sessions) {
      DoneSet left = last(s, Side.LEFT);
      DoneSet right = last(s, Side.RIGHT);
      if (!s.date().isAfter(newest.minusDays(Trend.SPAN)) || left == null || right == null) {
        continue;
      }
      if (!alike(left, right)) {
        unequal++;
        continue;
      }
      Double l = work(left);
      Double r = work(right);
      if (l != null && r != null && Math.max(l, r) > 0) {
        differences.add((r - l) / Math.max(l, r) * 100);
        days.add(s.date());
      }
    }
    int n = differences.size();
    LocalDate from = n == 0 ? null : days.get(0);
    LocalDate to = n == 0 ? null : days.get(n - 1);
    if (n < Slope.FEWEST) {
      return new LeftRight(n, unequal, from, to, null, Side.BOTH);
    }
    double middle = Median.of(differences.subList(n - THREE, n));
    return new LeftRight(
        n,
        unequal,
        from,
        to,
        (int) Math.ceil(Math.abs(middle) - 1e-9), // never hidden by rounding
        middle > 0 ? Side.LEFT : middle < 0 ? Side.RIGHT : Side.BOTH);
  }

  private static @Nullable DoneSet last(FamilySession s, Side side) {
    return s.lastSets().stream().filter(e -> e.side() == side).findFirst().orElse(null);
  }

  /** The same was asked of both: form, repetitions and weight. */
  private static boolean alike(DoneSet left, DoneSet right) {
    return left.movementId().equals(right.movementId())
        && left.form().support().equals(right.form().support())
        && left.form().range() == right.form().range()
        && java.util.Objects.equals(left.asked().reps(), right.asked().reps())
        && java.util.Objects.equals(left.asked().holdSeconds(), right.asked().holdSeconds())
        && (left.asked().weight() == null
            ? right.asked().weight() == null
            : right.asked().weight() != null
                && left.asked().weight().left() == right.asked().weight().right());
  }

  /**
   * What was done: weight and repetitions by Epley, repetitions, or seconds; null when not told.
   */
  private static @Nullable Double work(DoneSet s) {
    Integer reps = s.reps();
    Integer grams = s.grams();
    Integer seconds = s.entry().work().seconds();
    if (reps == null) {
      return seconds == null ? null : (Double) (double) seconds;
    }
    return grams == null || grams == 0 ? (double) reps : grams * (1 + reps / 30.0);
  }
}
