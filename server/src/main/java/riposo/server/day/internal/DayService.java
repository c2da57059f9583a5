package riposo.server.day.internal;

import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.PlanKit;
import riposo.core.adapt.Standing;
import riposo.core.limit.Limit;
import riposo.core.movement.Kit;
import riposo.core.run.RunState;
import riposo.core.run.StartGate;
import riposo.core.screening.Outcome;
import riposo.core.wording.Wording;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.adapt.StandingSource;
import riposo.server.client.Clients;
import riposo.server.day.Appointments;
import riposo.server.group.Groups;
import riposo.server.limit.Limits;
import riposo.server.movement.Movements;
import riposo.server.plan.Plans;
import riposo.server.platform.Audit;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;

/** The day sheet: today's sessions and what waits. */
@Service
@Transactional
class DayService implements Appointments {
  /**
   * A session of today.
   *
   * @param bar what stands in the way of training, with the way to it; null when nothing does
   * @param because the reasons of the outcome, the worst first; empty when it is ready
   */
  record SessionView(
      UUID id,
      LocalTime time,
      UUID clientId,
      String client,
      UUID planId,
      String plan,
      String outcome,
      StartGate.@Nullable Closed bar,
      List<String> because,
      int totalSeconds,
      int swaps,
      List<String> kit,
      List<String> changes,
      @Nullable UUID runId,
      RunState.@Nullable Status runStatus,
      boolean closed,
      List<String> clashes) {}

  /**
   * The day sheet.
   *
   * @param said about the session just added, such as that somebody is booked twice; null otherwise
   */
  record DayView(
      LocalDate date,
      List<SessionView> sessions,
      List<Groups.Due> groups,
      List<Waits.WaitView> waits,
      List<Mornings.MorningView> mornings,
      @Nullable String said) {}

  /** A session as sent. */
  record AppointmentForm(
      @NotNull(message = "Choose a client.") UUID clientId,
      @NotNull(message = "Choose a plan.") UUID planId,
      @NotNull(message = "Give the date.") LocalDate date,
      @NotNull(message = "Give the time.") LocalTime time) {}

  private final Movements movements;
  private final AppointmentStore store;
  private final Clients clients;
  private final AdaptedPlans adapted;
  private final Plans plans;
  private final Runs runs;
  private final Readiness readiness;
  private final Limits limits;
  private final StandingSource standings;
  private final Groups groups;
  private final Waits waits;
  private final Mornings mornings;
  private final Audit audit;
  private final Studios studios;

  DayService(
      AppointmentStore store,
      Clients clients,
      AdaptedPlans adapted,
      Plans plans,
      Runs runs,
      Readiness readiness,
      Limits limits,
      StandingSource standings,
      Movements movements,
      Groups groups,
      Waits waits,
      Mornings mornings,
      Audit audit,
      Studios studios) {
    this.movements = movements;
    this.store = store;
    this.clients = clients;
    this.adapted = adapted;
    this.plans = plans;
    this.runs = runs;
    this.readiness = readiness;
    this.limits = limits;
    this.standings = standings;
    this.groups = groups;
    this.waits = waits;
    this.mornings = mornings;
    this.audit = audit;
    this.studios = studios;
  }

  /** A session with its plan adapted, which is done once for all that is told of it. */
  private record Planned(AppointmentRow row, Clients.Client client, AdaptedPlan plan) {}

  @Transactional(readOnly = true)
  DayView day() {
    LocalDate today = studios.today();
    List<Groups.Due> meetings = groups.meetings(today);
    List<Planned> planned = planned(today);
    List<Booked> booked = booked(planned, meetings);
    List<SessionView> sessions = planned.stream().map(p -> session(p, today, booked)).toList();
    return new DayView(today, sessions, meetings, waits.on(today), mornings.on(today), null);
  }

  /** The sessions of a day, by time, without those of clients put away. */
  private List<Planned> planned(LocalDate day) {
    List<Planned> all = new ArrayList<>();
    for (AppointmentRow a : store.findByOnDateOrderByAtTime(day)) {
      Clients.Client c = clients.require(a.clientId);
      if (c.archivedOn() == null) {
        all.add(new Planned(a, c, adapted.adapt(a.clientId, a.planId, day)));
      }
    }
    return all;
  }

  /** Everything on a day that takes somebody's time: sessions and groups. */
  private static List<Booked> booked(List<Planned> planned, List<Groups.Due> meetings) {
    List<Booked> all = new ArrayList<>();
    for (Planned p : planned) {
      all.add(
          new Booked(
              p.row.id,
              p.row.atTime,
              p.plan.timeline().total(),
              List.of(p.client.id()),
              p.client.name()));
    }
    meetings.forEach(g -> all.add(new Booked(g.id(), g.time(), g.seconds(), g.who(), g.name())));
    return all;
  }

