package riposo.core.trend;

import java.util.List;

/** The middle of some figures. */
final class Median {
  private Median() {}

  /** The middle one, or the mean of the two middle ones; of at least one figure. */
  static double of(List<Double> values) {
    List<Double> sorted = values.stream().sorted().toList();
    int n = sorted.size();
    return n % 2 == 1 ? sorted.get(n / 2) : (sorted.get(n / 2 - 1) + sorted.get(n / 2)) / 2;
  }
}
