package riposo.core.tolerance;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A verdict with its rule, source, the runs it rests on and the numbers that decided it.
 *
 * @param facts numbers by name, in a fixed order, for the sentence
 * @param noStep why a STAY is no STEP_UP although the repetitions are there; empty otherwise, and
 *     null in what was stored before
 */
public record Judgement(
    Verdict verdict,
    Rule rule,
    Map<String, Integer> facts,
    List<UUID> runs,
    Change change,
    @Nullable List<NoStep> noStep) {
  public Judgement {
    noStep = noStep == null ? List.of() : List.copyOf(noStep);
  }

  /** A verdict without reasons against a step. */
  public Judgement(
      Verdict verdict, Rule rule, Map<String, Integer> facts, List<UUID> runs, Change c) {
    this(verdict, rule, facts, runs, c, List.of());
  }

  /** Never null. */
  @Override
  public List<NoStep> noStep() {
    return noStep == null ? List.of() : noStep;
  }
}
