/** Adapted plans and pinned choices. */
@NullMarked
package riposo.server.adapt;

import org.jspecify.annotations.NullMarked;
