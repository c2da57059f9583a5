package riposo.core.dose;

import java.time.LocalDate;

/**
 * A weight the professional set for a slot and a client.
 *
 * @param movementId the movement it was set for; with another one done it does not count
 * @param grams as printed; 0 for none
 * @param today it counts on that day only
 */
public record SetWeight(String movementId, int grams, LocalDate on, boolean today) {
  /** Whether it counts on a day. */
  public boolean counts(LocalDate day) {
    return today ? on.equals(day) : !on.isAfter(day);
  }
}
