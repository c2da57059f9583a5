/** The catalogue at run time. */
@NullMarked
package riposo.server.movement;

import org.jspecify.annotations.NullMarked;
