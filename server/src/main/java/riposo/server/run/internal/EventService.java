package riposo.server.run.internal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import riposo.catalogue.RunDocument;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.RunState;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.Stamps;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import tools.jackson.databind.JsonNode;

/**
 * Takes in what devices and other modules tell of a run: each event once, in any order, and what
 * follows from a stop.
 */
@Service
@Transactional
class EventService {
  /** How one event was taken. */
  enum Reply {
    /** Stored now. */
    KEPT,
    /** Stored before. */
    KNOWN,
    /** Not stored, and never will be as it is. */
    REFUSED
  }

  /**
   * The answer to one event.
   *
   * @param index its place in what was sent
   * @param id null when it had none that can be read
   * @param why the sentence of a refusal; null otherwise
   * @param at the time it is kept under, where that is not the one that was sent; null otherwise
   */
  record Answered(
      int index, @Nullable UUID id, Reply reply, @Nullable String why, @Nullable Long at) {}

  /**
   * An answer for each event sent, and where the run stands now.
   *
   * @param now server time, ms since 1970 UTC
   */
  record Kept(List<Answered> answers, RunViews.RunStateView state, long now) {}

  /**
   * What was taken in, and what to tell the other modules: stops, and sets corrected after closing.
   */
  private record Taken(Kept kept, List<Object> told) {}

  private static final Logger LOG = LoggerFactory.getLogger(EventService.class);

  /** Events read from one request; a STOP is read wherever it stands. */
  private static final int AT_ONCE = 500;

  private final RunStore store;
  private final RunLog log;
  private final Json json;
  private final Audit audit;
  private final Studios studios;
  private final Stamps stamps;
  private final ApplicationEventPublisher publisher;
  private final TransactionTemplate transactions;

  EventService(
      RunStore store,
      RunLog log,
      Json json,
      Audit audit,
      Studios studios,
      Stamps stamps,
      ApplicationEventPublisher publisher,
      PlatformTransactionManager transactions) {
    this.store = store;
    this.log = log;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
    this.stamps = stamps;
    this.publisher = publisher;
    this.transactions = new TransactionTemplate(transactions);
  }

  /** Takes in what another module tells; a 409 problem where any of it is refused. */
  void record(UUID runId, List<RunEvent> events) {
    List<JsonNode> sent =
        events.stream().map(e -> json.read(RunDocument.write(e), JsonNode.class)).toList();
    Taken taken = take(runId, sent, null);
    taken.told().forEach(publisher::publishEvent);
    for (Answered a : taken.kept().answers()) {
      if (a.reply() == Reply.REFUSED) {
        throw Problems.refused("event-refused", String.valueOf(a.why()));
      }
    }
  }

  /**
   * Keeps each event once, whatever the order and however often it is sent, and answers one by one:
   * one that is refused never holds back the next. A STOP is always kept.
   *
   * @param clock what the device's clock says at the sending, in ms; null where it does not tell
   */
  @Transactional(propagation = Propagation.NOT_SUPPORTED)
  Kept events(UUID id, List<JsonNode> sent, @Nullable Long clock) {
    Taken taken = Objects.requireNonNull(transactions.execute(t -> take(id, sent, clock)));
    for (Object told : taken.told()) {
      // a stop is on file before anything is made of it: what fails here never takes it back
      try {
        transactions.executeWithoutResult(t -> publisher.publishEvent(told));
      } catch (RuntimeException e) {
        LOG.error("the verdicts of run {} could not be reached", id, e);
      }
    }
    return taken.kept();
  }

