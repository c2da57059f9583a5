/**
 * Today's readings and the three questions. {@link riposo.core.today.TodayCheck}: what one check
 * allows and its dose; {@link riposo.core.today.TodayDay}: the checks of a day together; {@link
 * riposo.core.today.CheckGate}: whether a run may start from one.
 */
@NullMarked
package riposo.core.today;

import org.jspecify.annotations.NullMarked;
