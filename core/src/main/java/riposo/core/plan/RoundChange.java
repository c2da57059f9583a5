package riposo.core.plan;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import riposo.core.movement.Tempo;

/**
 * What differs in one round of a slot; null leaves it as it is.
 *
 * @param round 1-based
 * @param grams greatest weight per hand; 0 for none in that round
 */
public record RoundChange(
    int round,
    @Nullable String movementId,
    @Nullable Integer reps,
    @Nullable Tempo tempo,
    @Nullable Integer grams) {
  public RoundChange {
    if (round < 1 || round > 50) {
      throw new IllegalArgumentException("a round runs from 1 to 50, was " + round);
    }
    if (movementId == null && reps == null && tempo == null && grams == null) {
      throw new IllegalArgumentException("round " + round + " changes nothing");
    }
  }

  /** The same without a number of repetitions; empty when nothing is left. */
  Optional<RoundChange> uncounted() {
    return movementId == null && tempo == null && grams == null
        ? Optional.empty()
        : Optional.of(new RoundChange(round, movementId, null, tempo, grams));
  }
}
