/** Live sessions and their events, for the other modules through {@link riposo.server.run.Runs}. */
@NullMarked
package riposo.server.run;

import org.jspecify.annotations.NullMarked;
