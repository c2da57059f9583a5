package riposo.core.adapt;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Broken;
import riposo.core.movement.Kit;

/**
 * Why a nearer movement was not taken as it is: every limit it breaks, what kit is missing, in what
 * it is harder than asked, and whether it lies above the client's standing.
 *
 * @param cost what it would have cost unmodified
 * @param above the ceiling it lies above; null when it does not
 * @param mendable true when a gentler form of it is permitted but gives up more than the choice
 */
public record Rejection(
    String movementId,
    Cost cost,
    List<Broken> broken,
    Set<Kit> missing,
    List<Reach.Over> harder,
    @Nullable Ceiling above,
    boolean mendable) {}
