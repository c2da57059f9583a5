package riposo.server.run;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.plan.Timeline;
import riposo.core.run.RunState;
import riposo.core.today.TodayCheck;
import riposo.server.adapt.AdaptedPlans.AdaptedView;

/** Runs, for the other modules. */
public interface Runs {
  /**
   * What was asked before the start.
   *
   * @param dose how today cuts the plan; null in runs from before it was asked
   * @param reasons why, with the professional's own where another dose was picked
   */
  record Today(
      @Nullable Integer painBefore,
      List<String> cautions,
      TodayCheck.@Nullable Dose dose,
      @Nullable List<String> reasons,
      @Nullable UUID checkId) {}

  /** A run with its folded state. */
  record Run(
      UUID id,
      long version,
      UUID clientId,
      UUID planId,
      String planName,
      LocalDate date,
      AdaptedView adapted,
      Today today,
      @Nullable String reason,
      RunState state,
      @Nullable Integer effortAfter,
      @Nullable String feel,
      @Nullable String note,
      @Nullable Integer minutes,
      boolean reviewed) {
    public Timeline timeline() {
      return adapted.timeline();
    }
  }

  Run require(UUID id);

  /** Checks today and starts a run; refuses like the screen does. */
  UUID start(UUID clientId, UUID planId, TodayCheck.Given given, @Nullable String reason);

  /** Stores events of a device. */
  void record(UUID runId, List<riposo.core.run.RunEvent> events);

  /** Closes a run with the words after it; feel is GOOD, SO_SO or POOR. */
  void close(UUID runId, int effort, String feel);

  /** A run without its plan and events. */
  record Summary(UUID id, UUID planId, LocalDate date, RunState.Status status, boolean closed) {
    /** Ended, by the clock or at the stop panel. */
    public boolean ended() {
      return status == RunState.Status.FINISHED || status == RunState.Status.STOPPED;
    }
  }

  /** All runs of a client in time order, in short. */
  List<Summary> summaries(UUID clientId);

  /** All runs of a client in time order. */
  List<Run> of(UUID clientId);

  /** Published inside the transaction that closes a run with its after-words. */
  record RunClosed(UUID runId, UUID clientId) {}

  /** Published inside the transaction that ends a run at the stop panel. */
  record RunStopped(UUID runId, UUID clientId) {}
}
