package riposo.core.dose;

import java.time.LocalDate;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.movement.Carry;
import riposo.core.movement.Modifier;

/**
 * The weight a client last used in a movement.
 *
 * @param support the modifiers it was done with
 * @param grams as printed, the heavier hand's; 0 for none
 * @param sides side by side where they differ; null where they do not
 */
public record LastWeight(
    String movementId,
    Set<Modifier> support,
    Carry carry,
    int grams,
    LocalDate on,
    @Nullable Sided sides) {
  public LastWeight {
    support = Set.copyOf(support);
  }

  /** The same on both sides. */
  public LastWeight(
      String movementId, Set<Modifier> support, Carry carry, int grams, LocalDate on) {
    this(movementId, support, carry, grams, on, null);
  }
}
