/** Studio context, ownership, problems, audit, clock, JSON columns. */
@NullMarked
package riposo.server.platform;

import org.jspecify.annotations.NullMarked;
