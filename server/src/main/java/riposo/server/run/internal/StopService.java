package riposo.server.run.internal;

import jakarta.persistence.EntityManager;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.plan.Segment;
import riposo.core.run.RunEvent;
import riposo.core.run.RunState;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;

/**
 * Taps on the stop panel: what they say to the other modules, and the withdrawal of one. What
 * follows from a STOP follows from its event being there, never from how the run stands.
 */
@RestController
@RequestMapping(value = "/api/runs/{runId}/stops", produces = "application/json")
@Transactional
class StopService implements Readiness.StopEvents {
  /** Why a tap was an error. */
  record Error(
      @NotBlank(message = "Say how it came to be tapped.")
          @Size(max = 400, message = "At most 400 characters.")
          String reason) {}

  private static final String STOP = RunEvent.Kind.STOP.name();

  private final RunStore store;
  private final RunService runs;
  private final WithdrawalStore withdrawals;
  private final EntityManager em;
  private final Json json;
  private final Audit audit;
  private final Studios studios;
  private final ApplicationEventPublisher publisher;

  StopService(
      RunStore store,
      RunService runs,
      WithdrawalStore withdrawals,
      EntityManager em,
      Json json,
      Audit audit,
      Studios studios,
      ApplicationEventPublisher publisher) {
    this.store = store;
    this.runs = runs;
    this.withdrawals = withdrawals;
    this.em = em;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
    this.publisher = publisher;
  }

  /**
   * Withdraws one STOP as tapped in error, with a reason and on its own day only. The run stays
   * ended and the sign is kept; only what this STOP closed opens again.
   */
  @PostMapping("/{eventId}/withdrawal")
  Runs.Run withdraw(
      @PathVariable UUID runId, @PathVariable UUID eventId, @Valid @RequestBody Error body) {
    RunRow run = store.lock(runId).orElseThrow(() -> Problems.notFound("run", runId));
    EventRow stop = em.find(EventRow.class, eventId);
    if (stop == null || !stop.runId.equals(runId) || !stop.kind.equals(STOP)) {
      throw Problems.notFound("stop of this run", eventId);
    }
    if (withdrawals.findByRunId(runId).stream().anyMatch(w -> w.eventId.equals(eventId))) {
      throw Problems.refused("already-withdrawn", "This stop was withdrawn already.");
    }
    if (!studios.day(stop.moment()).equals(studios.today())) {
      throw Problems.refused(
          "too-late",
          "A tap in error can be withdrawn on its own day only; now a recorded word opens this.");
    }
    WithdrawalRow row = new WithdrawalRow();
    row.createdAt = studios.now();
    row.clientId = run.clientId;
    row.runId = runId;
    row.eventId = eventId;
    row.onDate = studios.today();
    row.by = StudioContext.who();
    row.reason = body.reason().trim();
    withdrawals.saveAndFlush(row);
    audit.changed(
        "withdrew",
        "stop",
        eventId,
        "tapped in error: " + row.reason + "; the sign was " + sign(stop).words(),
        run.clientId);
    publisher.publishEvent(new Runs.RunStopped(runId, run.clientId));
    return runs.show(runId);
  }

  private RunState.Stop sign(EventRow r) {
    return RunState.fold(List.of(), List.of(json.read(r.body, RunEvent.class)), r.at)
        .stops()
        .get(0);
  }

  @Override
  public List<Readiness.Stopped> stops(UUID clientId) {
    List<EventRow> rows =
        em.createQuery(
                "select e from RunEvent e join Run r on r.id = e.runId"
                    + " where r.clientId = :client and e.kind = :stop order by e.at, e.seq",
                EventRow.class)
            .setParameter("client", clientId)
            .setParameter("stop", STOP)
            .getResultList();
    if (rows.isEmpty()) {
      return List.of();
    }
    Set<UUID> withdrawn =
        withdrawals.findByClientId(clientId).stream()
            .map(w -> w.eventId)
            .collect(Collectors.toSet());
    return rows.stream()
        .filter(r -> !withdrawn.contains(r.id))
        .map(
            r -> {
              RunState.Stop s = sign(r);
              return new Readiness.Stopped(
                  r.runId, r.id, studios.day(r.moment()), r.moment(), s.words(), s.after());
            })
        .toList();
  }

  @Override
  public @Nullable String during(Readiness.Stopped stopped) {
    RunRow run = store.require(stopped.runId(), "run");
    AdaptedPlans.AdaptedView view = json.read(run.adapted, AdaptedPlans.AdaptedView.class);
    long at = em.find(EventRow.class, stopped.eventId()).at;
    List<Segment> segments = view.timeline().segments();
    RunState then =
        RunState.fold(
            segments,
            runs.list(run.id).stream()
                .filter(e -> e.at() <= at && e.kind() != RunEvent.Kind.STOP)
                .toList(),
            at);
    if (then.startedAt() == null) {
      return null;
    }
    return segments.stream()
        .filter(g -> then.positionMs() < g.endExclusive() * 1000L)
        .findFirst()
        .flatMap(g -> view.slots().stream().filter(s -> s.key().equals(g.slotKey())).findFirst())
        .map(AdaptedPlans.SlotView::title)
        .orElse(null);
  }
}
