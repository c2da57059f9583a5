/**
 * Verdicts per family and where they leave the client, for the others through {@link
 * riposo.server.tolerance.Verdicts}; {@link riposo.server.tolerance.Bookings} is what it asks the
 * calendar. Inside: {@code Reckoner} puts together what they are reckoned from, {@code
 * ToleranceService} reaches and keeps them, {@code DecisionService} the professional's word on
 * them, {@code Proposals} tells the desk and the run, {@code ToleranceViews}, {@code FamilyViews}
 * and {@code VerdictViews} show, {@code StandingReader} what stands now.
 */
@NullMarked
package riposo.server.tolerance;

import org.jspecify.annotations.NullMarked;
