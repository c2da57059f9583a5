package riposo.core.tolerance;

import java.util.Collection;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.Situation;
import riposo.core.adapt.Standing;
import riposo.core.dose.Loads;
import riposo.core.dose.Weight;
import riposo.core.limit.Side;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;
import riposo.core.run.DoneSet;

/**
 * The steps open to a client from where they stand in a family.
 *
 * @param nextRung the next rung that limits and kit leave open; null when there is none
 * @param blocked true when there is a higher rung and a limit or kit closes it
 * @param previousRung the rung below that is open; null at the gentlest
 * @param nextGrams the next weight in kit inside the caps; null when there is none
 * @param lightestGrams the lightest weight in kit for as many hands; null when there is none
 * @param previousGrams the weight below in kit; null when that is no weight
 * @param slow true when the movement is lowered slowly already, so that way is used up
 */
public record Steps(
    @Nullable String nextRung,
    boolean blocked,
    @Nullable String previousRung,
    @Nullable Integer nextGrams,
    @Nullable Integer lightestGrams,
    @Nullable Integer previousGrams,
    boolean slow) {
  /** Nothing is known to be open, so no way leads up: of a movement that left the catalogue. */
  public static final Steps NONE = new Steps(null, true, null, null, null, null, false);

  /**
   * The steps open from a set.
   *
   * @param weights what there is to hold
   * @param standing where the last decision left the client in the family; null when there is none
   */
  public static Steps from(
      DoneSet last,
      Catalogue catalogue,
      Adapter adapter,
      Situation situation,
      Collection<Weight> weights,
      @Nullable Standing standing) {
    Movement at = catalogue.find(last.movementId()).orElse(null);
    if (at == null) {
      return NONE;
    }
    String next = null;
    boolean higher = false;
    String previous = null;
    for (Movement m : catalogue.family(at.familyId()).rungs()) {
      if (catalogue.retired(m.id())) {
        continue; // offered no more
      }
      boolean open = adapter.open(m.id(), situation) != null;
      if (m.rung() > at.rung() && next == null) {
        higher = true;
        next = open ? m.id() : null;
      } else if (m.rung() < at.rung() && open) {
        previous = m.id();
      }
    }
    boolean retired = catalogue.retired(at.id());
    boolean slow =
        retired
            || standing != null
                && standing.movementId().equals(at.id())
                && standing.tempo() != null;
    Integer up = null;
    Integer lightest = null;
    Integer down = null;
    Integer grams = last.grams();
    if (grams != null) {
      Variant v = catalogue.variants(at).get(0);
      int hands = Math.max(1, v.handsLoaded());
      int cap = Loads.capGrams(v, Side.BOTH, situation.caps());
      OptionalInt above = Loads.above(grams, hands, weights);
      // no more of what is offered no more: only another rung leads up
      up = !retired && above.isPresent() && above.getAsInt() <= cap ? boxed(above) : null;
      down = boxed(Loads.below(grams, hands, weights));
      lightest = boxed(Loads.lightest(hands, weights));
    }
    return new Steps(next, higher && next == null, previous, up, lightest, down, slow);
  }

  private static @Nullable Integer boxed(OptionalInt o) {
    return o.isPresent() ? (Integer) o.getAsInt() : null;
  }
}
