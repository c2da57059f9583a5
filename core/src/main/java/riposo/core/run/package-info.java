/** Run events and their fold to the state of a run. */
@NullMarked
package riposo.core.run;

import org.jspecify.annotations.NullMarked;
