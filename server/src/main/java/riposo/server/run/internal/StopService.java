package riposo.server.run.internal;

import jakarta.persistence.EntityManager;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.plan.Segment;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.RunState;
import riposo.core.wording.Wording;
import riposo.server.platform.Audit;
import riposo.server.platform.Problems;
import riposo.server.platform.ReadAhead;
import riposo.server.platform.RowsOf;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;

/**
 * Taps on the stop panel: what they say to the other modules, and the withdrawal of one. What
 * follows from a STOP follows from its event being there, never from how the run stands.
 */
@Service
@Transactional
class StopService implements Readiness.StopEvents, ReadAhead.Part {
  /** Why a tap was an error. */
  record Error(
      @NotBlank(message = "Say how it came to be tapped.")
          @Size(max = 400, message = "At most 400 characters.")
          String reason) {}

  private final RunStore store;
  private final PersonStore people;
  private final RunViews views;
  private final RunLog log;
  private final WithdrawalStore withdrawals;
  private final EntityManager em;
  private final Audit audit;
  private final Studios studios;
  private final ApplicationEventPublisher publisher;
  private final RowsOf<WithdrawalRow> withdrawn;
  private final RowsOf<Runs.Trained> trained;

  StopService(
      RunStore store,
      PersonStore people,
      RunViews views,
      RunLog log,
      WithdrawalStore withdrawals,
      EntityManager em,
      Audit audit,
      Studios studios,
      ApplicationEventPublisher publisher) {
    this.store = store;
    this.people = people;
    this.views = views;
    this.log = log;
    this.withdrawals = withdrawals;
    this.em = em;
    this.audit = audit;
    this.studios = studios;
    this.publisher = publisher;
    this.withdrawn = new RowsOf<>(withdrawals::findByClientIdIn, w -> w.clientId);
    this.trained = new RowsOf<>(people::trained, Runs.Trained::clientId);
  }

  @Override
  public @Nullable LocalDate lastSession(UUID clientId) {
    return trained.of(clientId).stream().map(Runs.Trained::newest).findFirst().orElse(null);
  }

  @Override
  public void readAhead(Collection<UUID> clients, ReadAhead.For what) {
    log.stopsAhead(clients);
    withdrawn.ahead(clients);
    trained.ahead(clients);
  }

  /**
   * Withdraws one STOP as tapped in error, with a reason and on its own day only. The run stays
   * ended and the sign is kept; only what this STOP closed opens again.
   */
  RunViews.RunView withdraw(UUID runId, UUID eventId, Error body) {
    RunRow run = store.lock(runId).orElseThrow(() -> Problems.notFound("run", runId));
    EventRow row = em.find(EventRow.class, eventId);
    if (row == null
        || !row.runId.equals(runId)
        || !(RunLog.event(row) instanceof RunEvent.Stop stop)) {
      throw Problems.notFound("stop of this run", eventId);
    }
    if (withdrawals.findByRunId(runId).stream().anyMatch(w -> w.eventId.equals(eventId))) {
      throw Problems.refused("already-withdrawn", "This stop was withdrawn already.");
    }
    if (!studios.day(row.moment()).equals(studios.today())) {
      throw Problems.refused(
          "too-late",
          "A tap in error can be withdrawn on its own day only; now a recorded word opens this.");
    }
    for (UUID client : stop.person() == null ? run.sheet().ids() : Set.of(stop.person())) {
      WithdrawalRow w = new WithdrawalRow();
      w.createdAt = studios.now();
      w.clientId = client;
      w.runId = runId;
      w.eventId = eventId;
      w.onDate = studios.today();
      w.by = StudioContext.who();
      w.reason = body.reason().trim();
      withdrawals.saveAndFlush(w);
      audit.changed(
          "withdrew",
          "stop",
          eventId,
          "tapped in error: " + w.reason + "; the sign was " + stop.words(),
          client);
      publisher.publishEvent(new Runs.RunStopped(runId, client));
    }
    return views.view(run);
  }

  @Override
  public List<Readiness.Stopped> stops(UUID clientId) {
    List<EventRow> rows = log.stops(clientId);
    if (rows.isEmpty()) {
      return List.of();
    }
    Set<UUID> withdrawn =
        this.withdrawn.of(clientId).stream().map(w -> w.eventId).collect(Collectors.toSet());
    return rows.stream()
        .filter(r -> !withdrawn.contains(r.id))
        .map(
            r -> {
              RunEvent.Stop s = (RunEvent.Stop) RunLog.event(r);
              return new Readiness.Stopped(
                  r.runId, r.id, studios.day(r.moment()), r.moment(), s.words(), s.after());
            })
        .toList();
  }

  @Override
  public @Nullable String during(Readiness.Stopped stopped) {
    RunSheet sheet = store.require(stopped.runId(), "run").sheet();
    EventRow event = em.find(EventRow.class, stopped.eventId());
    long at = event.at;
    UUID whose = event.personId == null ? sheet.people().get(0).id() : event.personId;
    List<Segment> segments = sheet.timeline().segments();
    RunState then =
        RunState.fold(
            segments,
            sheet.ids(),
            log.events(stopped.runId()).stream()
                .filter(e -> e.at() <= at && !(e instanceof RunEvent.Stop))
                .toList(),
            at);
    if (then.startedAt() == null) {
      return null;
    }
    return segments.stream()
        .filter(g -> then.positionMs() < g.endExclusive() * 1000L)
        .findFirst()
        .flatMap(g -> sheet.person(whose).flatMap(p -> p.slot(g.slotKey())))
        .map(
            s ->
                s.parts().stream()
                    .map(p -> Wording.side(p.form().side()) + Wording.form(p.form()))
                    .collect(Collectors.joining("; ")))
        .orElse(null);
  }
}
