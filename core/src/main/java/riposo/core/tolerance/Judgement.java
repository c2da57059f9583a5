package riposo.core.tolerance;

import java.util.List;
import java.util.UUID;

/**
 * A verdict with its rule, source, the runs it rests on and the numbers that decided it.
 *
 * @param noStep why a STAY is no STEP_UP although the repetitions are there; empty otherwise
 */
public record Judgement(
    Verdict verdict,
    Rule rule,
    Grounds grounds,
    List<UUID> runs,
    Change change,
    List<NoStep> noStep) {
  public Judgement {
    runs = List.copyOf(runs);
    noStep = List.copyOf(noStep);
  }

  /** A verdict without reasons against a step. */
  public Judgement(Verdict verdict, Rule rule, Grounds grounds, List<UUID> runs, Change change) {
    this(verdict, rule, grounds, runs, change, List.of());
  }
}
