package riposo.core.limit;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A limit proposed for a condition; nothing is applied until the professional accepts or changes
 * it.
 *
 * @param key stable within a screening: condition and axis and side
 * @param why one sentence
 * @param until last day, inclusive; null means until reviewed
 * @param review the day to look at it again
 */
public record Proposal(
    String key,
    String condition,
    String axisId,
    Side side,
    int cap,
    Strength strength,
    String source,
    String why,
    LocalDate from,
    @Nullable LocalDate until,
    LocalDate review) {
  public Proposal {
    Axis axis = Axis.of(axisId);
    if (cap < 0 || cap > axis.greatest) {
      throw new IllegalArgumentException("cap out of range for " + axisId + ": " + cap);
    }
  }
}
