/**
 * Verdicts per family and where they leave the client, for the others through {@link
 * riposo.server.tolerance.Verdicts}. Inside: {@code ToleranceService} reaches and keeps them,
 * {@code DecisionService} the professional's word on them, {@code ToleranceViews} shows, {@code
 * StandingReader} what stands now.
 */
@NullMarked
package riposo.server.tolerance;

import org.jspecify.annotations.NullMarked;
