/** Units and scales: one constructor each that enforces the invariant. */
@NullMarked
package riposo.core.quantity;

import org.jspecify.annotations.NullMarked;
