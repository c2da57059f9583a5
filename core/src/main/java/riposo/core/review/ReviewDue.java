package riposo.core.review;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** When a client's review is due: every six weeks of training. Source: house rule. */
public final class ReviewDue {
  /** Weeks between two reviews. */
  public static final int WEEKS = 6;

  private ReviewDue() {}

  /**
   * The day a review is due, past or to come; null where nobody trains: no session yet, or none for
   * as long as a review looks back.
   *
   * @param first the first session
   * @param newest the newest session
   * @param last the day of the last review; null where there was none
   */
  public static @Nullable LocalDate of(
      @Nullable LocalDate first,
      @Nullable LocalDate newest,
      @Nullable LocalDate last,
      LocalDate today) {
    if (first == null || newest == null || newest.isBefore(today.minusWeeks(WEEKS))) {
      return null;
    }
    LocalDate from = last == null || last.isBefore(first) ? first : last;
    return from.plusWeeks(WEEKS);
  }

  /**
   * The first day a review looks at: the day of the last one, or six weeks back where there was
   * none or it is longer ago.
   */
  public static LocalDate since(@Nullable LocalDate last, LocalDate today) {
    LocalDate six = today.minusWeeks(WEEKS);
    return last == null || last.isBefore(six) ? six : last;
  }
}
