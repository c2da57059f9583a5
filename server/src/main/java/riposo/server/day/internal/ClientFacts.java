package riposo.server.day.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.limit.Limit;
import riposo.core.run.StartGate;
import riposo.core.screening.Outcome;
import riposo.core.wording.Wording;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.platform.ReadAhead;
import riposo.server.platform.Stamped;
import riposo.server.platform.Stamps;
import riposo.server.review.Reviews;
import riposo.server.screening.Readiness;

/**
 * What the lists tell of each client, worked out anew for those of whom something changed since.
 * Only shown: a start asks for itself.
 */
@Component
@Transactional(readOnly = true)
class ClientFacts {
  /**
   * A client at a glance.
   *
   * @param outcome where the client stands; null when not screened
   * @param closed why the client may not train; null when nothing stands in the way
   * @param because the reasons of the outcome, the worst first; empty when it is ready
   * @param apart not started with a group
   * @param conditions as the newest screening found them, and of the record
   * @param waits what waits of the client alone: screening, clearances, limits, reviews of limits
   * @param review the client's review, where it is due or open
   * @param next the next session of their own that is set; null when there is none
   */
  record Fact(
      UUID id,
      String name,
      int age,
      @Nullable String facts,
      @Nullable String goal,
      @Nullable LocalDate archivedOn,
      @Nullable Outcome outcome,
      StartGate.@Nullable Closed closed,
      List<String> because,
      boolean apart,
      List<String> conditions,
      List<Waits.WaitView> waits,
      Reviews.@Nullable Due review,
      AppointmentStore.@Nullable Line next) {}

  /**
   * The clients of a studio.
   *
   * @param of each by id
   * @param byName those in use, by name
   */
  record Everybody(Map<UUID, Fact> of, List<Fact> byName) {}

  private record Under(long stamp, LocalDate day) {}

  private record AllUnder(Stamps.Sum stamps, LocalDate day) {}

  private final Stamped<UUID, Under, Fact> known = new Stamped<>(50_000);

  /** By whether those put away are among them. */
  private final Stamped<Boolean, AllUnder, Everybody> everybody = new Stamped<>(100);

  private final Stamps stamps;
  private final ReadAhead ahead;
  private final Clients clients;
  private final Readiness readiness;
  private final Limits limits;
  private final Reviews reviews;
  private final AppointmentStore appointments;

  ClientFacts(
      Stamps stamps,
      ReadAhead ahead,
      Clients clients,
      Readiness readiness,
      Limits limits,
      Reviews reviews,
      AppointmentStore appointments) {
    this.stamps = stamps;
    this.ahead = ahead;
    this.clients = clients;
    this.readiness = readiness;
    this.limits = limits;
    this.reviews = reviews;
    this.appointments = appointments;
  }

  /** Everybody in use, those put away too where asked. */
  Everybody all(LocalDate day, boolean archived) {
    return everybody.of(
        archived,
        new AllUnder(stamps.sum(), day),
        () -> {
          Map<UUID, Fact> of = facts(day, archived);
          return new Everybody(
              Map.copyOf(of),
              of.values().stream()
                  .filter(f -> f.archivedOn() == null)
                  .sorted(Comparator.comparing(Fact::name).thenComparing(Fact::id))
                  .toList());
        });
  }

  private Map<UUID, Fact> facts(LocalDate day, boolean archived) {
    Map<UUID, Under> now = new HashMap<>();
    stamps.clients(archived).forEach((id, stamp) -> now.put(id, new Under(stamp, day)));
    return known.all(now, missing -> facts(missing, day));
  }

  private Map<UUID, Fact> facts(Set<UUID> ids, LocalDate day) {
    ahead.of(ids, ReadAhead.For.STANDING);
    Map<UUID, Reviews.Due> due =
        reviews.due(List.copyOf(ids), day).stream()
            .collect(Collectors.toMap(Reviews.Due::clientId, d -> d, (a, b) -> a));
    Map<UUID, AppointmentStore.Line> next =
        appointments.next(day, ids).stream()
            .collect(Collectors.toMap(AppointmentStore.Line::clientId, l -> l, (a, b) -> a));
    Map<UUID, Fact> all = new HashMap<>();
    for (UUID id : ids) {
      all.put(id, fact(clients.require(id), due.get(id), next.get(id), day));
    }
    return all;
  }

  private Fact fact(
      Clients.Client c,
      Reviews.@Nullable Due review,
      AppointmentStore.@Nullable Line next,
      LocalDate day) {
    Readiness.ClientStanding s = readiness.of(c.id());
    boolean active = c.archivedOn() == null;
    return new Fact(
        c.id(),
        c.name(),
        c.age(),
        c.facts(),
        c.goal(),
        c.archivedOn(),
        s.outcome(),
        s.closed(),
        because(s),
        c.inactive(day) != null || StartGate.withGroup(s.who()) != null,
        Stream.concat(s.conditions().stream(), c.record().conditions().stream().map(x -> x.name()))
            .distinct()
            .toList(),
        active ? waits(c, s, day) : List.of(),
        active ? review : null,
        next);
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

  private List<Waits.WaitView> waits(Clients.Client c, Readiness.ClientStanding s, LocalDate day) {
    List<Waits.WaitView> waits = new ArrayList<>();
    if (s.outcome() == null) {
      waits.add(new Waits.WaitView("SCREENING", c.id(), c.name(), "not screened yet", null));
    } else if (s.outcome() == Outcome.CLEARANCE_ONLY || s.outcome() == Outcome.ASK_FIRST) {
      waits.add(
          new Waits.WaitView(
              "CLEARANCE",
              c.id(),
              c.name(),
              (s.outcome() == Outcome.ASK_FIRST ? "ask first: " : "clearance only: ")
                  + StartGate.worst(s.findings()).get(0),
              null));
    }
    if (s.undecided() > 0) {
      waits.add(
          new Waits.WaitView(
              "LIMITS",
              c.id(),
              c.name(),
              Wording.counted(s.undecided(), "proposed limit", "proposed limits") + " to decide",
              null));
    }
    for (Readiness.Ending e : readiness.ending(c.id())) {
      waits.add(
          new Waits.WaitView(
              "ENDING",
              c.id(),
              c.name(),
              "clearance of "
                  + e.from()
                  + (e.validUntil().equals(day)
                      ? " ends today"
                      : " ends on " + Wording.day(e.validUntil())),
              null));
    }
    List<Limit> all = limits.of(c.id());
    long due = all.stream().filter(l -> l.reviewDueOn(day)).count();
    if (due > 0) {
      waits.add(
          new Waits.WaitView(
              "REVIEW",
              c.id(),
              c.name(),
              due == 1
                  ? "1 firm limit past its date: review due, still on"
                  : due + " firm limits past their dates: review due, still on",
              null));
    }
    return List.copyOf(waits);
  }
}
