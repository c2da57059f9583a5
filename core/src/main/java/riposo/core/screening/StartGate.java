package riposo.core.screening;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** Whether a client may train at all today: what no reason given by anybody passes. */
public final class StartGate {
  private StartGate() {}

  /** What stands in the way, the first that holds. */
  public enum Bar {
    NOT_SCREENED("not-screened", "No screening on file: screen first."),
    CLEARANCE_ONLY("clearance-only", "Only a clearance opens this; no reason lifts it."),
    STOPPED_TODAY("stopped-today", "Stopped today: no session today."),
    UNDECIDED(
        "undecided", "Proposed limits are not decided yet: accept, change or decline each first.");

    public final String code;
    public final String sentence;

    Bar(String code, String sentence) {
      this.code = code;
      this.sentence = sentence;
    }
  }

  /**
   * A client who may not train.
   *
   * @param sentence what it means
   * @param why what stands open, at least one sentence
   */
  public record Closed(Bar bar, String sentence, List<String> why) {}

  /**
   * Why the client may not train; null when they may, perhaps with a reason.
   *
   * @param screened a screening is on file; without one nobody trains, whatever else is open
   * @param outcome the standing outcome; null when nothing is known
   * @param open findings of the standing line
   * @param undecided proposals not decided
   * @param stoppedToday the sentence of today's stop; null when there was none
   */
  public static @Nullable Closed closed(
      boolean screened,
      @Nullable Outcome outcome,
      List<Finding> open,
      int undecided,
      @Nullable String stoppedToday) {
    if (outcome == Outcome.CLEARANCE_ONLY) {
      return closed(Bar.CLEARANCE_ONLY, worst(open));
    }
    if (!screened || outcome == null) {
      return closed(Bar.NOT_SCREENED, List.of(Bar.NOT_SCREENED.sentence));
    }
    if (stoppedToday != null) {
      return closed(Bar.STOPPED_TODAY, List.of(stoppedToday));
    }
    return undecided > 0
        ? closed(
            Bar.UNDECIDED,
            List.of(
                undecided
                    + (undecided == 1 ? " proposed limit is" : " proposed limits are")
                    + " not decided yet."))
        : null;
  }

  private static Closed closed(Bar bar, List<String> why) {
    return new Closed(bar, bar.sentence, why);
  }

  /** The sentences of the findings with the worst outcome, each once. */
  public static List<String> worst(List<Finding> open) {
    Outcome worst =
        open.stream().map(Finding::outcome).max(Outcome::compareTo).orElse(Outcome.READY);
    return open.stream().filter(f -> f.outcome() == worst).map(Finding::text).distinct().toList();
  }
}
