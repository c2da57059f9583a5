/**
 * The one place where facts become sentences: {@link riposo.core.wording.Wording}, doses in {@link
 * riposo.core.wording.DoseWords}, rules in {@link riposo.core.wording.RuleBook}.
 */
@NullMarked
package riposo.core.wording;

import org.jspecify.annotations.NullMarked;
