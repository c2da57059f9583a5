/** The day sheet and appointments. */
@NullMarked
package riposo.server.day;

import org.jspecify.annotations.NullMarked;
