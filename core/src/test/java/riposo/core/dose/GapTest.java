package riposo.core.dose;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What days without a family take off it, at, just under and just over each line. */
class GapTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 27);

  private static @Nullable Gap gap(Integer... ago) {
    return Gap.of(Stream.of(ago).map(DAY::minusDays).toList(), DAY);
  }

  @ParameterizedTest(name = "{0} days: {1} % off, rung down {2}, anew {3}, 10 reps leave {4}")
  @CsvSource({
    "10, 20, false, false, 8",
    "20, 20, false, false, 8",
    "21, 40, true, false, 6",
    "41, 40, true, false, 6",
    "42, 100, true, true, 6",
    "400, 100, true, true, 6"
  })
  void theLongerTheGapTheLessIsLeft(int days, int cut, boolean rung, boolean anew, int reps) {
    Gap g = gap(days);
    assertThat(g).isNotNull();
    assertThat(List.of(g.days(), g.cut(), g.rungDown(), g.anew(), g.count(10), g.toGo()))
        .isEqualTo(List.of(days, cut, rung, anew, reps, 2));
  }

  @ParameterizedTest(name = "{0} days: nothing")
  @CsvSource({"0", "1", "9"})
  void nineDaysTakeNothingOff(int days) {
    assertThat(gap(days)).isNull();
    assertThat(gap(days, days + 9)).isNull();
  }

  @Test
  void itEndsWithTheSecondSessionBack() {
    Gap first = gap(3, 19, 22);
    assertThat(first).isEqualTo(new Gap(DAY.minusDays(19), DAY.minusDays(3), 16));
    assertThat(first.toGo()).isEqualTo(1);
    assertThat(gap(1, 3, 19)).as("two sessions since").isNull();
    assertThat(gap()).as("never done").isNull();
    assertThat(gap(5)).as("done once, of late").isNull();
  }

  @Test
  void onlyWhatIsFromBeforeTheFirstSessionBackIsCut() {
    Gap g = new Gap(DAY.minusDays(19), DAY.minusDays(3), 16);
    assertThat(g.cuts(DAY.minusDays(4))).isTrue();
    assertThat(g.cuts(DAY.minusDays(3))).isFalse();
    assertThat(new Gap(DAY.minusDays(19), null, 19).cuts(DAY)).isTrue();
    assertThat(g.count(1)).as("never none").isEqualTo(1);
  }
}
