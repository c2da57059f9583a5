package riposo.core.today;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Whether a run may start from a check of today, and why not. */
class CheckGateTest {
  private static final Instant NINE = Instant.parse("2026-11-24T09:00:00Z");
  private static final Set<CheckGate.Bar> MET = EnumSet.noneOf(CheckGate.Bar.class);

  /**
   * Each row: what was asked of the client then and now, checks "minute said", which of them, the
   * minute of the start, the minute of a low on the stop panel, and the bar.
   */
  @ParameterizedTest(name = "{0}/{1}: {2}, check {3} at minute {4}, low {5}: {6}")
  @CsvSource(
      delimiter = '|',
      nullValues = "-",
      value = {
        "none | none | 0 sleep=7 | 0 | 0 | - | -",
        "none | none | 0 sleep=7 | 0 | 120 | - | -",
        "none | none | 0 sleep=7 | 0 | 121 | - | OLD_CHECK",
        "none | none | 0 sleep=7 | -1 | 0 | - | CHECK_WANTED",
        "none | none | 0 sleep=7; 10 sleep=8 | 0 | 10 | - | NEWER_CHECK",
        "none | none | 0 sleep=7; 10 sleep=8 | 1 | 10 | - | -",
        "none | none | 0 EMERGENCY | 0 | 0 | - | URGENT",
        "none | none | 0 EMERGENCY; 30 sleep=8 | 1 | 30 | - | URGENT",
        "none | none | 0 DIZZY | 0 | 0 | - | READING_WANTED",
        "lung | lung | 0 sat=95 | 0 | 0 | - | -",
        "none | none | 0 FEVER | 0 | 0 | - | NOT_TODAY",
        "none | none | 0 bp=182/90; 3 bp=120/80 | 1 | 3 | - | NOT_TODAY",
        "none | none | 0 bp=182/90; 5 bp=120/80 | 1 | 5 | - | -",
        "none | maternity | 0 bp=142/80 | 0 | 0 | - | CHECK_AGAIN",
        "low | low | 30 glucose=9.0 | 0 | 30 | 20 | WAIT_AFTER_LOW",
        "low | low | 36 glucose=9.0 | 0 | 36 | 20 | -",
        "low | low | 36 glucose=5.0 | 0 | 36 | 20 | WAIT_AFTER_LOW",
        "none | none | 36 sleep=7 | 0 | 36 | 20 | WAIT_AFTER_LOW"
      })
  void aCheckIsGoodForAStartOrSaysWhyNot(
      String then,
      String now,
      String checks,
      int chosen,
      int minute,
      @Nullable Integer low,
      CheckGate.@Nullable Bar bar) {
    List<TodayDay.Kept> day = new ArrayList<>();
    for (String one : checks.split(";")) {
      String[] parts = one.trim().split(" ", 2);
      TodayCheck.Given given = TodayCheckTest.given(parts[1]);
      day.add(
          new TodayDay.Kept(
              NINE.plus(Duration.ofMinutes(Integer.parseInt(parts[0]))),
              given,
              TodayCheck.assess(needs(then), given)));
    }
    CheckGate.Answer a =
        CheckGate.of(
            day,
            chosen,
            NINE.plus(Duration.ofMinutes(minute)),
            needs(now),
            low == null ? List.of() : List.of(NINE.plus(Duration.ofMinutes(low))));
    if (bar == null) {
      assertThat(a).isInstanceOf(CheckGate.Good.class);
    } else {
      assertThat(a)
          .isInstanceOfSatisfying(
              CheckGate.Refused.class,
              r -> {
                assertThat(r.bar()).isEqualTo(bar);
                assertThat(r.sentence()).isNotBlank();
              });
      MET.add(bar);
    }
  }

  private static TodayCheck.Needs needs(String words) {
    return TodayCheckTest.needs(words.equals("none") ? "-" : words);
  }

  @AfterAll
  static void everyBarIsMet() {
    assertThat(MET).containsExactlyInAnyOrder(CheckGate.Bar.values());
  }

  @Test
  void theCodesOfTheApiStay() {
    assertThat(CheckGate.Bar.values())
        .extracting(b -> b.code)
        .containsExactly(
            "check-wanted",
            "newer-check",
            "old-check",
            "urgent",
            "reading-wanted",
            "not-today",
            "wait-after-low",
            "check-again");
  }
}
