package riposo.server.screening.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.pulse.PulseGuide;
import riposo.core.run.StopFor;
import riposo.core.run.StopSign;
import riposo.core.screening.Assessment;
import riposo.core.screening.Clearance;
import riposo.core.screening.Finding;
import riposo.core.screening.Gestation;
import riposo.core.screening.Happened;
import riposo.core.screening.OpenFinding;
import riposo.core.screening.Outcome;
import riposo.core.screening.PulseFacts;
import riposo.core.screening.ReadingKind;
import riposo.core.screening.Screening;
import riposo.core.screening.TodayFacts;
import riposo.core.today.TodayCheck;
import riposo.core.wording.Wording;
import riposo.server.client.ClientRecord;
import riposo.server.client.Clients;
import riposo.server.limit.FloorEvents;
import riposo.server.limit.Limits;
import riposo.server.platform.Json;
import riposo.server.platform.OncePerRead;
import riposo.server.platform.Problems;
import riposo.server.platform.ReadAhead;
import riposo.server.platform.RowsOf;
import riposo.server.platform.Studios;
import riposo.server.screening.Readiness;
import tools.jackson.core.type.TypeReference;

/** Where a client stands today, and the pulse guide that rests on it. */
@Service
@Transactional
class StandingService implements Readiness, FloorEvents, ReadAhead.Part {
  static final TypeReference<Map<String, String>> ANSWERS = new TypeReference<>() {};
  static final TypeReference<Set<String>> RULES = new TypeReference<>() {};

  /** The pulse guide with a reading on it, where one was sent. */
  record PulseView(PulseGuide guide, PulseGuide.@Nullable Reading reading) {}

  private final ScreeningStores.Checks checks;
  private final RowsOf<ScreeningRow> screened;
  private final RowsOf<ScreeningStores.Decisions.Decided> decided;
  private final RowsOf<ClearanceRow> given;
  private final RowsOf<HappenedRow> since;
  private final RowsOf<CheckRow> leaving;
  private final ScreeningService taking;
  private final Clients clients;
  private final Limits limits;
  private final Json json;
  private final Studios studios;
  private final ObjectProvider<StopEvents> stops;
  private final ObjectProvider<ToldAfter> told;
  private final ObjectProvider<ClearanceService> clearing;

  StandingService(
      ScreeningStores.Screenings screenings,
      ScreeningStores.Decisions decisions,
      ScreeningStores.Clearances clearances,
      ScreeningStores.Events events,
      ScreeningStores.Checks checks,
      ScreeningService taking,
      Clients clients,
      Limits limits,
      Json json,
      Studios studios,
      ObjectProvider<StopEvents> stops,
      ObjectProvider<ToldAfter> told,
      ObjectProvider<ClearanceService> clearing) {
    this.checks = checks;
    this.screened = new RowsOf<>(screenings::findByClientIdInOrderByNumberDesc, r -> r.clientId);
    this.decided = new RowsOf<>(decisions::decided, ScreeningStores.Decisions.Decided::screeningId);
    this.given = new RowsOf<>(clearances::findByClientIdInOrderByGivenOnDesc, r -> r.clientId);
    this.since = new RowsOf<>(events::findByClientIdInOrderByOnDateDesc, r -> r.clientId);
    this.leaving =
        new RowsOf<>(
            checks::findByClientIdInAndLeavesIsNotNullAndWithdrawnOnIsNullOrderById,
            r -> r.clientId);
    this.taking = taking;
    this.clients = clients;
    this.limits = limits;
    this.json = json;
    this.studios = studios;
    this.stops = stops;
    this.told = told;
    this.clearing = clearing;
  }

  @Override
  public UUID take(UUID clientId, Map<String, String> answers, String signedClient) {
    return taking
        .take(clientId, new ScreeningService.Signed(answers, signedClient, null))
        .screening()
        .id();
  }

  @Override
  public void acceptAll(UUID screeningId) {
    taking.acceptAll(screeningId);
  }

  @Override
  public void clear(
      UUID clientId,
      String role,
      String name,
      LocalDate givenOn,
      LocalDate validUntil,
      Set<String> covers) {
    clearing
        .getObject()
        .record(
            clientId,
            new ClearanceService.ClearanceForm(
                role, name, givenOn, validUntil, covers, null, null, null, null, null, null));
  }

