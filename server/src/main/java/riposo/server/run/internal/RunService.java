package riposo.server.run.internal;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
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
import riposo.catalogue.EventDocument;
import riposo.catalogue.RunDocument;
import riposo.core.adapt.TodayDose;
import riposo.core.limit.Axis;
import riposo.core.limit.Broken;
import riposo.core.limit.Side;
import riposo.core.run.DoneRun;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.RunState;
import riposo.core.run.StartGate;
import riposo.core.screening.Finding;
import riposo.core.today.TodayCheck;
import riposo.core.wording.Wording;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.adapt.ClientDays;
import riposo.server.client.Clients;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;
import riposo.server.screening.TodayChecks;
import tools.jackson.databind.JsonNode;

/** Starting runs, taking in their events, closing them. */
@Service
@Transactional
class RunService implements Runs {
  /**
   * A start as asked for.
   *
   * @param id made by the device, so that the same start sent twice is one run; null where it is
   *     not
   */
  record Start(
      @Nullable UUID id,
      UUID clientId,
      UUID planId,
      @Nullable UUID checkId,
      TodayCheck.@Nullable Dose dose,
      @Nullable String reason,
      @Nullable UUID groupId) {}

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

  /** An answer for each event sent, and where the run stands now. */
  record Kept(List<Answered> answers, RunViews.RunStateView state) {}

  private static final Logger LOG = LoggerFactory.getLogger(RunService.class);

  /** Events read from one request; a STOP is read wherever it stands. */
  private static final int AT_ONCE = 500;

  private final RunStore store;
  private final PersonStore people;
  private final WithdrawalStore withdrawals;
  private final RunLog log;
  private final EntityManager em;
  private final AdaptedPlans adapted;
  private final Clients clients;
  private final Readiness readiness;
  private final ClientDays days;
  private final TodayChecks checks;
  private final Json json;
  private final Audit audit;
  private final Studios studios;
  private final ApplicationEventPublisher publisher;
  private final TransactionTemplate transactions;

  RunService(
      RunStore store,
      PersonStore people,
      WithdrawalStore withdrawals,
      RunLog log,
      EntityManager em,
      AdaptedPlans adapted,
      Clients clients,
      Readiness readiness,
      ClientDays days,
      TodayChecks checks,
      Json json,
      Audit audit,
      Studios studios,
      ApplicationEventPublisher publisher,
      PlatformTransactionManager transactions) {
    this.transactions = new TransactionTemplate(transactions);
    this.store = store;
    this.people = people;
    this.withdrawals = withdrawals;
    this.log = log;
    this.em = em;
    this.adapted = adapted;
    this.clients = clients;
    this.readiness = readiness;
    this.days = days;
    this.checks = checks;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
    this.publisher = publisher;
  }

  static RunSheet sheet(RunRow row) {
    return RunDocument.sheet(row.sheet);
  }

  @Override
  @Transactional(readOnly = true)
  public void require(UUID id) {
    row(id);
  }

  private RunRow row(UUID id) {
    return store.require(id, "run");
  }

  private RunRow lock(UUID id) {
    return store.lock(id).orElseThrow(() -> Problems.notFound("run", id));
  }

  /** Starts a run, or finds the one that this start made before. */
  RunRow start(Start body) {
    clients.hold(body.clientId());
    RunRow before = body.id() == null ? null : again(body.id(), body);
    if (before != null) {
      return before;
    }
    clients.requireActive(body.clientId());
    boolean inGroup = body.groupId() != null;
    StartGate.Who who = readiness.of(body.clientId()).who();
    StartGate.Closed closed = inGroup ? StartGate.withGroup(who) : StartGate.closed(who);
    if (closed != null) {
      throw refused(closed);
    }
    notWhileOneIsOpen(body.clientId());
    String reason = body.reason() == null || body.reason().isBlank() ? null : body.reason().trim();
    StartGate.Wish wish = new StartGate.Wish(body.dose(), reason != null);
    TodayChecks.Checked checked = checks.require(body.clientId(), body.checkId());
    TodayCheck.Result result = checked.result();
    TodayCheck.Dose wanted = StartGate.dose(result, wish);
    AdaptedPlans.Ready ready =
        adapted.ready(
            body.clientId(),
            body.planId(),
            studios.today(),
            new TodayDose(wanted, result.effortCap(), result.noLongHolds(), result.wobbly()));
    StartGate.Session session =
        new StartGate.Session(
            ready.sheet().timeline().total(),
            ready.problems(),
            ready.strength(),
            tooOften(body.clientId()));
    StartGate.Answer answer = StartGate.start(who, inGroup, result, session, wish);
    if (answer instanceof StartGate.Shut shut) {
      throw refused(shut.closed());
    }
    return begin(body, ((StartGate.Open) answer).dose(), checked, ready.sheet(), reason);
  }

  private static Problems refused(StartGate.Closed closed) {
    return Problems.refused(closed.bar().code, closed.sentence(), closed.why());
  }

