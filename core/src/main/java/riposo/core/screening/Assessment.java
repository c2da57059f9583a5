package riposo.core.screening;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Condition;
import riposo.core.limit.Proposal;
import riposo.core.run.StopFor;

/**
 * What a set of answers comes to, whole or half done.
 *
 * @param notes what to keep in mind that no limit can say
 * @param visible ids of the questions to ask given the answers so far
 * @param missing visible questions still without an answer that is wanted
 * @param errors a sentence for each answer that cannot be right, by question id
 * @param gestation weeks and days such as "24+3"; null when not pregnant
 * @param maternity pregnant or within 6 weeks after birth: the maternity lines of blood pressure
 * @param noProgression true when stepping up is ruled out for now
 * @param readings readings required before every run
 * @param sugarRules which glucose lines apply
 * @param todayFacts what today's symptoms mean for this client
 * @param stopFor whose stop signs come first
 */
public record Assessment(
    Outcome standing,
    Outcome today,
    List<Finding> findings,
    List<Proposal> proposals,
    List<CareNote> notes,
    List<String> visible,
    List<String> missing,
    Map<String, String> errors,
    @Nullable String gestation,
    boolean maternity,
    boolean noProgression,
    Set<ReadingKind> readings,
    SugarRules sugarRules,
    PulseFacts pulse,
    Set<StopFor> stopFor,
    TodayFacts todayFacts) {

  /** Which glucose lines apply: type 1, a medicine that can bring a low, SGLT2. */
  public record SugarRules(boolean type1, boolean low, boolean sglt2) {
    public static final SugarRules NONE = new SugarRules(false, false, false);
  }

  /**
   * What there is to work around, in words, each once. An effort to keep to is a limit, nothing the
   * client has.
   */
  public List<String> conditions() {
    return Stream.concat(
            proposals.stream().map(Proposal::condition), notes.stream().map(CareNote::condition))
        .filter(c -> !c.equals(Condition.MODERATE_ONLY.words))
        .distinct()
        .toList();
  }

  public boolean complete() {
    return missing.isEmpty() && errors.isEmpty();
  }
}
