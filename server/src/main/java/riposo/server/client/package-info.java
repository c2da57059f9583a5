/** Clients of a studio. */
@NullMarked
package riposo.server.client;

import org.jspecify.annotations.NullMarked;
