package riposo.core.tolerance;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.limit.Side;
import riposo.core.wording.VerdictWords;

/** How it went after a decision against the verdict. */
class AftermathTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 2);

  /** Each session since as pain, morning ("-" not answered) and its verdict. */
  @ParameterizedTest(name = "{0}: {1}")
  @CsvSource(
      delimiter = '|',
      nullValues = "none",
      value = {
        "none | TOO_EARLY | No session of it since.",
        "0 0 STAY | TOO_EARLY | 1 session since: pain 0 of 10, 1 of 1 morning answered and settled. Too early to tell.",
        "0 0 STAY,1 0 STAY | WELL | 2 sessions since: pain 0 to 1 of 10, 2 of 2 mornings answered and settled. It went well.",
        "0 0 STAY,2 0 STAY | UNCLEAR | 2 sessions since: pain 0 to 2 of 10, 2 of 2 mornings answered and settled. Not clear.",
        "0 0 STAY,0 - STAY | UNCLEAR | 2 sessions since: pain 0 of 10, 1 of 2 mornings answered and settled. Not clear.",
        "0 1 STAY,0 0 STAY | UNCLEAR | 2 sessions since: pain 0 of 10, 1 of 2 mornings answered and settled. Not clear.",
        "3 0 EASE | WORSE | 1 session since: pain 3 of 10, 1 of 1 morning answered and settled, then eased.",
        "0 0 STAY,0 0 STAY,0 0 STAY,0 0 STAY,9 9 STOP_AND_REFER | WELL | 4 sessions since: pain 0 of 10, 4 of 4 mornings answered and settled. It went well."
      })
  void theNextFourSessionsSayIt(@Nullable String since, Aftermath.Reading reading, String words) {
    List<FamilySession> all = new ArrayList<>();
    FamilySession decided = Sets.on(DAY).set(Side.BOTH, 2000, 10, 5, 0).session();
    all.add(Sets.on(DAY.minusDays(4)).set(Side.BOTH, 2000, 10, 5, 9).session());
    all.add(decided);
    for (String s : since == null ? new String[0] : since.split(",")) {
      String[] p = s.split(" ");
      Sets made =
          Sets.on(DAY.plusDays(4L * all.size()))
              .set(Side.BOTH, 2000, 10, 5, Integer.valueOf(p[0]))
              .decided(Verdict.valueOf(p[2]));
      all.add(
          (p[1].equals("-") ? made.next(null) : made.morning(Integer.parseInt(p[1]))).session());
    }
    Aftermath a = Aftermath.of(all, decided.runId(), 1);
    assertThat(a.reading()).isEqualTo(reading);
    assertThat(VerdictWords.aftermath(a)).isEqualTo(words);
  }
}
