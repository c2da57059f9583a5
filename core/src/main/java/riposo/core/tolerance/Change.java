package riposo.core.tolerance;

import org.jspecify.annotations.Nullable;

/**
 * The one change a verdict proposes, and where it leads.
 *
 * @param reps repetitions to aim for; null for the interval's usual number
 * @param equalReps repetitions at the present weight that equal the next: why a step is too big
 */
public record Change(
    Kind kind,
    String movementId,
    @Nullable Integer grams,
    @Nullable Integer reps,
    @Nullable String tempo,
    @Nullable Integer fromGrams,
    @Nullable Integer equalReps) {
  /** One change at a time. */
  public enum Kind {
    NONE,
    LOAD_UP,
    RUNG_UP,
    SLOWER,
    LOAD_DOWN,
    RUNG_DOWN,
    FEWER_REPS,
    HALVE_SESSION,
    STOP
  }
}
