/** Live sessions and their events. */
@NullMarked
package riposo.server.run;

import org.jspecify.annotations.NullMarked;
