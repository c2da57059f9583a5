package riposo.core.tolerance;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.Standing;
import riposo.core.dose.Sided;
import riposo.core.movement.Carry;

/** Where a decision leaves a client in a family: what the next adapted plan starts from. */
public final class Leaves {
  /** Never more than one set beyond those of the plan: house rule. */
  private static final Integer ONE_MORE = 1;

  private Leaves() {}

  /**
   * The standing after a decision. Fewer repetitions agreed before stay until they are raised by
   * themselves: two things never change at once. Staying, and changing only how it is done, keeps a
   * tempo, a set more, a band and a way of holding agreed before; with another weight or rung they
   * go. A weight that differs from side to side stays so.
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
    boolean gentle = decided == Verdict.STAY || decided == Verdict.STEP_UP && change.kind().gentle;
    Standing kept = gentle ? same : null;
    Sided sides = change.sides() == null ? Level.of(session).kept(change) : change.sides();
    return new Standing(
        familyId,
        session.last().askedId(),
        change.movementId(),
        sides == null ? change.grams() : (Integer) sides.heavier(),
        change.reps() == null && same != null ? same.reps() : change.reps(),
        change.tempo() == null && kept != null ? kept.tempo() : change.tempo(),
        decided.name(),
        decided == Verdict.STOP_AND_REFER,
        on,
        sides,
        carry(same, change),
        null,
        change instanceof Change.MoreSets ? ONE_MORE : kept == null ? null : kept.more(),
        change instanceof Change.BandBeside b
            ? (Integer) b.pull()
            : kept == null ? null : kept.pull());
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
