/** Screenings, decisions on proposals, clearances, the standing outcome. */
@NullMarked
package riposo.server.screening;

import org.jspecify.annotations.NullMarked;
