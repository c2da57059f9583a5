package riposo.server.day.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.PlanKit;
import riposo.core.adapt.Standing;
import riposo.core.limit.Limit;
import riposo.core.movement.Kit;
import riposo.core.wording.Wording;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.adapt.StandingSource;
import riposo.server.limit.Limits;
import riposo.server.movement.Movements;
import riposo.server.plan.Plans;
import riposo.server.platform.ReadAhead;
import riposo.server.platform.Stamped;
import riposo.server.platform.Stamps;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;

/**
 * What the sheets tell of sessions that are set, each with its plan adapted for its client and day;
 * worked out anew where something of the client or of the studio changed since. Only shown: a start
 * asks for itself.
 */
@Component
@Transactional(readOnly = true)
class SessionFacts {
  /**
   * A session that is set.
   *
   * @param totalSeconds of the plan as adapted
   * @param swaps slots that are not done as planned
   * @param kit what to bring, in words
   * @param changes what is different from the last session; empty where nothing is
   */
  record Fact(String plan, int totalSeconds, int swaps, List<String> kit, List<String> changes) {}

  private record Key(UUID clientId, UUID planId, LocalDate date) {}

  private record Under(long client, long studio, LocalDate today) {}

  private final Stamped<Key, Under, Fact> known = new Stamped<>(50_000);
  private final Stamps stamps;
  private final ReadAhead ahead;
  private final AdaptedPlans adapted;
  private final Plans plans;
  private final Movements movements;
  private final StandingSource standings;
  private final Limits limits;
  private final Runs runs;
  private final Studios studios;

  SessionFacts(
      Stamps stamps,
      ReadAhead ahead,
      AdaptedPlans adapted,
      Plans plans,
      Movements movements,
      StandingSource standings,
      Limits limits,
      Runs runs,
      Studios studios) {
    this.stamps = stamps;
    this.ahead = ahead;
    this.adapted = adapted;
    this.plans = plans;
    this.movements = movements;
    this.standings = standings;
    this.limits = limits;
    this.runs = runs;
    this.studios = studios;
  }

  /** Of each of these sessions, by its id. */
  Map<UUID, Fact> of(Collection<AppointmentRow> rows) {
    if (rows.isEmpty()) {
      return Map.of();
    }
    LocalDate today = studios.today();
    Set<UUID> who = new LinkedHashSet<>();
    rows.forEach(r -> who.add(r.clientId));
    Map<UUID, Long> now = stamps.of(who);
    long studio = now.getOrDefault(StudioContext.current(), 0L);
    Map<Key, Under> under = new HashMap<>();
    rows.forEach(
        r -> under.put(key(r), new Under(now.getOrDefault(r.clientId, 0L), studio, today)));
    Map<Key, Fact> of = known.all(under, missing -> facts(missing, today));
    Map<UUID, Fact> all = new HashMap<>();
    rows.forEach(r -> all.put(r.id, Objects.requireNonNull(of.get(key(r)))));
    return all;
  }

  private Map<Key, Fact> facts(Set<Key> keys, LocalDate today) {
    List<UUID> ids = keys.stream().map(Key::clientId).distinct().toList();
    ahead.of(ids, ReadAhead.For.TRAINING);
    Map<UUID, LocalDate> last = runs.lastBefore(ids, today);
    Map<Key, Fact> all = new HashMap<>();
    for (Key k : keys) {
      all.put(k, fact(k, last.get(k.clientId), today));
    }
    return all;
  }

  private static Key key(AppointmentRow r) {
    return new Key(r.clientId, r.planId, r.onDate);
  }

  private Fact fact(Key of, @Nullable LocalDate last, LocalDate today) {
    AdaptedPlan plan = adapted.adapt(of.clientId, of.planId, of.date);
    return new Fact(
        plans.require(of.planId).name(),
        plan.timeline().total(),
        (int) plan.slots().stream().filter(s -> !s.asPlanned()).count(),
        kit(plan),
        changes(of.clientId, last, today));
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
}
