/** The one place where facts become sentences. */
@NullMarked
package riposo.core.wording;

import org.jspecify.annotations.NullMarked;
