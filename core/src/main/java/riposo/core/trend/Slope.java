package riposo.core.trend;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The median of the slopes between all pairs of points (Theil 1950, Sen 1968), with the interval of
 * Sen: the slopes at the ranks that Kendall's statistic leaves at 95 percent.
 *
 * @param perWeek change of the figure a week
 * @param low lower end of the 95 % interval; null where so few points leave it open
 * @param high upper end; null where so few points leave it open
 */
public record Slope(double perWeek, @Nullable Double low, @Nullable Double high) {
  /** Points under which nothing is said. */
  public static final int FEWEST = 4;

  private static final double Z95 = 1.959964;
  private static final double WEEK = 7;

  /**
   * The slope of points in any order; null for fewer than four days.
   *
   * @param points of one day the last counts
   */
  public static @Nullable Slope of(List<Point> points) {
    List<Double> slopes = new ArrayList<>();
    for (int i = 0; i < points.size(); i++) {
      for (int j = i + 1; j < points.size(); j++) {
        LocalDate a = points.get(i).day();
        LocalDate b = points.get(j).day();
        double days = b.toEpochDay() - a.toEpochDay();
        if (days != 0) {
          slopes.add(
              (points.get(j).value() - points.get(i).value()) / days * WEEK + 0.0); // never -0
        }
      }
    }
    long days = points.stream().map(Point::day).distinct().count();
    if (days < FEWEST) {
      return null;
    }
    Collections.sort(slopes);
    int n = points.size();
    double sigma = Math.sqrt(n * (n - 1.0) * (2 * n + 5) / 18);
    double reach = Z95 * sigma;
    int pairs = slopes.size();
    // ranks from 1, rounded outwards: never narrower than the 95 %
    int lower = (int) Math.floor((pairs - reach) / 2);
    int upper = (int) Math.ceil((pairs + reach) / 2) + 1;
    return new Slope(
        Median.of(slopes),
        lower < 1 ? null : slopes.get(lower - 1),
        upper > pairs ? null : slopes.get(upper - 1));
  }

  /** Whether it is clear of noise: the interval is known and 0 is not in it. */
  public boolean clear() {
    return low != null && high != null && (low > 0 || high < 0);
  }
}
