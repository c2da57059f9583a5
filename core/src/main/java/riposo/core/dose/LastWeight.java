package riposo.core.dose;

import java.time.LocalDate;
import java.util.Set;
import riposo.core.movement.Carry;
import riposo.core.movement.Modifier;

/**
 * The weight a client last used in a movement.
 *
 * @param support the modifiers it was done with
 * @param grams as printed, the heavier hand's; 0 for none
 */
public record LastWeight(
    String movementId, Set<Modifier> support, Carry carry, int grams, LocalDate on) {
  public LastWeight {
    support = Set.copyOf(support);
  }
}
