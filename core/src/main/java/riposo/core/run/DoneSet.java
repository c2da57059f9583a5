package riposo.core.run;

import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.movement.Modifier;

/**
 * One logged set joined with what the run asked of it: what was done, in which form, and how it
 * went. Missing is null, never 0.
 *
 * @param askedId the movement the plan asked for
 * @param familyId of the movement done, as it was then
 * @param support the modifiers it was done with
 * @param range percent of the full range
 * @param grams weight per hand
 * @param targetReps repetitions the dose asked for
 * @param effort 0 to 10
 * @param pain during, 0 to 10
 */
public record DoneSet(
    String slotKey,
    int round,
    Side side,
    String askedId,
    String movementId,
    String familyId,
    Set<Modifier> support,
    int range,
    @Nullable Integer grams,
    @Nullable Integer reps,
    @Nullable Integer targetReps,
    @Nullable Integer effort,
    @Nullable Integer pain,
    @Nullable String painWhere,
    boolean formLost) {
  public DoneSet {
    support = Set.copyOf(support);
  }

  /** What was done, whatever came of it: two sets of the same form can be compared. */
  public record Form(String movementId, Set<Modifier> support, int range, Side side) {}

  public Form form() {
    return new Form(movementId, support, range, side);
  }
}