  /**
   * Where the client stands. The newest answers are judged anew on the day, so that what depends on
   * a date, such as week 28, does; what the screening itself found is kept beside it, the worse
   * wins.
   */
  @Override
  @Transactional(readOnly = true)
  public ClientStanding of(UUID clientId) {
    return OncePerRead.of(StandingService.class, clientId, () -> worked(clientId));
  }

  @Override
  public void readAhead(Collection<UUID> clients, ReadAhead.For what) {
    screened.ahead(clients);
    decided.ahead(
        clients.stream().flatMap(c -> versions(c).stream().limit(1)).map(r -> r.id).toList());
    given.ahead(clients);
    since.ahead(clients);
    leaving.ahead(clients);
  }

  /** Every version signed, the newest first. */
  private List<ScreeningRow> versions(UUID clientId) {
    return screened.of(clientId);
  }

  /** The answers of a version judged anew on a day. */
  private Assessment today(ScreeningRow row, LocalDate day) {
    return OncePerRead.of(
        Assessment.class,
        Map.entry(row.id, day),
        () -> Screening.assess(json.read(row.answers, ANSWERS), day));
  }

  private ClientStanding worked(UUID clientId) {
    Clients.Client client = clients.require(clientId);
    LocalDate today = studios.today();
    List<ScreeningRow> rows = versions(clientId);
    List<Finding> open =
        OpenFinding.standing(findings(clientId), cleared(clientId), today).stream()
            .sorted(Comparator.comparing(Finding::outcome).reversed())
            .toList();
    if (rows.isEmpty()) {
      return new ClientStanding(
          null,
          open.isEmpty() ? null : OpenFinding.outcome(open, false),
          open,
          Set.of(),
          false,
          false,
          null,
          List.of(),
          0,
          List.of(),
          Assessment.SugarRules.NONE,
          PulseFacts.NONE,
          Set.of(),
          TodayFacts.NONE,
          stoppedToday(clientId, today));
    }
    ScreeningRow last = rows.get(0);
    Assessment then = json.read(last.assessment, Assessment.class);
    Map<String, String> answers = json.read(last.answers, ANSWERS);
    Assessment now = today(last, today);
    boolean hasLimits = limits.of(clientId).stream().anyMatch(l -> l.activeOn(today));
    String gestation = now.gestation();
    if (gestation == null && answers.get("pregnancy.due") != null) {
      gestation = "past 42+0";
    }
    Set<ReadingKind> readings = EnumSet.noneOf(ReadingKind.class);
    readings.addAll(now.readings());
    if (then.readings() != null) {
      // A reading asked for at the screening stays asked for; only the six weeks after a birth end.
      then.readings().stream().filter(k -> !then.maternity()).forEach(readings::add);
    }
    boolean highSpine =
        !"no".equals(answers.getOrDefault("spine.injury", "no"))
            && !"low".equals(answers.get("spine.level"));
    PulseFacts pulse = now.pulse();
    if (client.record().slowsPulse() && !pulse.rateLimited()) {
      List<String> off = new ArrayList<>(pulse.off());
      off.add("a medicine slows the pulse");
      pulse = new PulseFacts(off, true, pulse.lowestRate(), pulse.eventUntil());
    }
    int undecided =
        then.proposals().size()
            - (int)
                decided.of(last.id).stream()
                    .mapToLong(ScreeningStores.Decisions.Decided::count)
                    .sum();
    return new ClientStanding(
        last.takenOn,
        OpenFinding.outcome(open, hasLimits || !then.proposals().isEmpty()),
        open,
        readings,
        now.maternity() || gestation != null,
        highSpine,
        gestation,
        now.conditions(),
        undecided,
        now.notes(),
        now.sugarRules(),
        pulse,
        stopFor(clientId, client.record(), now, today),
        now.todayFacts(),
        stoppedToday(clientId, today));
  }

  /** Whose stop signs come first: the answers, and what the record and later events add. */
  private Set<StopFor> stopFor(
      UUID clientId, ClientRecord record, Assessment now, LocalDate today) {
    Set<StopFor> all = EnumSet.noneOf(StopFor.class);
    all.addAll(now.stopFor());
    if (record.thinsBlood()) {
      all.add(StopFor.THINNER);
    }
    boolean operated =
        since.of(clientId).stream()
            .anyMatch(h -> h.kind == Happened.OPERATION && !h.onDate.plusWeeks(12).isBefore(today));
    if (operated) {
      all.add(StopFor.OPERATION);
    }
    return all;
  }

  List<Clearance> cleared(UUID clientId) {
    return given.of(clientId).stream().map(this::core).toList();
  }

