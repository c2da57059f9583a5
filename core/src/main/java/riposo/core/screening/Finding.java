package riposo.core.screening;

import org.jspecify.annotations.Nullable;

/**
 * What an answer means.
 *
 * @param rule stable rule id
 * @param text one sentence to a colleague
 * @param source where the rule comes from
 * @param questionId the answer it rests on; null when it rests on several
 */
public record Finding(
    String rule, Outcome outcome, String text, String source, @Nullable String questionId) {}
