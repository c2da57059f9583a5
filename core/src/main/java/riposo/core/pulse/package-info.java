/** Heart-rate guidance: maxima, ranges, caps, and the traps in reading them. */
@NullMarked
package riposo.core.pulse;

import org.jspecify.annotations.NullMarked;