  Clearance core(ClearanceRow c) {
    return new Clearance(c.givenOn, c.validUntil, json.read(c.covers, RULES));
  }

  /**
   * Everything found, with the day it began: screenings, stop-panel events, what happened since.
   */
  List<OpenFinding> findings(UUID clientId) {
    return OncePerRead.of(OpenFinding.class, clientId, () -> List.copyOf(found(clientId)));
  }

  private List<OpenFinding> found(UUID clientId) {
    LocalDate today = studios.today();
    List<ScreeningRow> rows = versions(clientId);
    List<OpenFinding.Version> versions = new ArrayList<>();
    for (ScreeningRow row : rows) {
      List<Finding> found = new ArrayList<>(json.read(row.assessment, Assessment.class).findings());
      if (versions.isEmpty()) {
        // the same finding in today's words, such as the week of a pregnancy
        for (Finding f : today(row, today).findings()) {
          found.replaceAll(x -> x.rule().equals(f.rule()) && x.outcome() == f.outcome() ? f : x);
        }
      }
      versions.add(new OpenFinding.Version(row.takenOn, found));
    }
    List<OpenFinding> all = new ArrayList<>(OpenFinding.of(versions));
    if (!rows.isEmpty()) {
      ScreeningRow last = rows.get(0);
      if (last.questionSet < Screening.SET) {
        all.add(
            new OpenFinding(
                new Finding(
                    "standing.rescreen.question-set",
                    Outcome.ASK_FIRST,
                    "Screened with an earlier set of questions: screen again.",
                    "house rule: screening",
                    null),
                last.takenOn,
                false,
                true));
      }
      Map<String, String> answers = json.read(last.answers, ANSWERS);
      // what the same answers mean today, such as from week 28, began with the screening
      for (Finding f : today(last, today).findings()) {
        if (versions.get(0).findings().stream()
            .noneMatch(x -> x.rule().equals(f.rule()) && x.outcome() == f.outcome())) {
          all.add(new OpenFinding(f, last.takenOn, false, true));
        }
      }
      pregnancyOver(answers, today, last, all);
      LocalDate trained = lastSession(clientId);
      if (trained != null) {
        OpenFinding.gap(trained, last.takenOn, today, Wording.day(trained)).ifPresent(all::add);
      }
    }
    for (Stopped stop : stops(clientId)) {
      OpenFinding.stopped(stop.after(), stop.words(), stop.day(), Wording.day(stop.day()))
          .ifPresent(all::add);
    }
    ToldAfter after = told.getIfAvailable();
    if (after != null) {
      for (ToldAfter.Emergency e : after.emergencies(clientId)) {
        all.add(OpenFinding.checkIn(e.words(), e.day(), Wording.day(e.day())));
      }
    }
    for (CheckRow c : leaving.of(clientId)) {
      String words =
          json.read(c.result, TodayCheck.Result.class).findings().stream()
              .filter(f -> f.outcome().compareTo(Outcome.NOT_TODAY) >= 0)
              .map(Finding::text)
              .collect(Collectors.joining(" "));
      Outcome leaves = java.util.Objects.requireNonNull(c.leaves);
      all.add(OpenFinding.check(leaves, words, c.onDate, Wording.day(c.onDate)));
    }
    for (HappenedRow h : since.of(clientId)) {
      boolean answered =
          h.kind.screeningAnswers()
              && !rows.isEmpty()
              && rows.get(0).createdAt.isAfter(h.createdAt)
              && !rows.get(0).takenOn.isBefore(h.onDate);
      if (!answered) {
        all.add(OpenFinding.event(h.kind.finding(h.onDate, Wording.day(h.onDate)), h.onDate));
      }
    }
    return all;
  }

  @Override
  public boolean pregnant(UUID clientId) {
    return of(clientId).gestation() != null;
  }

  @Override
  public List<LocalDate> ends(UUID clientId) {
    List<LocalDate> ends = new ArrayList<>();
    for (HappenedRow h : since.of(clientId)) {
      if (h.kind.endsFloorWays()) {
        ends.add(h.onDate);
      }
    }
    for (Stopped stop : stops(clientId)) {
      if (StopSign.isFall(stop.words())) {
        ends.add(stop.day());
      }
    }
    for (CheckRow c : checks.telling(clientId, TodayCheck.Sign.FALLEN.name())) {
      if (json.read(c.given, TodayCheck.Given.class).signs().contains(TodayCheck.Sign.FALLEN)) {
        ends.add(c.onDate);
      }
    }
    return ends;
  }

