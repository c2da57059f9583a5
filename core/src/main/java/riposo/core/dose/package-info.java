/**
 * Start dose, the weight held hand by hand ({@link riposo.core.dose.Held}), next load and the step
 * that is too big.
 */
@NullMarked
package riposo.core.dose;

import org.jspecify.annotations.NullMarked;
