/**
 * The exact search for the nearest permitted alternative, and its reasons.
 *
 * <ul>
 *   <li>{@link riposo.core.adapt.Adapter}: one slot; {@link riposo.core.adapt.Cost} what a choice
 *       gives up, {@link riposo.core.adapt.Reach} what is harder than asked, {@link
 *       riposo.core.adapt.Rejection} why not
 *   <li>{@link riposo.core.adapt.PlanAdapter}: a plan; {@link riposo.core.adapt.Turn} what the
 *       session makes of a slot, {@link riposo.core.adapt.ClientOrder} an order with fewer trips;
 *       {@code Ceilings} how far each family may go, {@code SlotDoses} how much is done in a slot
 *   <li>{@link riposo.core.adapt.RestStretch}: what fills a rest; {@link
 *       riposo.core.adapt.BandGrip} where a band is gripped, alone or beside a weight; {@link
 *       riposo.core.adapt.UpperOption} what is above a slot for who can; {@link
 *       riposo.core.adapt.PlanKit} what a plan takes
 *   <li>{@link riposo.core.adapt.SlotOptions}: what else a slot may become while it runs, as {@link
 *       riposo.core.adapt.SlotOption}s
 *   <li>{@link riposo.core.adapt.SharedPlan}: a plan on the one clock of a group
 *   <li>{@link riposo.core.adapt.SessionFit}: what would fit a client's limit on the length
 *   <li>{@link riposo.core.adapt.ClientDay}: a client on a day, put together once
 *   <li>{@link riposo.core.adapt.Situation}, {@link riposo.core.adapt.Kitbag}, {@link
 *       riposo.core.adapt.Standing}, {@link riposo.core.adapt.Pin}: what holds for a client
 * </ul>
 */
@NullMarked
package riposo.core.adapt;

import org.jspecify.annotations.NullMarked;
