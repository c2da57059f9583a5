/** Verdicts per family and where they leave the client. */
@NullMarked
package riposo.server.tolerance;

import org.jspecify.annotations.NullMarked;
