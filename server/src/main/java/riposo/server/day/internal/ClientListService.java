package riposo.server.day.internal;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.screening.Outcome;
import riposo.server.client.Clients;
import riposo.server.group.Groups;
import riposo.server.plan.Plans;
import riposo.server.platform.Studios;
import riposo.server.screening.Readiness;

/** The clients at a glance: what each has, when they come next, what waits. */
@Service
@Transactional(readOnly = true)
class ClientListService {
  /** The next session or meeting, and of what. */
  record Next(LocalDate date, LocalTime time, String what) {}

  /**
   * @param outcome where the client stands; null when not screened
   * @param conditions as the newest screening found them, and of the record
   * @param next null when nothing is set
   */
  record ClientLine(
      UUID id,
      String name,
      int age,
      @Nullable String facts,
      @Nullable String goal,
      @Nullable LocalDate archivedOn,
      @Nullable Outcome outcome,
      List<String> conditions,
      @Nullable Next next,
      List<Waits.WaitView> waits) {}

  private final Clients clients;
  private final Readiness readiness;
  private final AppointmentStore appointments;
  private final Plans plans;
  private final Groups groups;
  private final Waits waits;
  private final Studios studios;

  ClientListService(
      Clients clients,
      Readiness readiness,
      AppointmentStore appointments,
      Plans plans,
      Groups groups,
      Waits waits,
      Studios studios) {
    this.clients = clients;
    this.readiness = readiness;
    this.appointments = appointments;
    this.plans = plans;
    this.groups = groups;
    this.waits = waits;
    this.studios = studios;
  }

  /** Active clients by name; with the archived ones where asked, for whom nothing waits. */
  List<ClientLine> list(boolean archived) {
    LocalDate today = studios.today();
    Map<UUID, List<Waits.WaitView>> waiting =
        waits.on(today).stream().collect(Collectors.groupingBy(Waits.WaitView::clientId));
    Map<UUID, Next> next = next(today);
    return clients.list(archived).stream()
        .map(
            c -> {
              Readiness.ClientStanding s = readiness.of(c.id());
              return new ClientLine(
                  c.id(),
                  c.name(),
                  c.age(),
                  c.facts(),
                  c.goal(),
                  c.archivedOn(),
                  s.outcome(),
                  Stream.concat(
                          s.conditions().stream(),
                          c.record().conditions().stream().map(x -> x.name()))
                      .distinct()
                      .toList(),
                  c.archivedOn() == null ? next.get(c.id()) : null,
                  waiting.getOrDefault(c.id(), List.of()));
            })
        .toList();
  }

  /** Sessions and meetings from today on, the first of each client. */
  private Map<UUID, Next> next(LocalDate today) {
    Map<UUID, Next> first = new HashMap<>();
    groups.next(today).forEach((id, m) -> first.put(id, new Next(m.date(), m.time(), m.name())));
    Comparator<Next> order = Comparator.comparing(Next::date).thenComparing(Next::time);
    for (AppointmentRow a : appointments.findByOnDateGreaterThanEqualOrderByOnDate(today)) {
      Next n = new Next(a.onDate, a.atTime, plans.require(a.planId).name());
      first.merge(a.clientId, n, (x, y) -> order.compare(x, y) <= 0 ? x : y);
    }
    return first;
  }
}
