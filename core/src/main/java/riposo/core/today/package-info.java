/** Today's readings and the three questions: what today allows, and today's dose. */
@NullMarked
package riposo.core.today;

import org.jspecify.annotations.NullMarked;
