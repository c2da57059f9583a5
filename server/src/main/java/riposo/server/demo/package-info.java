/** The made-up studio that shows every screen. */
@NullMarked
package riposo.server.demo;

import org.jspecify.annotations.NullMarked;
