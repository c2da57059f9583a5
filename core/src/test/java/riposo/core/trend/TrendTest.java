package riposo.core.trend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Courses over weeks: worked numbers, and what noise never is. */
class TrendTest {
  private static final LocalDate DAY = LocalDate.of(2026, 10, 1);

  /** One point every third day. */
  private static List<Point> points(double... values) {
    List<Point> all = new ArrayList<>();
    for (int i = 0; i < values.length; i++) {
      all.add(new Point(DAY.plusDays(3L * i), values[i]));
    }
    return all;
  }

  private static List<Point> points(String values) {
    return points(Stream.of(values.split(" ")).mapToDouble(Double::parseDouble).toArray());
  }

  @Test
  void theSlopeIsTheMedianOfAllPairsWithTheIntervalOfSen() {
    Slope s = Slope.of(points(0, 1, 3, 4, 7, 8));
    // the 15 slopes a step: 1 1 1 2 3 1.5 1.5 2 2 4/3 2 5/3 7/4 7/4 8/5, the middle 5/3
    assertThat(s.perWeek()).isCloseTo(5 / 3.0 * 7 / 3, within(1e-9));
    // ranks (15 - 10.43)/2 = 2 and (15 + 10.43)/2 + 1 = 14 of the sorted: 1 and 2
    assertThat(s.low()).isCloseTo(1 * 7 / 3.0, within(1e-9));
    assertThat(s.high()).isCloseTo(2 * 7 / 3.0, within(1e-9));
    assertThat(s.clear()).isTrue();
  }

  @Test
  void underFourDaysNothingIsSaidAndUnderSixThereIsNoInterval() {
    assertThat(Slope.of(points(1, 2, 3))).isNull();
    assertThat(Slope.of(points(1, 2, 3, 4)).low()).isNull();
    assertThat(Slope.of(points(1, 2, 3, 4, 5)).clear()).isFalse();
    assertThat(Slope.of(points(1, 2, 3, 4, 5, 6)).clear()).isTrue();
    List<Point> oneDay = Collections.nCopies(9, new Point(DAY, 3));
    assertThat(Slope.of(oneDay)).isNull();
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void orderChangesNothingAndTurningItRoundTurnsTheSlope(long seed) {
    Random r = new Random(seed);
    List<Point> all = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      all.add(new Point(DAY.plusDays(i * 3L + r.nextInt(2)), r.nextInt(8)));
    }
    Slope s = Slope.of(all);
    List<Point> mixed = new ArrayList<>(all);
    Collections.shuffle(mixed, r);
    assertThat(Slope.of(mixed)).isEqualTo(s);
    assertThat(Trend.of(Trend.What.PAIN, mixed)).isEqualTo(Trend.of(Trend.What.PAIN, all));
    Slope turned = Slope.of(all.stream().map(p -> new Point(p.day(), 10 - p.value())).toList());
    assertThat(turned.perWeek()).isCloseTo(-s.perWeek(), within(1e-9));
    assertThat(turned.low()).isCloseTo(-s.high(), within(1e-9));
  }

  @ParameterizedTest(name = "{0}: {1} is {2}")
  @CsvSource({
    "PAIN, 0 0 1, TOO_FEW",
    "PAIN, 1 1 1 1, NOISE",
    "PAIN, 1 1 1 3 3 3, MORE",
    "PAIN, 3 3 3 1 1 1, LESS",
    "PAIN, 1 1 1 1 1 2, NOISE",
    "PAIN, 1 1 1 1 2 2, MORE",
    "PAIN, 2 2 2 2 1 1, LESS",
    "PAIN, 1 1 1 2 1 2, NOISE",
    "MORNING, 0 0 0 0 1 1, MORE",
    "MORNING, 0 0 0 1 0 1, NOISE",
    "EFFORT, 5 5 5 6 6 6, NOISE",
    "EFFORT, 5 5 5 7 7 7, MORE",
    "EFFORT, 7 6.8 6.4 6.2 5.9 5.6 5.2, LESS",
    "PULSE, 120 118 117 115 112 110 109, LESS",
    "PULSE, 120 110 119 111 121 112 118, NOISE",
    "TOUCH_DOWNS, 6 6 5 4 3 2 2, LESS"
  })
  void realChangeIsToldFromNoise(Trend.What what, String values, Trend.Reading reading) {
    Trend t = Trend.of(what, points(values));
    assertThat(t.reading()).isEqualTo(reading);
    assertThat(t.n()).isEqualTo(values.split(" ").length);
    assertThat(t.what().source).isNotBlank();
  }

  @Test
  void sixWeeksUpToTheNewestAreLookedAtAndNoMore() {
    List<Point> all = new ArrayList<>(points(9, 9, 9, 9));
    LocalDate newest = DAY.plusDays(60);
    for (int ago : new int[] {42, 41, 20, 10, 0}) {
      all.add(new Point(newest.minusDays(ago), 1));
    }
    Trend t = Trend.of(Trend.What.PAIN, all);
    assertThat(t.n()).isEqualTo(4);
    assertThat(t.from()).isEqualTo(newest.minusDays(41));
    assertThat(t.to()).isEqualTo(newest);
  }
}
