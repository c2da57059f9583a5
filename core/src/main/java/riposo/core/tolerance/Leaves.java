package riposo.core.tolerance;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.Standing;
import riposo.core.dose.Sided;
import riposo.core.movement.Carry;

/** Where a decision leaves a client in a family: what the next adapted plan starts from. */
public final class Leaves {
  private Leaves() {}

  /**
   * The standing after a decision. Staying keeps a tempo, a number and a way of holding agreed
   * before; a weight that differs from side to side stays so.
   *
   * @param before where the family stood; null when nothing was decided before
   * @param session the one decided on
   * @param change what was taken
   * @param on the day of the decision
   */
  public static Standing of(
      @Nullable Standing before,
      FamilySession session,
      String familyId,
      Verdict decided,
      Change change,
      LocalDate on) {
    Standing same =
        before != null && before.movementId().equals(change.movementId()) ? before : null;
    Standing kept = decided == Verdict.STAY ? same : null;
    Sided sides = change.sides() == null ? Level.of(session).kept(change) : change.sides();
    return new Standing(
        familyId,
        session.last().askedId(),
        change.movementId(),
        sides == null ? change.grams() : (Integer) sides.heavier(),
        kept == null ? change.reps() : kept.reps(),
        change.tempo() == null && kept != null ? kept.tempo() : change.tempo(),
        decided.name(),
        decided == Verdict.STOP_AND_REFER,
        on,
        sides,
        carry(same, change),
        null);
  }

  /** Two in one hand stay so until less is held, or another movement is done. */
  private static @Nullable Carry carry(@Nullable Standing same, Change change) {
    return change instanceof Change.TwoInOne
        ? Carry.TWO_IN_ONE
        : same == null || change.grams() == null || change instanceof Change.LoadDown
            ? null
            : same.carry();
  }
}
