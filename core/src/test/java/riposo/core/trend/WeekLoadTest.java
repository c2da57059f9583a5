package riposo.core.trend;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.wording.TrendWords;

/** The load of a week against the four before. */
class WeekLoadTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 27);

  private static WeekLoad.Load load(int ago, @Nullable Integer load) {
    return new WeekLoad.Load(TODAY.minusDays(ago), load);
  }

  /** 100 in each of the four weeks before, the oldest session five weeks ago. */
  private static List<WeekLoad.Load> before() {
    return new ArrayList<>(
        List.of(load(40, 50), load(8, 100), load(15, 100), load(22, 100), load(34, 100)));
  }

  @ParameterizedTest(name = "{0} against a mean of 100: {1} %, worth a look {2}")
  @CsvSource({
    "0, 0, false",
    "100, 100, false",
    "130, 130, false",
    "131, 131, true",
    "300, 300, true"
  })
  void over13TimesTheMeanIsWorthALook(int week, int percent, boolean prompts) {
    List<WeekLoad.Load> all = before();
    all.add(load(0, week));
    WeekLoad w = WeekLoad.of(all, TODAY);
    assertThat(w.percent()).isEqualTo(percent);
    assertThat(w.prompts()).isEqualTo(prompts);
    assertThat(TrendWords.load(w)).contains(prompts ? "have a look" : "nothing to look at");
  }

  @Test
  void roundingNeverHidesThatItIsOver() {
    List<WeekLoad.Load> all = before();
    all.set(1, load(8, 101)); // a mean of 100.25
    all.add(load(6, 131));
    assertThat(WeekLoad.of(all, TODAY).percent()).isEqualTo(131);
  }

  @Test
  void daysCountToTheWeekTheyAreIn() {
    List<WeekLoad.Load> all = before();
    all.add(load(6, 10));
    all.add(load(7, 20));
    all.add(load(-1, 500));
    WeekLoad w = WeekLoad.of(all, TODAY);
    assertThat(w.last()).isEqualTo(10);
    assertThat(w.mean()).isEqualTo(105);
  }

  @Test
  void missingIsMissingAndNever0() {
    List<WeekLoad.Load> all = before();
    all.add(load(3, null));
    assertThat(WeekLoad.of(all, TODAY).why()).isEqualTo(WeekLoad.Unknown.NOT_TOLD);
    assertThat(WeekLoad.of(List.of(load(2, 50)), TODAY).why()).isEqualTo(WeekLoad.Unknown.TOO_FEW);
    WeekLoad back = WeekLoad.of(List.of(load(60, 90), load(2, 50)), TODAY);
    assertThat(back.why()).isEqualTo(WeekLoad.Unknown.NONE_BEFORE);
    assertThat(back.prompts()).isFalse();
    assertThat(TrendWords.load(back)).contains("none in the four weeks before");
  }
}
