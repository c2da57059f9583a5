package riposo.core.trend;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.limit.Side;
import riposo.core.quantity.Pain;
import riposo.core.run.Entry;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.Sets;
import riposo.core.wording.TrendWords;

/** What a family's sessions say: figures, sides, pain that returns. */
class FamilyTrendsTest {
  private static final LocalDate DAY = LocalDate.of(2026, 10, 20);

  private static Sets day(int n) {
    return Sets.on(DAY.plusDays(n * 4L));
  }

  private static Trend trend(FamilyTrends t, Trend.What what) {
    return t.trends().stream().filter(x -> x.what() == what).findFirst().orElseThrow();
  }

  @Test
  void effortIsComparedAtTheLoadOfTheNewestSessionOnly() {
    List<FamilySession> all = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      all.add(day(i).set(Side.BOTH, 1000, 10, 9, 0).session());
    }
    for (int i = 4; i < 9; i++) {
      all.add(day(i).set(Side.BOTH, 2000, 10, 6, 0).session());
    }
    Trend t = trend(FamilyTrends.of(all, Map.of()), Trend.What.EFFORT);
    assertThat(t.n()).isEqualTo(5);
    assertThat(t.from()).isEqualTo(DAY.plusDays(16));
    assertThat(t.reading()).isEqualTo(Trend.Reading.NOISE);
  }

  @Test
  void whatWasNotToldIsLeftOutAndAFigureNeverToldIsNoTrend() {
    List<FamilySession> all = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      all.add(day(i).set(Side.BOTH, 1000, 10, 5, i == 2 ? null : 0).next(null).session());
    }
    FamilyTrends t = FamilyTrends.of(all, Map.of());
    assertThat(trend(t, Trend.What.PAIN).n()).isEqualTo(4);
    assertThat(t.trends())
        .extracting(Trend::what)
        .doesNotContain(Trend.What.MORNING, Trend.What.PULSE);
    assertThat(FamilyTrends.of(List.of(), Map.of()).trends()).isEmpty();
  }

  @Test
  void aPulseFallingAtTheSameWorkIsFitter() {
    List<FamilySession> all = new ArrayList<>();
    Map<UUID, Integer> pulses = new HashMap<>();
    for (int i = 0; i < 7; i++) {
      FamilySession s = day(i).set(Side.BOTH, 1000, 10, 5, 0).session();
      all.add(s);
      pulses.put(s.runId(), 121 - 2 * i);
    }
    FamilyTrends t = FamilyTrends.of(all, pulses);
    assertThat(TrendWords.lines(t).get(0))
        .isEqualTo(
            new TrendWords.TrendLine(
                "Pulse at the same work: lower: fitter, median 111, was 117, −3.5 a week (−3.5 to −3.5).",
                "7 sessions, 20 Oct to 13 Nov",
                "Theil–Sen, 95 %",
                true));
  }

  /** Repetitions left and right at 1 kg, in each of so many sessions. */
  @ParameterizedTest(name = "left {0}, right {1}, {2} sessions: {3} % behind {4}, flagged {5}")
  @CsvSource(
      nullValues = "-",
      value = {
        "10, 10, 4, 0, BOTH, false",
        "8, 12, 3, -, BOTH, false",
        "4, 10, 4, 15, LEFT, false",
        "3, 10, 4, 18, LEFT, true",
        "12, 2, 5, 24, RIGHT, true"
      })
  void overFifteenPercentBehindIsFlagged(
      int left, int right, int sessions, Integer percent, Side weak, boolean flagged) {
    List<FamilySession> all = new ArrayList<>();
    for (int i = 0; i < sessions; i++) {
      all.add(day(i).set(Side.LEFT, 1000, left, 5, 0).set(Side.RIGHT, 1000, right, 5, 0).session());
    }
    LeftRight x = FamilyTrends.of(all, Map.of()).sides();
    assertThat(x.percent()).isEqualTo(percent);
    assertThat(x.weak()).isEqualTo(weak);
    assertThat(x.flagged()).isEqualTo(flagged);
  }

  @Test
  void sidesThatWereAskedUnequallyAreNotComparedAndThatIsSaid() {
    List<FamilySession> all = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      all.add(day(i).set(Side.LEFT, 1000, 4, 5, 0).set(Side.RIGHT, 2000, 12, 5, 0).session());
    }
    FamilyTrends t = FamilyTrends.of(all, Map.of());
    assertThat(t.sides().n()).isZero();
    assertThat(t.sides().unequal()).isEqualTo(5);
    assertThat(TrendWords.lines(t))
        .extracting(TrendWords.TrendLine::sentence)
        .contains("Left and right are not compared: more is asked of one side.");
  }

  private static FamilySession pain(int n, int first, int later, int after) {
    Entry.Hurt hurt =
        new Entry.Hurt(null, new Pain(first), new Pain(later), new Pain(after), "knee", null);
    return day(n)
        .set("row", 1000, Entry.of("s1", 1, Side.BOTH).reps(10).effort(5).hurt(hurt))
        .session();
  }

  @Test
  void painThatWarmsUpAndReturnsIsCounted() {
    FamilyTrends t =
        FamilyTrends.of(
            List.of(pain(0, 3, 1, 3), pain(1, 3, 3, 3), pain(2, 1, 3, 4), pain(3, 2, 0, 1)),
            Map.of());
    assertThat(t.warmsUp()).isEqualTo(new FamilyTrends.WarmsUp(2, 4));
    assertThat(TrendWords.lines(t))
        .extracting(TrendWords.TrendLine::sentence)
        .anyMatch(s -> s.contains("comes back afterwards, in 2 of 4 sessions"));
  }
}
