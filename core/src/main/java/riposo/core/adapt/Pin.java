package riposo.core.adapt;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A choice the professional made for a slot.
 *
 * @param overridden the ADVISED limits passed over with a recorded reason; any other limit that
 *     comes to forbid the choice releases it
 * @param on when it was made; null where that is not known
 */
public record Pin(
    String slotKey, List<Performed> parts, Set<UUID> overridden, @Nullable LocalDate on) {
  /** A choice of which it is not known when it was made. */
  public Pin(String slotKey, List<Performed> parts, Set<UUID> overridden) {
    this(slotKey, parts, overridden, null);
  }
}
