package riposo.core.screening;

import java.time.LocalDate;
import java.util.Set;

/**
 * A dated word from a doctor, midwife or physiotherapist.
 *
 * @param covers rule ids of the findings it covers
 * @param validUntil last day it is good for, inclusive; then its findings open again
 */
public record Clearance(LocalDate date, LocalDate validUntil, Set<String> covers) {
  public Clearance {
    if (validUntil.isBefore(date)) {
      throw new IllegalArgumentException(
          "valid until " + validUntil + " lies before the clearance of " + date);
    }
    covers = Set.copyOf(covers);
  }

  /**
   * A clearance covers only findings that began before its date, while it is valid. What a
   * screening finds began before the screening, so its own day will do; a stop-panel event needs a
   * later day.
   */
  boolean covers(OpenFinding finding, LocalDate today) {
    return covers.contains(finding.finding().rule())
        && (finding.finding().rule().equals(OpenFinding.STOP_EVENT)
            ? date.isAfter(finding.began())
            : !date.isBefore(finding.began()))
        && !date.isAfter(today)
        && !validUntil.isBefore(today);
  }
}
