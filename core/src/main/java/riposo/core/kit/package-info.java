/** What is in a room or a home, what can stand in, and the grip on a band. */
@NullMarked
package riposo.core.kit;

import org.jspecify.annotations.NullMarked;
