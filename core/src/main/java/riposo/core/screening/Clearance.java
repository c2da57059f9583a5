package riposo.core.screening;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A dated word from a doctor, midwife or physiotherapist.
 *
 * @param covers rule ids of the findings it covers
 * @param validUntil last day it is good for, inclusive; then its findings open again
 */
public record Clearance(LocalDate date, LocalDate validUntil, Set<String> covers) {
  /** Days before its end from which a clearance is warned about. */
  public static final int WARN_DAYS = 14;

  public Clearance {
    if (validUntil.isBefore(date)) {
      throw new IllegalArgumentException(
          "valid until " + validUntil + " lies before the clearance of " + date);
    }
    covers = Set.copyOf(covers);
  }

  /**
   * A clearance covers only findings that began before its date, while it is valid and not voided.
   * What a screening finds without a date began before the screening, so the screening's own day
   * will do.
   */
  boolean covers(OpenFinding finding, Collection<OpenFinding> all, LocalDate today) {
    return covers.contains(finding.finding().rule())
        && (finding.dated() ? date.isAfter(finding.began()) : !date.isBefore(finding.began()))
        && !date.isAfter(today)
        && !validUntil.isBefore(today)
        && voidedBy(all) == null;
  }

  /**
   * The new event, operation or symptom that voids it: one that began on or after its date; null
   * when it stands. Validity dates play no part.
   */
  public @Nullable OpenFinding voidedBy(Collection<OpenFinding> all) {
    return all.stream()
        .filter(OpenFinding::event)
        .filter(f -> f.dated() ? !f.began().isBefore(date) : f.began().isAfter(date))
        .findFirst()
        .orElse(null);
  }

  /**
   * The last day it is good for unless the clinician says otherwise: 12 months; 6 weeks after an
   * operation; in pregnancy the end of the trimester it was given in, the shorter reading of "one
   * trimester". The shortest that applies.
   *
   * @param due the due date; null when not pregnant
   */
  public static LocalDate defaultUntil(
      LocalDate date, Collection<String> covers, @Nullable LocalDate due) {
    LocalDate until = date.plusMonths(12);
    if (covers.stream().anyMatch(r -> r.contains("operation"))) {
      until = earlier(until, date.plusWeeks(6));
    }
    if (due != null && !date.isAfter(due.plusWeeks(2))) {
      LocalDate third = due.minusDays(280 - 28 * 7);
      LocalDate second = due.minusDays(280 - 14 * 7);
      LocalDate end =
          date.isBefore(second)
              ? second.minusDays(1)
              : date.isBefore(third) ? third.minusDays(1) : due.plusWeeks(2);
      until = earlier(until, end);
    }
    return until;
  }

  private static LocalDate earlier(LocalDate a, LocalDate b) {
    return a.isBefore(b) ? a : b;
  }
}
