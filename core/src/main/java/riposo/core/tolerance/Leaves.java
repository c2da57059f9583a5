package riposo.core.tolerance;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.Standing;
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
    Standing kept =
        decided == Verdict.STAY && before != null && before.movementId().equals(change.movementId())
            ? before
            : null;
    return new Standing(
        familyId,
        session.last().askedId(),
        change.movementId(),
        change.grams(),
        kept == null ? change.reps() : kept.reps(),
        change.tempo() == null && kept != null ? kept.tempo() : change.tempo(),
        decided.name(),
        decided == Verdict.STOP_AND_REFER,
        on,
        change.sides() == null ? Level.of(session).kept(change) : change.sides(),
        change instanceof Change.TwoInOne
            ? Carry.TWO_IN_ONE
            : kept == null || change.grams() == null ? null : kept.carry());
  }
}
