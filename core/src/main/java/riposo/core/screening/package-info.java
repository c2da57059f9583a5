/** Questions, answers, findings, outcome, today's readings and pregnancy dates. */
@NullMarked
package riposo.core.screening;

import org.jspecify.annotations.NullMarked;