  private SessionView session(Planned planned, LocalDate today, List<Booked> booked) {
    AppointmentRow a = planned.row;
    Clients.Client client = planned.client;
    AdaptedPlan plan = planned.plan;
    List<Runs.Summary> history = runs.summaries(a.clientId);
    Runs.Summary now =
        history.stream()
            .filter(r -> r.date().equals(today) && r.planId().equals(a.planId))
            .reduce((x, y) -> y)
            .orElse(null);
    LocalDate last =
        history.stream()
            .map(Runs.Summary::date)
            .filter(d -> d.isBefore(today))
            .max(LocalDate::compareTo)
            .orElse(null);
    Readiness.ClientStanding standing = readiness.of(a.clientId);
    Outcome outcome = standing.outcome();
    return new SessionView(
        a.id,
        a.atTime,
        client.id(),
        client.name(),
        a.planId,
        plans.require(a.planId).name(),
        outcome == null ? "NOT_SCREENED" : outcome.name(),
        standing.closed(),
        because(standing),
        plan.timeline().total(),
        (int) plan.slots().stream().filter(s -> !s.asPlanned()).count(),
        kit(plan),
        changes(client.id(), last, today),
        now == null ? null : now.id(),
        now == null ? null : now.status(),
        now != null && now.closed(),
        Booked.clashes(a.id, booked));
  }

  /** The reasons of the worst outcome, and what else stands in the way. */
  private static List<String> because(Readiness.ClientStanding s) {
    List<String> all = new ArrayList<>();
    if (s.outcome() == Outcome.ASK_FIRST || s.outcome() == Outcome.CLEARANCE_ONLY) {
      all.addAll(StartGate.worst(s.findings()));
    }
    StartGate.Closed closed = s.closed();
    if (closed != null) {
      closed.why().stream().filter(w -> !all.contains(w)).forEach(all::add);
    }
    return all;
  }

  /** What to bring: the kit of what is done, but a wall, and the weights. */
  private List<String> kit(AdaptedPlan plan) {
    PlanKit kit = PlanKit.of(plan, movements.adapter());
    return Stream.concat(
            kit.needs().stream()
                .map(PlanKit.Need::anyOf)
                .filter(any -> !any.contains(Kit.WALL))
                .map(Wording::anyOf),
            kit.weights().stream().map(Wording::taken))
        .toList();
  }

  /** What is different from the last session: verdicts taken and limits that began or ended. */
  private List<String> changes(UUID clientId, @Nullable LocalDate last, LocalDate today) {
    List<String> changes = new ArrayList<>();
    if (last == null) {
      return List.of("first session");
    }
    for (Standing s : standings.standings(clientId).values()) {
      if (!s.decidedOn().isBefore(last) && !s.verdict().equals("STAY")) {
        changes.add(
            movements.catalogue().family(s.familyId()).name()
                + ": "
                + s.verdict().toLowerCase(java.util.Locale.ROOT).replace('_', ' '));
      }
    }
    for (Limit l : limits.of(clientId)) {
      String words = Wording.limit(l.axisId(), l.side(), l.cap());
      if (l.activeOn(today) && !l.activeOn(last)) {
        changes.add("new limit: " + words);
      } else if (l.activeOn(last) && !l.activeOn(today)) {
        changes.add("ended: " + words);
      }
    }
    return changes;
  }

  @Override
  public UUID add(UUID clientId, UUID planId, LocalDate date, LocalTime time) {
    clients.requireActive(clientId);
    plans.require(planId);
    AppointmentRow row = new AppointmentRow();
    row.createdAt = studios.now();
    row.clientId = clientId;
    row.planId = planId;
    row.onDate = date;
    row.atTime = time;
    store.saveAndFlush(row);
    audit.changed("added", "appointment", row.id, date + " " + time, clientId);
    return row.id;
  }

  DayView create(AppointmentForm f) {
    LocalDate today = studios.today();
    if (f.date().isBefore(today) || f.date().isAfter(today.plusYears(1))) {
      throw Problems.field(
          "/date", "A session is set from today to a year ahead; " + f.date() + " is not.");
    }
    UUID id = add(f.clientId(), f.planId(), f.date(), f.time());
    DayView day = day();
    List<String> clashes =
        f.date().equals(today)
            ? day.sessions().stream()
                .filter(s -> s.id().equals(id))
                .flatMap(s -> s.clashes().stream())
                .toList()
            : Booked.clashes(id, booked(planned(f.date()), groups.meetings(f.date())));
    return new DayView(
        day.date(),
        day.sessions(),
        day.groups(),
        day.waits(),
        day.mornings(),
        "On the sheet for "
            + Wording.day(f.date())
            + ", "
            + f.time()
            + "."
            + clashes.stream().map(c -> " " + c).collect(Collectors.joining()));
  }

  DayView remove(UUID id) {
    AppointmentRow row = store.require(id, "session");
    store.delete(row);
    audit.changed("removed", "appointment", id, row.onDate + " " + row.atTime, row.clientId);
    store.flush();
    return day();
  }
}
