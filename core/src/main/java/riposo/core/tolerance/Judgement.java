package riposo.core.tolerance;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A verdict with its rule, source, the runs it rests on and the numbers that decided it.
 *
 * @param ways other changes that may be taken instead, the best first; of a STAY those that may be
 *     taken for a change after weeks of the same
 * @param noStep why a STAY is no STEP_UP although the repetitions are there; empty otherwise
 */
public record Judgement(
    Verdict verdict,
    Rule rule,
    Grounds grounds,
    List<UUID> runs,
    Change change,
    List<NoStep> noStep,
    List<Change> ways) {
  public Judgement {
    runs = List.copyOf(runs);
    noStep = List.copyOf(noStep);
    ways = List.copyOf(ways);
  }

  /** A verdict without reasons against a step. */
  public Judgement(Verdict verdict, Rule rule, Grounds grounds, List<UUID> runs, Change change) {
    this(verdict, rule, grounds, runs, change, List.of(), List.of());
  }

  /** The change of a kind, the proposed one or one of the others; null where there is none. */
  public @Nullable Change way(Change.Kind kind) {
    return change.kind() == kind
        ? change
        : ways.stream().filter(w -> w.kind() == kind).findFirst().orElse(null);
  }
}
