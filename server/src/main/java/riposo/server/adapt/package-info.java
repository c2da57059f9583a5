/**
 * Adapted plans, and the choices a professional makes in them. For the others: {@link
 * riposo.server.adapt.AdaptedPlans}, {@link riposo.server.adapt.ClientDays} (the one assembler of a
 * client's day), {@link riposo.server.adapt.CardSafety}; fed through {@link
 * riposo.server.adapt.StandingSource} and {@link riposo.server.adapt.TodaySource}. Inside: {@code
 * AdaptService} resolves and shows, {@code StairService} the stair and the choice on it, {@code
 * CompareService} what changes, {@code OpenService} and {@code WhoService} what is open to whom,
 * {@code CardPrint} the card.
 */
@NullMarked
package riposo.server.adapt;

import org.jspecify.annotations.NullMarked;
