/**
 * A made-up studio that shows every screen, for {@code ./riposo demo} and the browser tests; it is
 * not in the jar that {@code ./riposo start} serves.
 *
 * <ul>
 *   <li>{@link riposo.server.demo.DemoDocument}: the studio as demo/lanternfield.yaml tells it
 *   <li>{@link riposo.server.demo.DemoLoader}: puts it through the services the screens use, once
 * </ul>
 */
@NullMarked
package riposo.server.demo;

import org.jspecify.annotations.NullMarked;
