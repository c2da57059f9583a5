/**
 * What a movement may ask for and a limit may cap.
 *
 * <ul>
 *   <li>{@link riposo.core.limit.Axis}, {@link riposo.core.limit.Act}: the shared axes
 *   <li>{@link riposo.core.limit.Limit}, {@link riposo.core.limit.Caps}: limits and the limits of a
 *       day combined; {@link riposo.core.limit.Broken}: what passes a cap, as facts; {@link
 *       riposo.core.limit.Replacement}: what it takes to put one in the place of another
 *   <li>{@link riposo.core.limit.FloorWay}, {@link riposo.core.limit.WaySeen}: ways to the floor
 *       and those seen to go well
 *   <li>{@link riposo.core.limit.Condition}, {@link riposo.core.limit.Proposal}: defaults by
 *       condition
 * </ul>
 */
@NullMarked
package riposo.core.limit;

import org.jspecify.annotations.NullMarked;
