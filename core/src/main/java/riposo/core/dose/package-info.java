/** Start dose, next load and the step that is too big. */
@NullMarked
package riposo.core.dose;

import org.jspecify.annotations.NullMarked;
