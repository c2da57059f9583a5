package riposo.core.screening;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Proposal;

/**
 * What a set of answers comes to, whole or half done.
 *
 * @param visible ids of the questions to ask given the answers so far
 * @param missing visible questions still without an answer that is wanted
 * @param errors a sentence for each answer that cannot be right, by question id
 * @param gestation weeks and days such as "24+3"; null when not pregnant
 * @param noProgression true when stepping up is ruled out for now
 * @param pressureReading true when a blood pressure reading is required before every run
 */
public record Assessment(
    Outcome standing,
    Outcome today,
    List<Finding> findings,
    List<Proposal> proposals,
    List<String> visible,
    List<String> missing,
    Map<String, String> errors,
    @Nullable String gestation,
    boolean noProgression,
    boolean pressureReading) {
  public boolean complete() {
    return missing.isEmpty() && errors.isEmpty();
  }
}
