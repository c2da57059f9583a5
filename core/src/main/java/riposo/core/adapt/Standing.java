package riposo.core.adapt;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Loads;
import riposo.core.dose.Sided;
import riposo.core.movement.Carry;

/**
 * Where an accepted verdict leaves a client in a family: what the next adapted plan starts from.
 *
 * @param askedId the movement the plan asked for when the verdict was reached
 * @param movementId the movement to start from
 * @param grams weight per hand to start from; null where the movement takes none or none was used
 * @param reps repetitions to aim for; null for the interval's usual number
 * @param tempo a tempo to use instead of the movement's, such as 4-0-2-0; null for its own
 * @param sides the weight side by side where they differ; null where they do not
 * @param carry a way of holding other than the slot's; null for the slot's own
 * @param session the day of the session it rests on; null where it is not told
 * @param more sets beyond those of the plan; null for none
 * @param pull wanted at the end of the movement of a band beside the weight, in grams; null for
 *     none
 * @param stopped true after an accepted stop and refer: the family stays closed until reviewed
 * @see Loads
 */
public record Standing(
    String familyId,
    String askedId,
    String movementId,
    @Nullable Integer grams,
    @Nullable Integer reps,
    @Nullable String tempo,
    String verdict,
    boolean stopped,
    LocalDate decidedOn,
    @Nullable Sided sides,
    @Nullable Carry carry,
    @Nullable LocalDate session,
    @Nullable Integer more,
    @Nullable Integer pull) {
  /** The same weight on both sides, held as the slot says. */
  public Standing(
      String familyId,
      String askedId,
      String movementId,
      @Nullable Integer grams,
      @Nullable Integer reps,
      @Nullable String tempo,
      String verdict,
      boolean stopped,
      LocalDate decidedOn) {
    this(
        familyId,
        askedId,
        movementId,
        grams,
        reps,
        tempo,
        verdict,
        stopped,
        decidedOn,
        null,
        null,
        null,
        null,
        null);
  }

  /** The same, resting on a session of that day. */
  public Standing of(LocalDate day) {
    return new Standing(
        familyId,
        askedId,
        movementId,
        grams,
        reps,
        tempo,
        verdict,
        stopped,
        decidedOn,
        sides,
        carry,
        day,
        more,
        pull);
  }

  /**
   * The day from which on it says what the client is able to: that of its session, however late it
   * was decided.
   */
  public LocalDate known() {
    return session == null ? decidedOn : session;
  }
}
