/**
 * Tolerance over time. {@link riposo.core.tolerance.History} sorts runs and check-ins ({@link
 * riposo.core.tolerance.NextDay}) into {@link riposo.core.tolerance.FamilySession}s, {@link
 * riposo.core.tolerance.Tolerance} judges them by {@link riposo.core.tolerance.Rule} in the
 * client's {@link riposo.core.tolerance.School} to a {@link riposo.core.tolerance.Judgement}: a
 * {@link riposo.core.tolerance.Verdict}, its {@link riposo.core.tolerance.Grounds}, one {@link
 * riposo.core.tolerance.Change}, and {@link riposo.core.tolerance.NoStep} where it is no step up.
 * {@link riposo.core.tolerance.Level} is where a session leaves the weight side by side, {@link
 * riposo.core.tolerance.Steps} are what is open from here, {@link riposo.core.tolerance.Overriding}
 * what a decision of one's own comes to, {@link riposo.core.tolerance.Rejudging} what becomes of a
 * verdict when its run is judged again, {@link riposo.core.tolerance.Leaves} where a decision
 * leaves the family, {@link riposo.core.tolerance.Aftermath} how it went after one against the
 * verdict.
 */
@NullMarked
package riposo.core.tolerance;

import org.jspecify.annotations.NullMarked;
