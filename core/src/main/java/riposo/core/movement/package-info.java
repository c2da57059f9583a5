/** Movements, their demands, families, modifiers and the catalogue. */
@NullMarked
package riposo.core.movement;

import org.jspecify.annotations.NullMarked;