  @Override
  public void happen(UUID clientId, Happened kind, LocalDate on, String note) {
    clearing.getObject().happen(clientId, new ClearanceService.HappenedForm(kind, on, note));
  }

  @Override
  @Transactional(readOnly = true)
  public List<Event> happened(UUID clientId) {
    return since.of(clientId).stream()
        .map(h -> new Event(h.onDate, h.kind, h.note, h.recordedBy))
        .toList();
  }

  List<Stopped> stops(UUID clientId) {
    StopEvents source = stops.getIfAvailable();
    return source == null
        ? List.of()
        : OncePerRead.of(Stopped.class, clientId, () -> source.stops(clientId));
  }

  private @Nullable LocalDate lastSession(UUID clientId) {
    StopEvents source = stops.getIfAvailable();
    return source == null ? null : source.lastSession(clientId);
  }

  /** What was being done when the stop panel was tapped; null when nothing was. */
  @Nullable String during(Stopped stop) {
    StopEvents source = stops.getIfAvailable();
    return source == null ? null : source.during(stop);
  }

  /** Why today is closed by the stop panel; null when it is not. */
  private @Nullable String stoppedToday(UUID clientId, LocalDate today) {
    return stops(clientId).stream()
        .filter(s -> s.day().equals(today) && s.after() != StopSign.After.GLUCOSE)
        .findFirst()
        .map(
            s ->
                "Stopped today at "
                    + studios.time(s.at())
                    + ": "
                    + s.words()
                    + ". No session today.")
        .orElse(null);
  }

  private static void pregnancyOver(
      Map<String, String> answers, LocalDate today, ScreeningRow last, List<OpenFinding> all) {
    String due = answers.get("pregnancy.due");
    if (due == null) {
      return;
    }
    try {
      Gestation.on(today, LocalDate.parse(due));
    } catch (IllegalArgumentException e) {
      all.add(
          new OpenFinding(
              new Finding(
                  "standing.rescreen.pregnancy",
                  Outcome.ASK_FIRST,
                  "The due date " + Wording.day(LocalDate.parse(due)) + " is past: screen again.",
                  "SOGC/CSEP 2019",
                  null),
              last.takenOn,
              false,
              true));
    }
  }

  @Override
  public List<Ending> ending(UUID clientId) {
    LocalDate today = studios.today();
    List<OpenFinding> all = findings(clientId);
    List<Ending> soon = new ArrayList<>();
    for (ClearanceRow row : given.of(clientId)) {
      boolean still = !row.validUntil.isBefore(today) && core(row).voidedBy(all) == null;
      if (still && !row.validUntil.isAfter(today.plusDays(Clearance.WARN_DAYS))) {
        soon.add(new Ending(clientId, row.validUntil, row.role + " " + row.name));
      }
    }
    return soon;
  }

  /** Maxima, ranges, caps; with a reading shown on both scales where {@code bpm} is sent. */
  @Transactional(readOnly = true)
  PulseView pulse(UUID clientId, @Nullable Integer bpm) {
    PulseGuide g = guide(clientId);
    return new PulseView(g, bpm == null ? null : Problems.at("/bpm", () -> g.read(bpm)));
  }

  @Override
  @Transactional(readOnly = true)
  public PulseGuide pulse(UUID clientId) {
    PulseGuide.Facts f = facts(clientId);
    try {
      return PulseGuide.of(f);
    } catch (IllegalArgumentException e) {
      return PulseGuide.of(f.withoutResting());
    }
  }

  private PulseGuide guide(UUID clientId) {
    PulseGuide.Facts f = facts(clientId);
    return Problems.at("/restingPulse", () -> PulseGuide.of(f));
  }

  private PulseGuide.Facts facts(UUID clientId) {
    Clients.Client c = clients.require(clientId);
    ClientRecord r = c.record();
    PulseFacts facts = of(clientId).pulse();
    LocalDate today = studios.today();
    int limit = Caps.on(today, limits.of(clientId)).cap(Axis.PULSE, Side.BOTH);
    Integer cap = r.clinicCap();
    if (limit != Integer.MAX_VALUE && (cap == null || limit < cap)) {
      cap = limit;
    }
    Integer clinic = cap;
    LocalDate until = facts.eventUntil();
    boolean recent = until != null && !until.isBefore(today) && r.measuredMaximum() == null;
    return new PulseGuide.Facts(
        c.age(), r.restingPulse(), r.measuredMaximum(), r.olderMaximum(), facts, recent, clinic);
  }
}
