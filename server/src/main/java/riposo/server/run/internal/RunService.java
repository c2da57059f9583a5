package riposo.server.run.internal;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.catalogue.EventDocument;
import riposo.catalogue.RunDocument;
import riposo.core.adapt.TodayDose;
import riposo.core.limit.Axis;
import riposo.core.limit.Broken;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.run.AfterSymptom;
import riposo.core.run.DoneRun;
import riposo.core.run.OwnTime;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.RunState;
import riposo.core.run.Stamp;
import riposo.core.run.StartGate;
import riposo.core.run.WorkPulses;
import riposo.core.screening.Finding;
import riposo.core.today.TodayCheck;
import riposo.core.trend.Trend;
import riposo.core.typed.Days;
import riposo.core.wording.Wording;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.adapt.ClientDays;
import riposo.server.client.Clients;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Owned;
import riposo.server.platform.Paged;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;
import riposo.server.screening.TodayChecks;

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

  private final EventService events;
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
      EventService events) {
    this.events = events;
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

  @Override
  @Transactional(readOnly = true)
  public void require(UUID id) {
    row(id);
  }

  private RunRow row(UUID id) {
    return store.require(id, "run");
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
    Admitted in =
        admitted(new Joining(body.clientId(), body.checkId(), body.dose(), body.reason()), inGroup);
    AdaptedPlans.Ready ready =
        adapted.ready(body.clientId(), body.planId(), studios.today(), in.today());
    TodayCheck.Dose dose =
        judge(in, inGroup, ready.sheet().timeline().total(), ready.problems(), ready.strength());
    RunRow row = begin(body.id() == null ? Owned.newId() : body.id(), ready.sheet());
    add(row, in, ready.sheet().people().get(0), dose);
    return row;
  }

  @Override
  public Admitted admit(Joining who) {
    clients.hold(who.clientId());
    clients.requireActive(who.clientId());
    return admitted(who, true);
  }

  private Admitted admitted(Joining j, boolean inGroup) {
    StartGate.Who who = readiness.of(j.clientId()).who();
    StartGate.Closed closed = inGroup ? StartGate.withGroup(who) : StartGate.closed(who);
    if (closed != null) {
      throw refused(closed);
    }
    notWhileOneIsOpen(j.clientId());
    TodayChecks.Checked checked = checks.require(j.clientId(), j.checkId());
    TodayCheck.Result result = checked.result();
    TodayCheck.Dose wanted = StartGate.dose(result, wish(j));
    return new Admitted(
        j,
        checked,
        new TodayDose(wanted, result.effortCap(), result.noLongHolds(), result.wobbly()));
  }

  private static @Nullable String reason(Joining j) {
    return j.reason() == null || j.reason().isBlank() ? null : j.reason().trim();
  }

  private static StartGate.Wish wish(Joining j) {
    return new StartGate.Wish(j.dose(), reason(j) != null);
  }

  /** The dose somebody begins with; a problem where they may not. */
  private TodayCheck.Dose judge(
      Admitted in,
      boolean inGroup,
      int seconds,
      List<String> problems,
      @Nullable Strength strength) {
    UUID id = in.joining().clientId();
    StartGate.Session session = new StartGate.Session(seconds, problems, strength, tooOften(id));
    StartGate.Answer answer =
        StartGate.start(
            readiness.of(id).who(), inGroup, in.checked().result(), session, wish(in.joining()));
    if (answer instanceof StartGate.Shut shut) {
      throw refused(shut.closed());
    }
    return ((StartGate.Open) answer).dose();
  }

  @Override
  public @Nullable UUID begunBefore(UUID id, UUID groupId, Set<UUID> people) {
    RunRow row = store.findById(id).orElse(null);
    if (row == null && studios.heldElsewhere("run", Set.of(id)).isEmpty()) {
      return null;
    }
    Set<UUID> there =
        this.people.findByRunId(id).stream().map(p -> p.clientId).collect(Collectors.toSet());
    // somebody may have come since
    if (row == null || !groupId.equals(row.groupId) || !there.containsAll(people)) {
      throw Problems.refused("id-taken", "This start is another run's; start again.");
    }
    return row.id;
  }

  @Override
  public @Nullable UUID openOf(UUID groupId) {
    return store.openOf(groupId).stream().findFirst().orElse(null);
  }

  @Override
  public UUID startGroup(UUID id, RunSheet sheet, List<Beginner> beginners) {
    Map<UUID, TodayCheck.Dose> doses = new LinkedHashMap<>();
    List<Refusal> not = new ArrayList<>();
    for (Beginner b : beginners) {
      UUID who = b.person().id();
      try {
        doses.put(
            who, judge(b.admitted(), true, sheet.timeline().total(), b.problems(), b.strength()));
      } catch (Problems p) {
        not.add(Refusal.of(who, p));
      }
    }
    if (!not.isEmpty()) {
      throw Runs.notAll(not);
    }
    RunRow row = begin(id, sheet);
    for (Beginner b : beginners) {
      add(row, b.admitted(), b.person(), Objects.requireNonNull(doses.get(b.person().id())));
    }
    return row.id;
  }

  @Override
  public RunSheet held(UUID id) {
    return store.hold(id).sheet();
  }

  @Override
  public void join(UUID runId, Beginner who) {
    RunRow row = store.hold(runId);
    if (row.status.ended()) {
      throw Problems.refused("run-ended", "This run has ended: nobody comes to it any more.");
    }
    RunSheet sheet = row.sheet();
    UUID id = who.person().id();
    if (sheet.person(id).isPresent()) {
      throw Problems.refused("in-already", "They are in this run already.");
    }
    TodayCheck.Dose dose =
        judge(who.admitted(), true, sheet.timeline().total(), who.problems(), who.strength());
    long now = studios.now().toEpochMilli();
    row.sheet = RunDocument.write(sheet.with(who.person().joined(now)));
    row.heardAt = studios.now();
    store.saveAndFlush(row);
    add(row, who.admitted(), who.person(), dose);
    log.add(
        runId,
        new RunEvent.Joined(new Stamp(Owned.newId(), Stamp.SERVER, now, Integer.MAX_VALUE), id),
        null);
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

  private RunRow begin(UUID id, RunSheet sheet) {
    RunRow row = new RunRow();
    row.id = id;
    row.createdAt = studios.now();
    row.heardAt = row.createdAt;
    row.planId = sheet.planId();
    row.groupId = sheet.group() == null ? null : sheet.group().id();
    row.planName = sheet.planName();
    row.onDate = studios.today();
    row.sheet = RunDocument.write(sheet);
    em.persist(row);
    em.flush();
    return row;
  }

  private void add(RunRow row, Admitted in, RunSheet.Person of, TodayCheck.Dose dose) {
    TodayCheck.Result result = in.checked().result();
    String reason = reason(in.joining());
    List<String> reasons = new ArrayList<>(result.doseReasons());
    if (dose != result.dose()) {
      reasons.add("Picked: " + StartGate.words(dose) + (reason == null ? "" : ", " + reason) + ".");
    }
    PersonRow person = new PersonRow();
    person.createdAt = row.createdAt;
    person.runId = row.id;
    person.clientId = of.id();
    person.onDate = row.onDate;
    person.checkId = in.checked().id();
    person.reason = reason;
    person.painBefore = in.checked().pain();
    person.dose = dose;
    person.picked = in.joining().dose();
    person.told =
        json.write(
            new RunViews.Told(result.findings().stream().map(Finding::text).toList(), reasons));
    person.effortCap = of.effortCap();
    people.saveAndFlush(person);
    audit.changed(
        "started",
        "run",
        row.id,
        row.planName + ", " + StartGate.words(dose) + (reason == null ? "" : ", reason: " + reason),
        of.id());
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
    RunRow row = store.hold(id);
    if (row.status.ended() || !StartGate.leftOpen(row.heardAt, studios.now())) {
      return; // something was heard of it meanwhile
    }
    List<RunEvent> events = log.events(id);
    RunEvent end = RunState.leftOpen(id, events, row.createdAt.toEpochMilli());
    log.add(id, end, null);
    RunSheet sheet = row.sheet();
    row.bring(log.state(sheet, log.events(id)));
    sheet
        .ids()
        .forEach(
            who ->
                audit.changed(
                    "ended", "run", id, "left open: nothing was heard of it for 12 h", who));
    store.flush();
  }

  @Override
  public UUID start(UUID clientId, UUID planId, TodayCheck.Given given, @Nullable String reason) {
    UUID check = checks.check(clientId, given);
    return start(new Start(null, clientId, planId, check, null, reason, null)).id;
  }

  /**
   * Keeps the words after a run.
   *
   * @param clientId whose words; null where the run has one person
   */
  RunRow close(
      UUID id,
      @Nullable UUID clientId,
      int effort,
      String feel,
      @Nullable String note,
      @Nullable AfterSymptom symptom) {
    RunRow row = store.hold(id);
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
    person.symptom = symptom;
    person.minutes =
        OwnTime.minutes(
            row.sheet(),
            log.events(id),
            person.clientId,
            withdrawals.findByRunId(id).stream().map(w -> w.eventId).collect(Collectors.toSet()),
            studios.now().toEpochMilli());
    people.saveAndFlush(person);
    audit.changed(
        "closed",
        "run",
        id,
        "effort "
            + effort
            + ", "
            + feel
            + (symptom == null ? "" : ", symptom: " + symptom.words)
            + ", by "
            + StudioContext.who(),
        person.clientId);
    publisher.publishEvent(new RunClosed(id, person.clientId));
    return row;
  }

  @Override
  public void close(UUID runId, int effort, String feel) {
    close(runId, null, effort, feel, null, null);
  }

  @Override
  @Transactional(readOnly = true)
  public RunSheet sheet(UUID id) {
    return row(id).sheet();
  }

  @Override
  @Transactional(readOnly = true)
  public RunState state(UUID id) {
    return log.state(row(id).sheet(), log.events(id));
  }

  /**
   * A page of a client's runs in short, newest first; a 404 problem where there is no such client.
   */
  @Transactional(readOnly = true)
  Paged<Summary> of(UUID clientId, int page) {
    clients.require(clientId);
    return Paged.of(people.newestFirst(clientId, Paged.ask(page)), s -> s);
  }

  /** The events of a run as documents, in the order they are folded. */
  @Transactional(readOnly = true)
  List<EventDocument> logged(UUID id) {
    require(id);
    return log.events(id).stream().map(EventDocument::of).toList();
  }

  @Override
  @Transactional(readOnly = true)
  public List<Summary> on(Collection<UUID> clients, LocalDate day) {
    return clients.isEmpty() ? List.of() : people.on(clients, day);
  }

  @Override
  @Transactional(readOnly = true)
  public Map<UUID, LocalDate> lastBefore(Collection<UUID> clients, LocalDate day) {
    return clients.isEmpty()
        ? Map.of()
        : people.lastBefore(clients, day).stream()
            .collect(Collectors.toMap(Trained::clientId, Trained::newest));
  }

  @Override
  @Transactional(readOnly = true)
  public @Nullable LocalDate lastBefore(UUID client, LocalDate day) {
    return people.lastBefore(client, day);
  }

  @Override
  @Transactional(readOnly = true)
  public List<Summary> unclosed() {
    return people.unclosed();
  }

  @Override
  @Transactional(readOnly = true)
  public List<DoneRun> history(UUID clientId) {
    return history(clientId, Days.FIRST, Days.LAST);
  }

  @Override
  @Transactional(readOnly = true)
  public List<DoneRun> history(UUID clientId, LocalDate since, LocalDate until) {
    Map<UUID, List<EventRow>> stops =
        log.stops(clientId).stream().collect(Collectors.groupingBy(r -> r.runId));
    Set<UUID> withdrawn =
        withdrawals.findByClientId(clientId).stream()
            .map(w -> w.eventId)
            .collect(Collectors.toSet());
    var sets = log.sets(clientId, since, until);
    return people
        .findByClientIdAndOnDateBetweenOrderByOnDateAscCreatedAtAsc(clientId, since, until)
        .stream()
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

  @Override
  @Transactional(readOnly = true)
  public List<SessionLine> lines(UUID clientId, LocalDate since) {
    return people.lines(clientId, since);
  }

  @Override
  @Transactional(readOnly = true)
  public @Nullable LocalDate day(UUID runId, UUID clientId) {
    return people.day(runId, clientId);
  }

  @Override
  @Transactional(readOnly = true)
  public List<Trained> trained(Collection<UUID> clients) {
    return people.trained(clients);
  }

  @Override
  @Transactional(readOnly = true)
  public int count(UUID clientId) {
    return people.countByClientId(clientId);
  }

  @Override
  @Transactional(readOnly = true)
  public List<SetLine> setLines(UUID clientId, LocalDate since) {
    return log.setLines(clientId, since);
  }

  @Override
  public void record(UUID runId, List<RunEvent> sent) {
    events.record(runId, sent);
  }

  @Override
  @Transactional(readOnly = true)
  public Map<UUID, Map<String, Integer>> workPulses(UUID clientId) {
    LocalDate newest = people.newest(clientId);
    if (newest == null) {
      return Map.of();
    }
    var told = log.pulsesAndSets(clientId, newest.minusDays(Trend.SPAN));
    Map<UUID, Map<String, Integer>> pulses = new HashMap<>();
    told.forEach(
        (run, events) -> pulses.put(run, WorkPulses.of(events, log.families(run, clientId))));
    return pulses;
  }
}
