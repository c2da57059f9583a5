package riposo.core.limit;

import java.time.LocalDate;

/**
 * What it takes to put one limit in the place of another. A FIRM limit is only ever made tighter by
 * hand: its reach in axis, side, cap, strength and days stays at least what it was, from today on.
 * An ADVISED one is made looser with a reason on record. Source: house rule.
 */
public enum Replacement {
  /** Nothing gets looser. */
  FREE,
  /** An ADVISED limit gets looser: say why. */
  REASON_WANTED,
  /** A FIRM limit would get looser: only a recorded clearance does that. */
  CLEARANCE_WANTED;

  /**
   * @param old the limit that stands
   * @param wanted what is put in its place
   * @param today the day of the change; days gone by are not changed
   */
  public static Replacement of(Limit old, Limit wanted, LocalDate today) {
    boolean covers =
        wanted.axisId().equals(old.axisId())
            && (wanted.side() == old.side() || wanted.side() == Side.BOTH)
            && wanted.cap() <= old.cap();
    if (old.strength() == Strength.FIRM) {
      LocalDate since = old.from().isAfter(today) ? old.from() : today;
      return covers && wanted.strength() == Strength.FIRM && !wanted.from().isAfter(since)
          ? FREE
          : CLEARANCE_WANTED;
    }
    boolean ends =
        wanted.strength() == Strength.ADVISED
            && wanted.until() != null
            && (old.until() == null || wanted.until().isBefore(old.until()));
    return covers && !wanted.from().isAfter(old.from()) && !ends ? FREE : REASON_WANTED;
  }
}
