/** The exact search for the nearest permitted alternative, and its reasons. */
@NullMarked
package riposo.core.adapt;

import org.jspecify.annotations.NullMarked;
