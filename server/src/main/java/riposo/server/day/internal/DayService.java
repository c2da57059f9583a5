package riposo.server.day.internal;

import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.run.RunState;
import riposo.core.run.StartGate;
import riposo.core.screening.Outcome;
import riposo.core.wording.Wording;
import riposo.server.client.Clients;
import riposo.server.day.Appointments;
import riposo.server.group.Groups;
import riposo.server.plan.Plans;
import riposo.server.platform.Audit;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;

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
   * @param waits the first of each kind
   * @param waiting how many of each kind wait in all
   * @param mornings those that stop, and the newest
   * @param told how many mornings were told in all
   * @param said about the session just added, such as that somebody is booked twice; null otherwise
   */
  record DayView(
      LocalDate date,
      List<SessionView> sessions,
      List<Groups.Due> groups,
      List<Waits.WaitView> waits,
      Map<String, Integer> waiting,
      List<Mornings.MorningView> mornings,
      int told,
      @Nullable String said) {}

  /** A session as sent. */
  record AppointmentForm(
      @NotNull(message = "Choose a client.") UUID clientId,
      @NotNull(message = "Choose a plan.") UUID planId,
      @NotNull(message = "Give the date.") LocalDate date,
      @NotNull(message = "Give the time.") LocalTime time) {}

  /** Of each kind that waits the sheet shows so many; the others are in the list of clients. */
  private static final int SHOWN = 12;

  /** Of the mornings told today it shows so many; the others when they are asked for. */
  private static final int TOLD = 12;

  private final AppointmentStore store;
  private final Clients clients;
  private final ClientFacts facts;
  private final SessionFacts sessions;
  private final Plans plans;
  private final Runs runs;
  private final Groups groups;
  private final Waits waits;
  private final Mornings mornings;
  private final Audit audit;
  private final Studios studios;

  DayService(
      AppointmentStore store,
      Clients clients,
      ClientFacts facts,
      SessionFacts sessions,
      Plans plans,
      Runs runs,
      Groups groups,
      Waits waits,
      Mornings mornings,
      Audit audit,
      Studios studios) {
    this.store = store;
    this.clients = clients;
    this.facts = facts;
    this.sessions = sessions;
    this.plans = plans;
    this.runs = runs;
    this.groups = groups;
    this.waits = waits;
    this.mornings = mornings;
    this.audit = audit;
    this.studios = studios;
  }

  /** The sheet of today. */
  @Transactional(readOnly = true)
  DayView day() {
    LocalDate today = studios.today();
    ClientFacts.Everybody everybody = facts.all(today, false);
    Map<UUID, ClientFacts.Fact> who = everybody.of();
    List<AppointmentRow> rows = rows(today, who);
    Map<UUID, SessionFacts.Fact> of = sessions.of(rows);
    List<Groups.Due> meetings =
        groups.meetings(today).stream().map(g -> g.withApart(apart(g, who))).toList();
    List<Booked> booked = booked(rows, who, of, meetings);
    Map<UUID, List<Runs.Summary>> now =
        runs.on(rows.stream().map(r -> r.clientId).distinct().toList(), today).stream()
            .collect(Collectors.groupingBy(Runs.Summary::clientId));
    List<Waits.WaitView> all = waits.on(today, everybody);
    Mornings.Told told = mornings.told(today, who, TOLD);
    return new DayView(
        today,
        rows.stream()
            .map(
                r ->
                    session(
                        r,
                        Objects.requireNonNull(who.get(r.clientId)),
                        Objects.requireNonNull(of.get(r.id)),
                        now.getOrDefault(r.clientId, List.of()),
                        booked))
            .toList(),
        meetings,
        Waits.first(all, SHOWN),
        Waits.counted(all),
        told.shown(),
        told.all(),
        null);
  }

  /** Says of a session that was just added what is to be known of it, such as a clash. */
  @Transactional(readOnly = true)
  DayView added(UUID id) {
    AppointmentRow row = store.require(id, "session");
    LocalDate date = row.onDate;
    DayView day = day();
    Map<UUID, ClientFacts.Fact> who = facts.all(day.date(), false).of();
    List<AppointmentRow> rows = rows(date, who);
    List<String> clashes =
        Booked.clashes(id, booked(rows, who, sessions.of(rows), groups.meetings(date)));
    return new DayView(
        day.date(),
        day.sessions(),
        day.groups(),
        day.waits(),
        day.waiting(),
        day.mornings(),
        day.told(),
        "On the sheet for "
            + Wording.day(date)
            + ", "
            + row.atTime
            + "."
            + clashes.stream().map(c -> " " + c).collect(Collectors.joining()));
  }

  /** The sessions of a day, by time, without those of clients put away. */
  private List<AppointmentRow> rows(LocalDate day, Map<UUID, ClientFacts.Fact> who) {
    return store.findByOnDateOrderByAtTime(day).stream()
        .filter(r -> who.containsKey(r.clientId))
        .toList();
  }

  private static int apart(Groups.Due g, Map<UUID, ClientFacts.Fact> who) {
    return (int) g.who().stream().map(who::get).filter(f -> f == null || f.apart()).count();
  }

  /** Everything on a day that takes somebody's time: sessions and groups. */
  private static List<Booked> booked(
      List<AppointmentRow> rows,
      Map<UUID, ClientFacts.Fact> who,
      Map<UUID, SessionFacts.Fact> of,
      List<Groups.Due> meetings) {
    List<Booked> all = new ArrayList<>();
    for (AppointmentRow r : rows) {
      all.add(
          new Booked(
              r.id,
              r.atTime,
              Objects.requireNonNull(of.get(r.id)).totalSeconds(),
              List.of(r.clientId),
              Objects.requireNonNull(who.get(r.clientId)).name()));
    }
    meetings.forEach(g -> all.add(new Booked(g.id(), g.time(), g.seconds(), g.who(), g.name())));
    return all;
  }

  private static SessionView session(
      AppointmentRow a,
      ClientFacts.Fact client,
      SessionFacts.Fact of,
      List<Runs.Summary> today,
      List<Booked> booked) {
    Runs.Summary now =
        today.stream().filter(r -> r.planId().equals(a.planId)).reduce((x, y) -> y).orElse(null);
    Outcome outcome = client.outcome();
    return new SessionView(
        a.id,
        a.atTime,
        client.id(),
        client.name(),
        a.planId,
        of.plan(),
        outcome == null ? "NOT_SCREENED" : outcome.name(),
        client.closed(),
        client.because(),
        of.totalSeconds(),
        of.swaps(),
        of.kit(),
        of.changes(),
        now == null ? null : now.id(),
        now == null ? null : now.status(),
        now != null && now.closed(),
        Booked.clashes(a.id, booked));
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

  /** Adds a session as sent; returns its id. */
  UUID create(AppointmentForm f) {
    LocalDate today = studios.today();
    if (f.date().isBefore(today) || f.date().isAfter(today.plusYears(1))) {
      throw Problems.field(
          "/date", "A session is set from today to a year ahead; " + f.date() + " is not.");
    }
    return add(f.clientId(), f.planId(), f.date(), f.time());
  }

  void remove(UUID id) {
    AppointmentRow row = store.require(id, "session");
    store.delete(row);
    audit.changed("removed", "appointment", id, row.onDate + " " + row.atTime, row.clientId);
    store.flush();
  }
}
