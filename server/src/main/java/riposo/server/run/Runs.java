package riposo.server.run;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.plan.Block;
import riposo.core.plan.Timeline;
import riposo.core.run.DoneSet;
import riposo.core.run.RunEvent;
import riposo.core.run.RunState;
import riposo.core.run.StopSign;
import riposo.core.today.TodayCheck;
import riposo.server.adapt.AdaptedPlans;
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

  /**
   * A sign of the stop panel as shown.
   *
   * @param place this client's own come first
   */
  record SignView(
      String id,
      String words,
      String aid,
      String source,
      StopSign.After after,
      StopSign.Place place) {}

  /** A STOP said to have been tapped in error: when, by whom, why. */
  record Withdrawn(LocalDate on, String by, String reason) {}

  /**
   * One tap on the stop panel.
   *
   * @param at ms since 1970 UTC
   * @param time "10:32" in the studio's zone
   * @param aid what to do first, with its source
   * @param open it may still be withdrawn today
   */
  record StopView(
      UUID id,
      long at,
      String time,
      String words,
      StopSign.After after,
      String aid,
      String source,
      @Nullable Withdrawn withdrawn,
      boolean open) {}

  /**
   * A run with its folded state.
   *
   * @param stops every tap on the stop panel, earliest first
   * @param signs the panel's signs in this client's order; null where runs are listed
   */
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
      boolean reviewed,
      List<StopView> stops,
      @Nullable List<SignView> signs) {
    public Timeline timeline() {
      return adapted.timeline();
    }

    /**
     * The sets logged, each joined with what the run asked: what was rest, or of a slot the run has
     * not, is left out.
     */
    public List<DoneSet> sets() {
      return state.entries().stream().flatMap(e -> set(e).stream()).toList();
    }

    private Optional<DoneSet> set(RunEvent.Entry e) {
      return adapted.slots().stream()
          .filter(s -> s.key().equals(e.slotKey()) && s.block() == Block.WORK)
          .findFirst()
          .flatMap(s -> set(s, e));
    }

    private static Optional<DoneSet> set(AdaptedPlans.SlotView slot, RunEvent.Entry e) {
      AdaptedPlans.PartView part =
          slot.parts().stream()
              .filter(p -> p.side() == e.side() || p.side() == Side.BOTH)
              .findFirst()
              .orElse(slot.parts().get(0));
      String movement = part.movementId();
      String family = part.familyId();
      return movement == null || family == null
          ? Optional.empty()
          : Optional.of(
              new DoneSet(
                  e.slotKey(),
                  e.round(),
                  e.side(),
                  slot.askedId(),
                  movement,
                  family,
                  Set.copyOf(part.modifiers()),
                  part.range(),
                  e.grams() != null ? e.grams() : part.dose().grams(),
                  e.reps(),
                  part.dose().reps(),
                  e.effort(),
                  e.pain(),
                  e.painWhere(),
                  Boolean.TRUE.equals(e.formLost())));
    }

    /** Today's dose cut the session, or the stop panel ended it: no step towards more. */
    public boolean cut() {
      return today.dose() == TodayCheck.Dose.EASED
          || today.dose() == TodayCheck.Dose.SHORT
          || !stopped().isEmpty();
    }

    /** What the stop panel left behind, less what was withdrawn as tapped in error. */
    public Set<StopSign.After> stopped() {
      Set<UUID> withdrawn =
          stops.stream()
              .filter(s -> s.withdrawn() != null)
              .map(StopView::id)
              .collect(Collectors.toSet());
      return state.standing(withdrawn).stream()
          .map(RunState.Stop::after)
          .collect(Collectors.toUnmodifiableSet());
    }
  }

  Run require(UUID id);

  /** Checks today and starts a run; refuses like the screen does. */
  UUID start(UUID clientId, UUID planId, TodayCheck.Given given, @Nullable String reason);

  /** Stores events of a device; refuses all of them when one cannot be right. */
  void record(UUID runId, List<RunEvent> events);

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

  /** Published inside the transaction that keeps a STOP, or withdraws one. */
  record RunStopped(UUID runId, UUID clientId) {}
}
