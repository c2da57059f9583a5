/** Axes, limits, their combination into caps, and the defaults proposed by condition. */
@NullMarked
package riposo.core.limit;

import org.jspecify.annotations.NullMarked;