  /**
   * The run this very start made before: the same plan, client, check and dose picked. Null when it
   * made none yet. One that asks for something else never gets what was asked for before.
   */
  private @Nullable RunRow again(UUID id, Start body) {
    RunRow row = store.findById(id).orElse(null);
    boolean same =
        row != null
            && row.planId.equals(body.planId())
            && people.findByRunId(id).stream()
                .anyMatch(
                    p ->
                        p.clientId.equals(body.clientId())
                            && Objects.equals(p.checkId, body.checkId())
                            && p.picked == body.dose());
    if (row != null && !same || !studios.heldElsewhere("run", Set.of(id)).isEmpty()) {
      notWhileOneIsOpen(body.clientId());
      throw Problems.refused("id-taken", "This start is another run's; start again.");
    }
    return row;
  }

  /** Refuses a second run while one is open, with the way back into it. */
  private void notWhileOneIsOpen(UUID clientId) {
    for (RunRow open : people.open(clientId)) {
      if (!StartGate.leftOpen(open.heardAt, studios.now())) {
        throw Problems.refused(
            StartGate.Bar.RUN_OPEN.code,
            StartGate.Bar.RUN_OPEN.sentence,
            Map.of("run", open.id.toString(), "planName", open.planName));
      }
      endLeftOpen(open.id);
    }
  }

  private RunRow begin(
      Start body,
      TodayCheck.Dose dose,
      TodayChecks.Checked checked,
      RunSheet sheet,
      @Nullable String reason) {
    TodayCheck.Result result = checked.result();
    RunRow row = new RunRow();
    row.id = body.id() == null ? row.id : body.id();
    row.createdAt = studios.now();
    row.heardAt = row.createdAt;
    row.planId = body.planId();
    row.planName = sheet.planName();
    row.onDate = studios.today();
    row.sheet = RunDocument.write(sheet);
    em.persist(row);
    em.flush();
    List<String> reasons = new ArrayList<>(result.doseReasons());
    if (dose != result.dose()) {
      reasons.add("Picked: " + StartGate.words(dose) + (reason == null ? "" : ", " + reason) + ".");
    }
    PersonRow person = new PersonRow();
    person.createdAt = row.createdAt;
    person.runId = row.id;
    person.clientId = body.clientId();
    person.onDate = row.onDate;
    person.checkId = checked.id();
    person.reason = reason;
    person.painBefore = checked.pain();
    person.dose = dose;
    person.picked = body.dose();
    person.told =
        json.write(
            new RunViews.Told(result.findings().stream().map(Finding::text).toList(), reasons));
    person.effortCap = sheet.people().get(0).effortCap();
    people.saveAndFlush(person);
    audit.changed(
        "started",
        "run",
        row.id,
        row.planName + ", " + StartGate.words(dose) + (reason == null ? "" : ", reason: " + reason),
        body.clientId());
    return row;
  }

  /** Limits on sessions a week that one more session in seven days would break. */
  private List<StartGate.Week> tooOften(UUID clientId) {
    LocalDate today = studios.today();
    long week = people.countByClientIdAndOnDateAfter(clientId, today.minusDays(7));
    int[] demand = new int[Axis.CELLS];
    demand[Axis.SESSION_WEEK.cell(Side.BOTH)] = (int) week + 1;
    return Broken.of(days.of(clientId, today).caps(), demand).stream()
        .map(b -> new StartGate.Week(b, "This week " + Wording.broken(List.of(b)).get(0) + "."))
        .toList();
  }

  @Override
  public void endLeftOpen() {
    store.silent(studios.now().minus(StartGate.LEFT_OPEN)).forEach(this::endLeftOpen);
  }

  private void endLeftOpen(UUID id) {
    RunRow row = lock(id);
    if (row.status.ended() || !StartGate.leftOpen(row.heardAt, studios.now())) {
      return; // something was heard of it meanwhile
    }
    List<RunEvent> events = log.events(id);
    RunEvent end = RunState.leftOpen(id, events, row.createdAt.toEpochMilli());
    log.add(id, end, null);
    RunSheet sheet = sheet(row);
    bring(row, log.state(sheet, log.events(id)));
    sheet
        .ids()
        .forEach(
            who ->
                audit.changed(
                    "ended", "run", id, "left open: nothing was heard of it for 12 h", who));
    store.flush();
  }

  /** Brings a run to where its events leave it. */
  private static void bring(RunRow row, RunState state) {
    row.status = state.status();
    row.leftOpen = state.leftOpen();
    if (state.endedAt() != null) {
      row.minutes = (int) Math.round(state.activeMs() / 60000.0);
    }
  }

  @Override
  public UUID start(UUID clientId, UUID planId, TodayCheck.Given given, @Nullable String reason) {
    UUID check = checks.check(clientId, given);
    return start(new Start(null, clientId, planId, check, null, reason, null)).id;
  }

  @Override
  public void record(UUID runId, List<RunEvent> events) {
    List<JsonNode> sent =
        events.stream().map(e -> json.read(RunDocument.write(e), JsonNode.class)).toList();
    Taken taken = take(runId, sent, null);
    taken.stopped().forEach(publisher::publishEvent);
    for (Answered a : taken.kept().answers()) {
      if (a.reply() == Reply.REFUSED) {
        throw Problems.refused("event-refused", String.valueOf(a.why()));
      }
    }
  }

