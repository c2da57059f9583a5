package riposo.core.plan;

import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.movement.Position;
import riposo.core.movement.Tempo;

/**
 * What the timeline needs to know of one thing done in a slot.
 *
 * @param position null for rest, which keeps the posture before it
 * @param tempo null for rest
 * @param holdSeconds one hold, 0 for a moving exercise
 * @param alternating repetitions alternate sides, so their number is even
 */
public record Piece(
    Side side,
    @Nullable Position position,
    @Nullable Tempo tempo,
    int holdSeconds,
    boolean alternating) {}
