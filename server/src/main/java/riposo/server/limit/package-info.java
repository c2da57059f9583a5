/** Limits of a client, with history. */
@NullMarked
package riposo.server.limit;

import org.jspecify.annotations.NullMarked;
