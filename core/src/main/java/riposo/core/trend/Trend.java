package riposo.core.trend;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A figure of a family over its sessions.
 *
 * @param n how many sessions have it, in the six weeks up to the newest
 * @param from the earliest of them; null when there is none
 * @param to the newest; null when there is none
 * @param recent median of the last three; null under six
 * @param before median of the three before; null under six
 * @param slope its course; null under four
 * @param reading what it says
 */
public record Trend(
    What what,
    int n,
    @Nullable LocalDate from,
    @Nullable LocalDate to,
    @Nullable Double recent,
    @Nullable Double before,
    @Nullable Slope slope,
    Reading reading) {
  /** Days that are looked at: six weeks. */
  public static final int SPAN = 42;

  private static final int THREE = 3;

  /** What is counted, and how much of it is more than noise. */
  public enum What {
    /** Pain during, greatest of the session, 0 to 10: 2 is real, 1 only where it repeats. */
    PAIN("pain during", 2, "a change of 2 is real, Farrar 2001", true),
    /** Next morning less before the session. */
    MORNING("the next morning", 2, "a change of 2 is real, Farrar 2001", true),
    /** Effort of the last set at the weight and count of the newest session, 0 to 10. */
    EFFORT("effort at the same load", 2, "house rule: 2 over the goal counts", false),
    /** Pulse at the work of the newest session, beats a minute. */
    PULSE("pulse at the same work", 0, "Theil–Sen, 95 %", false),
    /** Sleep of the night before a session, 0 to 10. */
    SLEEP("sleep", 2, "house rule: a change of 2 on a scale of 10", false),
    /** Energy before a session, 0 to 10. */
    ENERGY("energy", 2, "house rule: a change of 2 on a scale of 10", false),
    /** Touch-downs and grabs in a session. */
    TOUCH_DOWNS("touch-downs", 0, "Theil–Sen, 95 %", false);

    public final String words;

    /** A change of the medians from which it is real; 0 where only the slope tells. */
    public final int real;

    /** Where that number comes from. */
    public final String source;

    final boolean repeats;

    What(String words, int real, String source, boolean repeats) {
      this.words = words;
      this.real = real;
      this.source = source;
      this.repeats = repeats;
    }
  }

  /** What a trend says. */
  public enum Reading {
    TOO_FEW,
    /** No change that is more than noise. */
    NOISE,
    MORE,
    LESS
  }

  /** Reads a figure over the six weeks up to its newest point, whatever the order given. */
  public static Trend of(What what, List<Point> all) {
    List<Point> sorted = all.stream().sorted(java.util.Comparator.comparing(Point::day)).toList();
    if (sorted.isEmpty()) {
      return new Trend(what, 0, null, null, null, null, null, Reading.TOO_FEW);
    }
    LocalDate to = sorted.get(sorted.size() - 1).day();
    List<Point> points = sorted.stream().filter(p -> p.day().isAfter(to.minusDays(SPAN))).toList();
    LocalDate from = points.get(0).day();
    int n = points.size();
    Slope slope = Slope.of(points);
    if (n < Slope.FEWEST || slope == null) {
      return new Trend(what, n, from, to, null, null, null, Reading.TOO_FEW);
    }
    List<Double> values = points.stream().map(Point::value).toList();
    boolean pairs = n >= 2 * THREE;
    Double recent = pairs ? (Double) Median.of(values.subList(n - THREE, n)) : null;
    Double before = pairs ? (Double) Median.of(values.subList(n - 2 * THREE, n - THREE)) : null;
    return new Trend(
        what, n, from, to, recent, before, slope, reading(what, values, recent, before, slope));
  }

  private static Reading reading(
      What what,
      List<Double> values,
      @Nullable Double recent,
      @Nullable Double before,
      Slope slope) {
    if (recent != null && before != null) {
      double change = recent - before;
      int n = values.size();
      double last = values.get(n - 1) - before;
      double lastButOne = values.get(n - 2) - before;
      boolean repeats =
          what.repeats && (last >= 1 && lastButOne >= 1 || last <= -1 && lastButOne <= -1);
      if (what.real > 0 && Math.abs(change) >= what.real) {
        return change > 0 ? Reading.MORE : Reading.LESS;
      }
      if (repeats) {
        return last > 0 ? Reading.MORE : Reading.LESS;
      }
    }
    // on a scale of pain a course without a change of 1 stays noise
    return slope.clear() && !what.repeats
        ? slope.perWeek() > 0 ? Reading.MORE : Reading.LESS
        : Reading.NOISE;
  }
}