  private Taken take(UUID id, List<JsonNode> sent, @Nullable Long clock) {
    RunRow row = store.hold(id);
    RunSheet sheet = row.sheet();
    long begun = row.createdAt.toEpochMilli();
    Intake intake = new Intake(json, id, sheet, begun, studios.now().toEpochMilli(), clock);
    List<Intake.Read> read = sent.stream().map(intake::read).toList();
    Set<UUID> ids =
        read.stream().map(Intake.Read::id).filter(Objects::nonNull).collect(Collectors.toSet());
    Filing filing =
        new Filing(
            row, intake, studios.heldElsewhere("run_event", ids), new HashMap<>(log.known(ids)));
    List<Answered> answers = new ArrayList<>();
    for (int i = 0; i < read.size(); i++) {
      Intake.Read r = read.get(i);
      if (i >= AT_ONCE && !r.stop()) {
        String why = "At most " + AT_ONCE + " events at once: send it again.";
        answers.add(new Answered(i, r.id(), Reply.REFUSED, why, null));
      } else {
        answers.add(filing.file(i, r));
      }
    }
    boolean over = row.status.ended();
    RunState state = log.state(sheet, log.events(id));
    row.bring(state);
    if (!filing.kept.isEmpty()) {
      row.heardAt = studios.now();
      // a change decides which form the sets told after it are of
      if (filing.kept.stream()
          .anyMatch(e -> e instanceof RunEvent.Logged || e instanceof RunEvent.Changed)) {
        log.write(row, sheet.sets(state));
      }
    }
    Set<Object> told = new LinkedHashSet<>();
    Map<UUID, Boolean> closed = new HashMap<>();
    for (RunEvent e : filing.kept) {
      UUID of = e instanceof RunEvent.Logged l ? l.person() : null;
      if (of != null && closed.computeIfAbsent(of, p -> log.closed(id, p))) {
        told.add(new Runs.RunCorrected(id, of));
      }
      if (e instanceof RunEvent.Stop s) {
        for (UUID who : s.person() == null ? sheet.ids() : Set.of(s.person())) {
          told.add(new Runs.RunStopped(id, who));
          audit.changed("stopped", "run", id, panel(s), who);
        }
      }
    }
    // a stop is seen at once, whatever becomes of its verdicts; what comes in late, a pulse say,
    // changes what was worked out of a run that was over
    boolean stopped = filing.kept.stream().anyMatch(RunEvent.Stop.class::isInstance);
    if (stopped || over && !filing.kept.isEmpty()) {
      stamps.touch(sheet.ids());
    }
    store.flush();
    return new Taken(
        new Kept(answers, RunViews.RunStateView.of(state), studios.now().toEpochMilli()),
        List.copyOf(told));
  }

  private static String panel(RunEvent.Stop s) {
    return "stop panel: "
        + s.words()
        + (s.stamp().deviceAt() == null ? "" : "; the device's clock was wrong, server time");
  }

  /** Puts the events of one sending on file. */
  private final class Filing {
    private final RunRow run;
    private final Intake intake;
    private final Set<UUID> elsewhere;
    private final Map<UUID, EventRow> known;
    private final List<RunEvent> kept = new ArrayList<>();

    Filing(RunRow run, Intake intake, Set<UUID> elsewhere, Map<UUID, EventRow> known) {
      this.run = run;
      this.intake = intake;
      this.elsewhere = elsewhere;
      this.known = known;
    }

    Answered file(int index, Intake.Read r) {
      RunEvent e = r.event();
      if (e == null) {
        return new Answered(index, r.id(), Reply.REFUSED, r.refused(), null);
      }
      EventRow there = known.get(e.id());
      if (there != null && same(there, e, r.sent())) {
        return new Answered(index, e.id(), Reply.KNOWN, null, told(there));
      }
      if (there != null || elsewhere.contains(e.id())) {
        if (!r.stop()) {
          return new Answered(
              index,
              e.id(),
              Reply.REFUSED,
              there == null || !there.runId.equals(run.id)
                  ? "This event id belongs to another run."
                  : "Another event with this id is on file.",
              null);
        }
        // a stop is kept whatever its id, and once
        UUID other = intake.another(e.id() + "/" + r.sent());
        EventRow before = log.known(Set.of(other)).get(other);
        if (before != null) {
          return new Answered(index, e.id(), Reply.KNOWN, null, told(before));
        }
        return keep(index, e.id(), e.with(e.stamp().withId(other)), r.sent());
      }
      return keep(index, e.id(), e, r.sent());
    }

    private Answered keep(int index, UUID id, RunEvent e, String sent) {
      EventRow row = log.add(run.id, e, sent);
      known.put(row.id, row);
      kept.add(e);
      return new Answered(index, id, Reply.KEPT, null, told(row));
    }

    private boolean same(EventRow there, RunEvent e, String sent) {
      if (!there.runId.equals(run.id)) {
        return false;
      }
      // what older versions took was not kept as it was sent: it is compared as it was read
      return there.sent == null
          ? RunLog.event(there).with(e.stamp()).equals(e)
          : there.sent.equals(sent);
    }

    private @Nullable Long told(EventRow row) {
      return RunLog.event(row).stamp().deviceAt() == null ? null : (Long) row.at;
    }
  }
}