  /** What was taken in, and what to tell the other modules where a stop was among it. */
  private record Taken(Kept kept, List<RunStopped> stopped) {}

  /**
   * Keeps each event once, whatever the order and however often it is sent, and answers one by one:
   * one that is refused never holds back the next. A STOP is always kept.
   *
   * @param clock what the device's clock says at the sending, in ms; null where it does not tell
   */
  @Transactional(propagation = Propagation.NOT_SUPPORTED)
  public Kept events(UUID id, List<JsonNode> sent, @Nullable Long clock) {
    Taken taken = Objects.requireNonNull(transactions.execute(t -> take(id, sent, clock)));
    for (RunStopped stopped : taken.stopped()) {
      // a stop is on file before anything is made of it: what fails here never takes it back
      try {
        transactions.executeWithoutResult(t -> publisher.publishEvent(stopped));
      } catch (RuntimeException e) {
        LOG.error("the verdicts after a stop of run {} could not be reached", id, e);
      }
    }
    return taken.kept();
  }

  private Taken take(UUID id, List<JsonNode> sent, @Nullable Long clock) {
    RunRow row = lock(id);
    RunSheet sheet = sheet(row);
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
    RunState state = log.state(sheet, log.events(id));
    bring(row, state);
    if (!filing.kept.isEmpty()) {
      row.heardAt = studios.now();
      if (filing.kept.stream().anyMatch(RunEvent.Logged.class::isInstance)) {
        log.write(row, sheet.sets(state));
      }
    }
    List<RunStopped> stopped = new ArrayList<>();
    for (RunEvent e : filing.kept) {
      if (e instanceof RunEvent.Stop s) {
        for (UUID who : s.person() == null ? sheet.ids() : Set.of(s.person())) {
          stopped.add(new RunStopped(id, who));
          audit.changed("stopped", "run", id, panel(s), who);
        }
      }
    }
    store.flush();
    return new Taken(
        new Kept(answers, RunViews.RunStateView.of(state)), stopped.stream().distinct().toList());
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

  /**
   * Keeps the words after a run.
   *
   * @param clientId whose words; null where the run has one person
   */
  RunRow close(UUID id, @Nullable UUID clientId, int effort, String feel, @Nullable String note) {
    RunRow row = lock(id);
    if (!row.status.ended()) {
      throw Problems.refused("not-finished", "The run is not finished yet.");
    }
    List<PersonRow> all = people.findByRunId(id);
    PersonRow person =
        all.stream()
            .filter(p -> clientId == null ? all.size() == 1 : p.clientId.equals(clientId))
            .findFirst()
            .orElseThrow(() -> Problems.field("/clientId", "Say whose words these are."));
    if (person.closed()) {
      throw Problems.refused("already-closed", "The words after this run are on file already.");
    }
    person.effortAfter = effort;
    person.feel = feel;
    person.note = note;
    people.saveAndFlush(person);
    audit.changed(
        "closed",
        "run",
        id,
        "effort " + effort + ", " + feel + ", by " + StudioContext.who(),
        person.clientId);
    publisher.publishEvent(new RunClosed(id, person.clientId));
    return row;
  }

  @Override
  public void close(UUID runId, int effort, String feel) {
    close(runId, null, effort, feel, null);
  }

  @Override
  @Transactional(readOnly = true)
  public RunSheet sheet(UUID id) {
    return sheet(row(id));
  }

  @Override
  @Transactional(readOnly = true)
  public RunState state(UUID id) {
    return log.state(sheet(row(id)), log.events(id));
  }

  /** All runs of a client in time order, in short; a 404 problem where there is no such client. */
  @Transactional(readOnly = true)
  List<Summary> of(UUID clientId) {
    clients.require(clientId);
    return summaries(clientId);
  }

  /** The events of a run as documents, in the order they are folded. */
  @Transactional(readOnly = true)
  List<EventDocument> events(UUID id) {
    require(id);
    return log.events(id).stream().map(EventDocument::of).toList();
  }

  @Override
  @Transactional(readOnly = true)
  public List<Summary> summaries(UUID clientId) {
    return people.summaries(clientId);
  }

  @Override
  @Transactional(readOnly = true)
  public List<Summary> unclosed() {
    return people.unclosed();
  }

  @Override
  @Transactional(readOnly = true)
  public List<DoneRun> history(UUID clientId) {
    Map<UUID, List<EventRow>> stops =
        log.stops(clientId).stream().collect(Collectors.groupingBy(r -> r.runId));
    Set<UUID> withdrawn =
        withdrawals.findByClientId(clientId).stream()
            .map(w -> w.eventId)
            .collect(Collectors.toSet());
    var sets = log.sets(clientId);
    return people.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId).stream()
        .map(
            p ->
                new DoneRun(
                    p.runId,
                    p.onDate,
                    p.painBefore,
                    p.dose,
                    p.effortCap,
                    RunViews.standing(stops.getOrDefault(p.runId, List.of()), withdrawn),
                    sets.getOrDefault(p.runId, List.of())))
        .toList();
  }
}
