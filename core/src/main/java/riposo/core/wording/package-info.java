/**
 * The one place where facts become sentences: {@link riposo.core.wording.Wording}, doses in {@link
 * riposo.core.wording.DoseWords}, verdicts in {@link riposo.core.wording.VerdictWords}, trends in
 * {@link riposo.core.wording.TrendWords}, check-ins in {@link riposo.core.wording.MorningWords},
 * rules in {@link riposo.core.wording.RuleBook}.
 */
@NullMarked
package riposo.core.wording;

import org.jspecify.annotations.NullMarked;
