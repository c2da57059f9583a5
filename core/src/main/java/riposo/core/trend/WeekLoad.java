package riposo.core.trend;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The load of the last seven days against the mean of the four times seven before. A session's load
 * is effort times minutes (Foster 2001). Over 1.3 is a prompt to look, never a verdict: it is
 * contested.
 *
 * @param last of the seven days up to and with today
 * @param mean a week, of the 28 days before
 * @param percent of the mean; null where it cannot be told
 * @param why it cannot be told; null where it can
 */
public record WeekLoad(int last, int mean, @Nullable Integer percent, @Nullable Unknown why) {
  /** Percent of the mean over which it is worth a look. */
  public static final int PROMPT = 130;

  private static final int WEEK = 7;
  private static final int WEEKS = 4;

  /** Days it looks back on; of what is older it asks only whether there is any. */
  public static final int SPAN = WEEK * (WEEKS + 1);

  /** Why nothing can be told. */
  public enum Unknown {
    /** The first session is not four weeks before the last seven days. */
    TOO_FEW,
    /** Effort or minutes of a session are not known: missing is missing, never 0. */
    NOT_TOLD,
    /** No session in the four weeks before. */
    NONE_BEFORE
  }

  /**
   * A session's load.
   *
   * @param load effort times minutes; null where one of them is not known
   */
  public record Load(LocalDate day, @Nullable Integer load) {}

  /** The week up to a day, of sessions in any order. */
  public static WeekLoad of(List<Load> sessions, LocalDate today) {
    LocalDate week = today.minusDays(WEEK);
    LocalDate start = today.minusDays(SPAN);
    int last = 0;
    int before = 0;
    boolean untold = false;
    boolean older = false;
    for (Load s : sessions) {
      if (s.day().isAfter(today)) {
        continue;
      }
      if (!s.day().isAfter(start)) {
        older = true;
      } else if (s.load() == null) {
        untold = true;
      } else if (s.day().isAfter(week)) {
        last += s.load();
      } else {
        before += s.load();
      }
    }
    int mean = Math.round(before / (float) WEEKS);
    Unknown why =
        untold
            ? Unknown.NOT_TOLD
            : !older ? Unknown.TOO_FEW : before == 0 ? Unknown.NONE_BEFORE : null;
    Integer percent =
        why != null ? null : (Integer) (int) Math.ceil(last * 100.0 * WEEKS / before - 1e-9);
    return new WeekLoad(last, mean, percent, why);
  }

  /** Worth a look. */
  public boolean prompts() {
    return percent != null && percent > PROMPT;
  }
}
