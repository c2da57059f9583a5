/**
 * How much is done.
 *
 * <ul>
 *   <li>{@link riposo.core.dose.Dose}: of a slot, a round and a side; {@link riposo.core.dose.Held}
 *       the weight, hand by hand
 *   <li>{@link riposo.core.dose.FoundWeight}: which weight to begin with, from {@link
 *       riposo.core.dose.Weights}; {@link riposo.core.dose.WeightChoice} one set by hand; {@link
 *       riposo.core.dose.WeightFinding} how it is found in the first sets
 *   <li>{@link riposo.core.dose.Sided}: a weight side by side; {@link riposo.core.dose.Gap} what
 *       days without a family take off it
 *   <li>{@link riposo.core.dose.Loads}: caps, kit, the step that is too big, estimated strength
 * </ul>
 */
@NullMarked
package riposo.core.dose;

import org.jspecify.annotations.NullMarked;
