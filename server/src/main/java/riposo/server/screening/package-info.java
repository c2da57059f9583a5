/**
 * Where a client stands: {@link riposo.server.screening.Readiness}, and today's checks: {@link
 * riposo.server.screening.TodayChecks}. Inside: {@code ScreeningService} takes a screening and
 * decides its proposals, {@code ScreeningViews} shows them, {@code ClearanceService} keeps
 * clearances and what happened, {@code LetterService} writes the letter, {@code StandingService}
 * puts it all together, {@code TodayService} the day's checks.
 */
@NullMarked
package riposo.server.screening;

import org.jspecify.annotations.NullMarked;
