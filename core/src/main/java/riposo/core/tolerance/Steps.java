package riposo.core.tolerance;

import org.jspecify.annotations.Nullable;

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
}
