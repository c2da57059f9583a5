package riposo.core.screening;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * What an answer means.
 *
 * @param rule stable rule id
 * @param text one sentence to a colleague
 * @param source where the rule comes from
 * @param questionId the answer it rests on; null when it rests on several
 * @param since the day of the event behind it; null when not known or no event
 */
public record Finding(
    String rule,
    Outcome outcome,
    String text,
    String source,
    @Nullable String questionId,
    @Nullable LocalDate since) {
  public Finding(
      String rule, Outcome outcome, String text, String source, @Nullable String questionId) {
    this(rule, outcome, text, source, questionId, null);
  }
}
