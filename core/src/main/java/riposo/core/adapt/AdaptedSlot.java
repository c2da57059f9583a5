package riposo.core.adapt;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Dose;
import riposo.core.dose.FoundWeight;
import riposo.core.dose.Gap;
import riposo.core.limit.Broken;
import riposo.core.movement.Kit;
import riposo.core.movement.Purpose;
import riposo.core.plan.Block;

/**
 * A slot of an adapted plan.
 *
 * @param askedId what the plan asks for
 * @param askedBroken every limit the movement asked for breaks as it stands
 * @param askedMissing kit it needs that is not there
 * @param unmeasured of that kit, what is there but waits for a fact about the client
 * @param standing the accepted verdict it starts from; null when there is none
 * @param pinned true when the professional chose it
 * @param overridden ADVISED limits the pinned choice passes, with a recorded reason
 * @param released true when a pinned choice was let go because a limit or kit now forbids it
 * @param doses one for each part
 * @param turn what the session as a whole makes of the slot; null where it stays as settled by
 *     itself. The parts of the result are what is done, its cost the slot's own
 * @param gone the movement asked for is no longer in the catalogue; the slot rests until replaced
 * @param cut what shortens a hold; null where it lasts as asked
 * @param found which weight it is begun with and why, before the caps; null where it takes none
 * @param stretch what fills its rests; null where they are not to be a stretch
 * @param band which band and where it is gripped; null where the plan asks for none
 * @param gap the gap its family comes back from; null where there is none
 * @param upper the option above what is asked; null where the plan names none, or it is not open
 */
public record AdaptedSlot(
    String slotKey,
    Block block,
    Purpose purpose,
    String askedId,
    List<Broken> askedBroken,
    Set<Kit> askedMissing,
    Set<Kit> unmeasured,
    @Nullable Standing standing,
    SlotResult result,
    boolean pinned,
    List<Broken> overridden,
    boolean released,
    List<Dose> doses,
    @Nullable Turn turn,
    boolean gone,
    @Nullable HoldCut cut,
    @Nullable FoundWeight found,
    @Nullable RestStretch stretch,
    @Nullable BandGrip band,
    @Nullable UpperOption upper,
    @Nullable Gap gap) {

  /** True when what is done is what the plan asks for, as it asks for it, by nobody's choice. */
  public boolean asPlanned() {
    return !pinned && result.asAsked() && askedId.equals(result.parts().get(0).movementId());
  }

  /** The same with other doses, one for each part. */
  AdaptedSlot doses(List<Dose> other) {
    return new AdaptedSlot(
        slotKey,
        block,
        purpose,
        askedId,
        askedBroken,
        askedMissing,
        unmeasured,
        standing,
        result,
        pinned,
        overridden,
        released,
        other,
        turn,
        gone,
        cut,
        found,
        stretch,
        band,
        upper,
        gap);
  }

  /**
   * A hold that is shorter than asked for.
   *
   * @param asked seconds of one hold as the plan asks
   * @param now seconds of one hold
   * @param by limits on still effort that it passes; empty where the form done has shorter holds
   */
  public record HoldCut(int asked, int now, List<Broken> by) {}
}
