/** Session plans, the timeline compiler, checks and the contour. */
@NullMarked
package riposo.core.plan;

import org.jspecify.annotations.NullMarked;
