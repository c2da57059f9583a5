package riposo.core.adapt;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Broken;
import riposo.core.movement.Kit;
import riposo.core.movement.Modifier;

/**
 * One step of a family's stair for one client on one date.
 *
 * @param open true when the movement may be done, with {@code modifiers} where any are needed
 * @param modifiers the fewest that open it; empty when none are needed or none help
 * @param range percentage of range kept in that form
 * @param broken every limit the unmodified movement breaks
 * @param firm true when a FIRM limit stays broken in every form: no reason opens it
 * @param above the ceiling it lies above; null when it does not
 */
public record StairRung(
    String movementId,
    int rung,
    boolean open,
    List<Modifier> modifiers,
    int range,
    List<Broken> broken,
    Set<Kit> missing,
    boolean firm,
    @Nullable Ceiling above) {}
