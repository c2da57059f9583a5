package riposo.core.adapt;

import java.util.List;
import java.util.Set;
import java.util.UUID;

/**
 * A choice the professional made for a slot.
 *
 * @param overridden the ADVISED limits passed over with a recorded reason; any other limit that
 *     comes to forbid the choice releases it
 */
public record Pin(String slotKey, List<Performed> parts, Set<UUID> overridden) {}
