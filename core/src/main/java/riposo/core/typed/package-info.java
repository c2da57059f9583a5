/**
 * What is typed or sent, before anything is made of it: {@link riposo.core.typed.PlainText} texts,
 * {@link riposo.core.typed.Days} days.
 */
@NullMarked
package riposo.core.typed;

import org.jspecify.annotations.NullMarked;
