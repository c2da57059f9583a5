/** Verdicts per movement family from runs and check-ins. */
@NullMarked
package riposo.core.tolerance;

import org.jspecify.annotations.NullMarked;
