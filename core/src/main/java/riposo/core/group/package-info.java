/** Groups: lanes, kit sharing, who needs watching. */
@NullMarked
package riposo.core.group;

import org.jspecify.annotations.NullMarked;
