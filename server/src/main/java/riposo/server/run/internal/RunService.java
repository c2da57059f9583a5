package riposo.server.run.internal;

import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.persistence.EntityManager;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.adapt.TodayDose;
import riposo.core.limit.Axis;
import riposo.core.limit.Broken;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.run.RunEvent;
import riposo.core.run.RunState;
import riposo.core.run.StopFor;
import riposo.core.run.StopSign;
import riposo.core.screening.Finding;
import riposo.core.screening.Outcome;
import riposo.core.screening.StartGate;
import riposo.core.today.TodayCheck;
import riposo.core.wording.Wording;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;
import riposo.server.screening.TodayChecks;
import tools.jackson.databind.JsonNode;

/** Starting a run, its events, and what is said after. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
@Transactional
class RunService implements Runs {
  /**
   * A start: today's check, and a word where one is wanted.
   *
   * @param dose another dose than the check's, with a reason; never past what rules today out
   * @param groupId the group it is started with; then no reason passes an open ask first
   */
  record Start(
      @NotNull UUID clientId,
      @NotNull UUID planId,
      @Nullable UUID checkId,
      TodayCheck.@Nullable Dose dose,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String reason,
      @Nullable UUID groupId) {}

  /** Events of a device, each as sent: they are read and answered one by one. */
  record Events(
      @NotEmpty(message = "No events.")
          @ArraySchema(schema = @Schema(implementation = RunEvent.class))
          List<JsonNode> events) {}

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
   */
  record Answered(int index, @Nullable UUID id, Reply reply, @Nullable String why) {}

  /** An answer for each event sent, and where the run stands now. */
  record Kept(List<Answered> answers, RunState state) {}

  /** Words after a run. */
  record After(
      @NotNull(message = "Ask for the effort of the session.")
          @Min(value = 0, message = "Effort runs from 0 to 10.")
          @Max(value = 10, message = "Effort runs from 0 to 10.")
          Integer effort,
      @NotNull(message = "Ask how it felt.")
          @Pattern(regexp = "GOOD|SO_SO|POOR", message = "Good, so-so or poor.")
          String feel,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String note) {}

  private static final Logger LOG = LoggerFactory.getLogger(RunService.class);

  /** Events read from one request; a STOP is read wherever it stands. */
  private static final int AT_ONCE = 500;

  private final RunStore store;
  private final WithdrawalStore withdrawals;
  private final EntityManager em;
  private final AdaptedPlans adapted;
  private final Clients clients;
  private final Readiness readiness;
  private final Limits limits;
  private final TodayChecks checks;
  private final Json json;
  private final Audit audit;
  private final Studios studios;
  private final ApplicationEventPublisher publisher;
  private final TransactionTemplate transactions;

  RunService(
      RunStore store,
      WithdrawalStore withdrawals,
      EntityManager em,
      AdaptedPlans adapted,
      Clients clients,
      Readiness readiness,
      Limits limits,
      TodayChecks checks,
      Json json,
      Audit audit,
      Studios studios,
      ApplicationEventPublisher publisher,
      PlatformTransactionManager transactions) {
    this.transactions = new TransactionTemplate(transactions);
    this.store = store;
    this.withdrawals = withdrawals;
    this.em = em;
    this.adapted = adapted;
    this.clients = clients;
    this.readiness = readiness;
    this.limits = limits;
    this.checks = checks;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
    this.publisher = publisher;
  }

  @PostMapping("/runs")
  ResponseEntity<Run> start(@Valid @RequestBody Start body) {
    clients.requireActive(body.clientId());
    Readiness.ClientStanding standing = readiness.of(body.clientId());
    boolean reason = body.reason() != null && !body.reason().isBlank();
    StartGate.Closed closed = standing.closed();
    if (closed != null) {
      throw Problems.refused(closed.bar().code, closed.sentence(), closed.why());
    }
    List<String> wanted = new ArrayList<>();
    if (standing.outcome() == Outcome.ASK_FIRST && body.groupId() != null) {
      throw Problems.refused(
          "ask-first",
          "Ask first: not started with a group until the word is there.",
          standing.findings().stream().map(Finding::text).toList());
    }
    if (standing.outcome() == Outcome.ASK_FIRST) {
      standing.findings().stream()
          .filter(f -> f.outcome() == Outcome.ASK_FIRST)
          .forEach(f -> wanted.add(f.text()));
    }
    TodayChecks.Checked checked = checks.require(body.clientId(), body.checkId());
    TodayCheck.Result result = checked.result();
    TodayCheck.Dose dose = body.dose() == null ? result.dose() : body.dose();
    if (dose == TodayCheck.Dose.NOT_TODAY) {
      throw Problems.refused("not-today", "Not today.", result.doseReasons());
    }
    if (dose.compareTo(result.dose()) < 0) {
      wanted.add("Today's check says " + words(result.dose()) + ", picked: " + words(dose) + ".");
    }
    AdaptedPlans.AdaptedView view =
        adapted.view(
            body.clientId(),
            body.planId(),
            studios.today(),
            new TodayDose(dose, result.effortCap(), result.noLongHolds(), result.wobbly()));
    if (view.timeline().total() == 0) {
      throw Problems.refused(
          "no-clock", "This plan has no clock: its doses are ticked off through the day.");
    }
    if (view.sessionStrength() == Strength.FIRM) {
      throw Problems.refused(
          "firm-limit", "A firm limit on the session closes this plan.", view.sessionProblems());
    }
    wanted.addAll(view.sessionProblems());
    for (Broken b : tooOften(body.clientId())) {
      String sentence = "This week " + Wording.broken(List.of(b)).get(0) + ".";
      if (b.strength() == Strength.FIRM) {
        throw Problems.refused(
            "firm-limit", "A firm limit on sessions a week closes this.", List.of(sentence));
      }
      wanted.add(sentence);
    }
    if (!wanted.isEmpty() && !reason) {
      throw Problems.refused("reason-wanted", "Starting needs a recorded reason.", wanted);
    }
    RunRow row = new RunRow();
    row.createdAt = studios.now();
    row.clientId = body.clientId();
    row.planId = body.planId();
    row.planName = view.planName();
    row.onDate = studios.today();
    row.adapted = json.write(view);
    List<String> cautions =
        result.findings().stream().map(Finding::text).collect(Collectors.toList());
    List<String> reasons = new ArrayList<>(result.doseReasons());
    if (dose != result.dose()) {
      reasons.add("Picked: " + words(dose) + (reason ? ", " + body.reason() : "") + ".");
    }
    row.today = json.write(new Today(checked.pain(), cautions, dose, reasons, checked.id()));
    row.checkId = checked.id();
    row.reason = reason ? String.valueOf(body.reason()).trim() : null;
    store.saveAndFlush(row);
    audit.changed(
        "started",
        "run",
        row.id,
        row.planName + ", " + words(dose) + (row.reason == null ? "" : ", reason: " + row.reason),
        row.clientId);
    return ResponseEntity.status(201).body(shown(row));
  }

  /** Limits on sessions a week that one more session in seven days would break. */
  private List<Broken> tooOften(UUID clientId) {
    LocalDate today = studios.today();
    long week =
        store.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId).stream()
            .filter(r -> r.onDate.isAfter(today.minusDays(7)))
            .count();
    int[] demand = new int[Axis.CELLS];
    demand[Axis.SESSION_WEEK.cell(Side.BOTH)] = (int) week + 1;
    return Broken.of(Caps.on(today, limits.of(clientId)), demand);
  }

  private static String words(TodayCheck.Dose dose) {
    return dose.name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
  }

  @Override
  public UUID start(UUID clientId, UUID planId, TodayCheck.Given given, @Nullable String reason) {
    Start form = new Start(clientId, planId, checks.check(clientId, given), null, reason, null);
    return java.util.Objects.requireNonNull(start(form).getBody()).id();
  }

  @Override
  public void record(UUID runId, List<RunEvent> events) {
    Taken taken =
        take(runId, events.stream().map(e -> json.read(json.write(e), JsonNode.class)).toList());
    if (taken.stopped() != null) {
      publisher.publishEvent(taken.stopped());
    }
    for (Answered a : taken.kept().answers()) {
      if (a.reply() == Reply.REFUSED) {
        throw Problems.refused("event-refused", String.valueOf(a.why()));
      }
    }
  }

  @Override
  public void close(UUID runId, int effort, String feel) {
    after(runId, new After(effort, feel, null));
  }

  @Override
  public Run require(UUID id) {
    return run(store.require(id, "run"), withdrawals.findByRunId(id), null);
  }

  /** The run with all a device needs of it, the stop panel's signs too. */
  @GetMapping("/runs/{id}")
  Run show(@PathVariable UUID id) {
    return shown(store.require(id, "run"));
  }

  private Run shown(RunRow row) {
    Set<StopFor> own = readiness.of(row.clientId).stopFor();
    return run(
        row,
        withdrawals.findByRunId(row.id),
        StopSign.panel(own).stream()
            .map(
                s ->
                    new SignView(
                        s.name(), s.words, s.aid.words, s.aid.source, s.after, s.place(own)))
            .toList());
  }

  @Override
  @GetMapping("/clients/{clientId}/runs")
  public List<Run> of(@PathVariable UUID clientId) {
    clients.require(clientId);
    List<WithdrawalRow> withdrawn = withdrawals.findByClientId(clientId);
    return store.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId).stream()
        .map(r -> run(r, withdrawn, null))
        .toList();
  }

  /**
   * Keeps each event once, whatever the order and however often it is sent, and answers one by one:
   * one that is refused never holds back the next. A STOP is always kept.
   */
  @PostMapping("/runs/{id}/events")
  @Transactional(propagation = Propagation.NOT_SUPPORTED)
  public Kept events(@PathVariable UUID id, @Valid @RequestBody Events body) {
    Taken taken =
        java.util.Objects.requireNonNull(transactions.execute(t -> take(id, body.events())));
    if (taken.stopped() != null) {
      // a stop is on file before anything is made of it: what fails here never takes it back
      try {
        transactions.executeWithoutResult(t -> publisher.publishEvent(taken.stopped()));
      } catch (RuntimeException e) {
        LOG.error("the verdicts after a stop of run {} could not be reached", id, e);
      }
    }
    return taken.kept();
  }

  /** What was taken in, and what to tell the other modules where a stop was among it. */
  private record Taken(Kept kept, @Nullable RunStopped stopped) {}

  private Taken take(UUID id, List<JsonNode> sent) {
    RunRow row = store.lock(id).orElseThrow(() -> Problems.notFound("run", id));
    AdaptedPlans.AdaptedView view = json.read(row.adapted, AdaptedPlans.AdaptedView.class);
    EventReader reader =
        new EventReader(
            json,
            id,
            view.slots().stream().map(AdaptedPlans.SlotView::key).collect(Collectors.toSet()),
            view.timeline().segments().size(),
            row.createdAt.toEpochMilli(),
            studios.now().toEpochMilli());
    List<EventReader.Read> read = sent.stream().map(reader::read).toList();
    Set<UUID> elsewhere =
        studios.heldElsewhere(
            "run_event",
            read.stream().map(EventReader.Read::id).filter(java.util.Objects::nonNull).toList());
    List<Answered> answers = new ArrayList<>();
    List<RunEvent> stops = new ArrayList<>();
    for (int i = 0; i < sent.size(); i++) {
      EventReader.Read event = read.get(i);
      if (i >= AT_ONCE && !EventReader.isStop(sent.get(i))) {
        String why = "At most " + AT_ONCE + " events at once: send it again.";
        answers.add(new Answered(i, event.id(), Reply.REFUSED, why));
      } else {
        answers.add(keep(event, reader, elsewhere, i, row, stops));
      }
    }
    em.flush();
    RunState state = fold(rows(id), view);
    row.status = state.status();
    if (state.endedAt() != null) {
      row.minutes = (int) Math.round(state.activeMs() / 60000.0);
    }
    for (RunEvent e : stops) {
      audit.changed(
          "stopped",
          "run",
          id,
          "stop panel: "
              + e.text()
              + (e.deviceAt() == null ? "" : "; the device's clock was wrong, server time"),
          row.clientId);
    }
    store.flush();
    return new Taken(
        new Kept(answers, state), stops.isEmpty() ? null : new RunStopped(id, row.clientId));
  }

  private Answered keep(
      EventReader.Read read,
      EventReader reader,
      Set<UUID> elsewhere,
      int index,
      RunRow run,
      List<RunEvent> stops) {
    RunEvent e = read.event();
    if (e == null) {
      return new Answered(index, read.id(), Reply.REFUSED, read.refused());
    }
    UUID id = e.id();
    EventRow known = em.find(EventRow.class, id);
    if (elsewhere.contains(id) || known != null && !known.runId.equals(run.id)) {
      if (e.kind() != RunEvent.Kind.STOP) {
        return new Answered(index, id, Reply.REFUSED, "This event id belongs to another run.");
      }
      id = reader.another(id);
      known = em.find(EventRow.class, id);
    }
    if (known != null) {
      return new Answered(index, e.id(), Reply.KNOWN, null);
    }
    EventRow r = new EventRow();
    r.id = id;
    r.runId = run.id;
    r.at = e.at();
    r.seq = e.seq();
    r.kind = e.kind().name();
    r.body = json.write(id.equals(e.id()) ? e : e.withId(id));
    r.receivedAt = studios.now();
    em.persist(r);
    if (e.kind() == RunEvent.Kind.STOP) {
      stops.add(e);
    }
    return new Answered(index, e.id(), Reply.KEPT, null);
  }

  @PostMapping("/runs/{id}/after")
  Run after(@PathVariable UUID id, @Valid @RequestBody After body) {
    RunRow row = store.lock(id).orElseThrow(() -> Problems.notFound("run", id));
    if (row.status != RunState.Status.FINISHED && row.status != RunState.Status.STOPPED) {
      throw Problems.refused("not-finished", "The run is not finished yet.");
    }
    if (row.effortAfter != null) {
      throw Problems.refused("already-closed", "The words after this run are on file already.");
    }
    row.effortAfter = body.effort();
    row.feel = body.feel();
    row.note = body.note();
    store.saveAndFlush(row);
    audit.changed(
        "closed",
        "run",
        id,
        "effort " + body.effort() + ", " + body.feel() + ", by " + StudioContext.who(),
        row.clientId);
    publisher.publishEvent(new RunClosed(id, row.clientId));
    return shown(row);
  }

  @Override
  public List<Summary> summaries(UUID clientId) {
    return store.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId).stream()
        .map(r -> new Summary(r.id, r.planId, r.onDate, r.status, r.effortAfter != null))
        .toList();
  }

  private List<EventRow> rows(UUID runId) {
    return em.createQuery(
            "from RunEvent e where e.runId = :run order by e.at, e.seq", EventRow.class)
        .setParameter("run", runId)
        .getResultList();
  }

  private RunState fold(List<EventRow> rows, AdaptedPlans.AdaptedView view) {
    return RunState.fold(
        view.timeline().segments(),
        rows.stream().map(e -> json.read(e.body, RunEvent.class)).toList(),
        studios.now().toEpochMilli());
  }

  private Run run(RunRow r, List<WithdrawalRow> withdrawn, @Nullable List<SignView> signs) {
    AdaptedPlans.AdaptedView view = json.read(r.adapted, AdaptedPlans.AdaptedView.class);
    List<EventRow> rows = rows(r.id);
    RunState state = fold(rows, view);
    return new Run(
        r.id,
        r.version,
        r.clientId,
        r.planId,
        r.planName,
        r.onDate,
        view,
        json.read(r.today, Today.class),
        r.reason,
        state,
        r.effortAfter,
        r.feel,
        r.note,
        r.minutes,
        r.reviewed,
        state.stops().stream().map(x -> stop(x, rows, withdrawn)).toList(),
        signs);
  }

  private StopView stop(RunState.Stop s, List<EventRow> rows, List<WithdrawalRow> withdrawn) {
    Withdrawn w =
        withdrawn.stream()
            .filter(x -> x.eventId.equals(s.id()))
            .findFirst()
            .map(x -> new Withdrawn(x.onDate, x.by, x.reason))
            .orElse(null);
    boolean open =
        w == null
            && rows.stream()
                .anyMatch(
                    r -> r.id.equals(s.id()) && studios.day(r.moment()).equals(studios.today()));
    return new StopView(
        s.id(),
        s.at(),
        studios.time(java.time.Instant.ofEpochMilli(s.at())),
        s.words(),
        s.after(),
        s.sign().aid.words,
        s.sign().aid.source,
        w,
        open);
  }

  /** The events themselves, for a device that comes back. */
  @GetMapping("/runs/{id}/events")
  List<RunEvent> list(@PathVariable UUID id) {
    store.require(id, "run");
    return rows(id).stream().map(e -> json.read(e.body, RunEvent.class)).toList();
  }
}
