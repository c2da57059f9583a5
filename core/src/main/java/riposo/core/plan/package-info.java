/**
 * Session plans and the clock they compile to.
 *
 * <ul>
 *   <li>{@link riposo.core.plan.SessionPlan} of {@link riposo.core.plan.PlanBlock}s, each in a
 *       {@link riposo.core.plan.Format}, of {@link riposo.core.plan.Slot}s; {@link
 *       riposo.core.plan.Sides} how the sides of one come, {@link riposo.core.plan.Stage} a part of
 *       a staged set
 *   <li>{@link riposo.core.plan.PlanFault}: what a format or a movement cannot hold, refused;
 *       {@link riposo.core.plan.PlanCheck}: what is remarked, {@link riposo.core.plan.PlanFix} its
 *       mend
 *   <li>{@link riposo.core.plan.Timeline} of {@link riposo.core.plan.Segment}s, compiled from
 *       {@link riposo.core.plan.Station}s: everything on screen, on the card and in the run reads
 *       it; {@link riposo.core.plan.PlanTotals} what it adds up to
 *   <li>{@link riposo.core.plan.BlockOrder}: the best order of a block
 * </ul>
 */
@NullMarked
package riposo.core.plan;

import org.jspecify.annotations.NullMarked;
