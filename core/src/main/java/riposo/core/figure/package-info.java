/** Line figures of postures and movements, from joint angles. */
@NullMarked
package riposo.core.figure;

import org.jspecify.annotations.NullMarked;
