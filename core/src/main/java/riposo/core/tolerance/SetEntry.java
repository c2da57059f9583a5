package riposo.core.tolerance;

import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;

/**
 * One logged set. Missing is null, never 0.
 *
 * @param targetReps repetitions the dose asked for
 * @param grams weight per hand
 * @param effort 0 to 10
 * @param pain during, 0 to 10
 */
public record SetEntry(
    String slotKey,
    int round,
    Side side,
    String askedId,
    String movementId,
    @Nullable Integer grams,
    @Nullable Integer reps,
    @Nullable Integer targetReps,
    @Nullable Integer effort,
    @Nullable Integer pain,
    @Nullable String painWhere,
    boolean formLost) {}
