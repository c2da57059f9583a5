/** Session plans. */
@NullMarked
package riposo.server.plan;

import org.jspecify.annotations.NullMarked;
