package riposo.core.adapt;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.ToIntFunction;
import java.util.stream.Stream;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;
import riposo.core.plan.FormatKind;
import riposo.core.plan.PlanBlock;
import riposo.core.plan.Segment;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Sides;
import riposo.core.plan.Station;
import riposo.core.plan.Timeline;

/**
 * What else each slot of an adapted plan may become while it runs: easier, harder, another. Every
 * one is a form the search itself would permit on that day, done on the clock that is running: with
 * the same turns of the sides, held or moved as the slot is, never on the floor where the slot is
 * not, never asking more of the session's shoulders.
 */
public final class SlotOptions {
  private static final int EASIER = 3;
  private static final int HARDER = 2;
  private static final int SWAPS = 3;
  private static final int OPEN = Integer.MAX_VALUE;

  /** What a movement of another than a neighbouring purpose costs, both sides together. */
  private static final int FAR = 4;

  private final Adapter adapter;
  private final Catalogue catalogue;
  private final PlanAdapter plans;
  private final SlotDoses doses;

  public SlotOptions(Adapter adapter) {
    this.adapter = adapter;
    this.catalogue = adapter.catalogue();
    this.plans = new PlanAdapter(adapter);
    this.doses = new SlotDoses(adapter);
  }

  /** A slot with what holds for it. */
  private record At(
      SessionPlan.Asked asked, AdaptedSlot slot, Situation situation, List<Performed> now) {}

  /**
   * The options of every slot, easier first, the nearest first of each kind.
   *
   * @param adapted the plan adapted on the same day
   * @return by slot key; a slot that rests has none
   */
  public Map<String, List<SlotOption>> of(SessionPlan plan, AdaptedPlan adapted, ClientDay day) {
    PlanAdapter.Today today = plans.today(plan, day);
    int workCap = today.caps().cap(Axis.WORK_PER_REST, Side.BOTH);
    return of(today, adapted, day, b -> workCap, false);
  }

  /** The same on a clock that is a group's. */
  public Map<String, List<SlotOption>> of(SessionPlan plan, SharedPlan.Mine mine, ClientDay day) {
    PlanAdapter.Today today = plans.today(plan, day);
    PlanAdapter.Today whole = new PlanAdapter.Today(plan, today.caps(), today.ceilings());
    Map<String, List<SlotOption>> all = new LinkedHashMap<>();
    of(whole, mine.adapted(), day, mine.caps(), true)
        .forEach(
            (key, options) -> {
              int out = mine.out().getOrDefault(key, Set.of()).size();
              all.put(key, options.stream().map(o -> o.less(out)).toList());
            });
    return all;
  }

  private Map<String, List<SlotOption>> of(
      PlanAdapter.Today today,
      AdaptedPlan adapted,
      ClientDay day,
      ToIntFunction<PlanBlock> caps,
      boolean shared) {
    Map<String, AdaptedSlot> byKey = new HashMap<>();
    adapted.slots().forEach(s -> byKey.put(s.slotKey(), s));
    Map<String, Station> plain = plans.plannedStations(today.plan());
    Map<String, Station> stations = new HashMap<>(plain);
    for (SessionPlan.Asked a : today.plan().asked()) {
      AdaptedSlot s = byKey.get(a.key());
      if (s != null && !s.gone()) {
        stations.put(a.key(), station(a, s.result().parts(), plain, today, day, shared));
      }
    }
    Map<String, List<SlotOption>> all = new LinkedHashMap<>();
    for (SessionPlan.Asked a : today.plan().asked()) {
      AdaptedSlot s = byKey.get(a.key());
      if (s == null || s.gone() || s.result().parts().stream().allMatch(Performed::isRest)) {
        continue;
      }
      int raise = a.block().effortRaise(a.index());
      Situation situation = day.planned(raise, today.caps(), today.ceilings());
      At at = new At(a, s, situation, s.result().parts());
      List<SlotOption> options = new ArrayList<>();
      for (Map.Entry<Performed, SlotOption.Kind> e : chosen(at, adapted, day).entrySet()) {
        Map<String, Station> with = new HashMap<>(stations);
        with.put(a.key(), station(a, List.of(e.getKey()), plain, today, day, shared));
        Timeline clock = Timeline.compile(today.plan(), with::get, caps, day.mobility(), List.of());
        options.add(
            new SlotOption(
                e.getValue(),
                List.of(e.getKey()),
                List.of(
                    doses.dose(
                        e.getKey(),
                        a,
                        SlotPieces.of(a, plans.find(a.slot().movementId()), today.caps()),
                        clock,
                        situation.caps(),
                        doses.found(e.getKey(), a, day),
                        day))));
      }
      all.put(a.key(), List.copyOf(options));
    }
    return all;
  }

  private Station station(
      SessionPlan.Asked a,
      List<Performed> parts,
      Map<String, Station> plain,
      PlanAdapter.Today today,
      ClientDay day,
      boolean shared) {
    Station usual = java.util.Objects.requireNonNull(plain.get(a.key()));
    return plans.station(a, parts, usual, today.caps(), day.standings(), shared);
  }

  private Map<Performed, SlotOption.Kind> chosen(At at, AdaptedPlan adapted, ClientDay day) {
    int now = difficulty(at.now());
    Set<String> families = new HashSet<>();
    Set<String> done = new HashSet<>();
    for (Performed p : at.now()) {
      if (p.movementId() != null) {
        done.add(p.movementId());
        families.add(catalogue.movement(p.movementId()).familyId());
      }
    }
    List<Performed> open = new ArrayList<>();
    for (Alternative a : adapter.options(at.asked().slot().movementId(), at.situation())) {
      Performed p = sided(at, a.parts().get(0));
      // what only works the same muscles is a last resort of the search, no easier form
      if (a.cost().purpose() < FAR && !done.contains(p.movementId()) && fits(at, p, adapted)) {
        open.add(p);
      }
    }
    // of the same family first, each nearest first
    open.sort(
        java.util.Comparator.comparing(
            p ->
                !families.contains(catalogue.movement(String.valueOf(p.movementId())).familyId())));
    Map<Performed, SlotOption.Kind> chosen = new LinkedHashMap<>();
    open.stream()
        .filter(p -> difficulty(List.of(p)) < now)
        .limit(EASIER)
        .forEach(p -> chosen.put(p, SlotOption.Kind.EASIER));
    if (!day.today().cut()) {
      Stream.concat(open.stream(), above(at, adapted).stream())
          .filter(p -> difficulty(List.of(p)) > now)
          .limit(HARDER)
          .forEach(p -> chosen.put(p, SlotOption.Kind.HARDER));
    }
    open.stream()
        .filter(p -> !chosen.containsKey(p))
        .filter(p -> difficulty(List.of(p)) <= now)
        .limit(SWAPS)
        .forEach(p -> chosen.put(p, SlotOption.Kind.SWAP));
    return chosen;
  }

  /** The rung above what is asked, where what is asked is done as it stands. */
  private List<Performed> above(At at, AdaptedPlan adapted) {
    Movement asked = plans.find(at.asked().slot().movementId());
    if (asked == null || !at.slot().asPlanned()) {
      return List.of();
    }
    for (Movement m : catalogue.family(asked.familyId()).rungs()) {
      if (m.rung() > asked.rung() && !catalogue.retired(m.id())) {
        Performed p = adapter.within(m.id(), at.situation());
        return p != null && fits(at, sided(at, p), adapted) ? List.of(sided(at, p)) : List.of();
      }
    }
    return List.of();
  }

  /** On the slot's one side, where it asks for one only. */
  private Performed sided(At at, Performed p) {
    return at.asked().slot().sides() == Sides.ONE_ONLY && adapter.variant(p).oneSided()
        ? new Performed(at.asked().slot().startSide(), p.movementId(), p.modifiers(), p.range())
        : p;
  }

  private int difficulty(List<Performed> parts) {
    return parts.stream()
        .filter(p -> p.movementId() != null)
        .mapToInt(p -> catalogue.movement(String.valueOf(p.movementId())).difficulty())
        .max()
        .orElse(0);
  }

  private boolean fits(At at, Performed p, AdaptedPlan adapted) {
    Variant v = adapter.variant(p);
    List<Variant> now = new ArrayList<>();
    at.now().stream().filter(x -> !x.isRest()).forEach(x -> now.add(adapter.variant(x)));
    return adapter.broken(p, at.situation().caps()).isEmpty()
        && v.movement().isHold() == now.get(0).movement().isHold()
        && v.onFloor() == now.stream().anyMatch(Variant::onFloor)
        && turns(at, v, p, adapted.timeline())
        && shoulders(v, now, at.situation().caps());
  }

  /** Whether its sides come as the running clock lets them come. */
  private boolean turns(At at, Variant v, Performed p, Timeline clock) {
    FormatKind kind = at.asked().block().format().kind();
    if (kind == FormatKind.PHRASE || kind == FormatKind.STAGED) {
      // their sides and stages are told of the movement asked for
      return v.oneSided() == adapter.variant(first(at)).oneSided();
    }
    Set<Side> sides = new HashSet<>();
    for (Segment g : clock.segments()) {
      if (g.slotKey().equals(at.asked().key()) && g.kind() == Segment.Kind.WORK) {
        sides.add(g.side());
      }
    }
    boolean inTwo = sides.contains(Side.LEFT) && sides.contains(Side.RIGHT);
    boolean wants = v.oneSided() && p.side() == Side.BOTH;
    return wants ? inTwo : !inTwo || !kind.countKept();
  }

  private static Performed first(At at) {
    return at.now().stream().filter(x -> !x.isRest()).findFirst().orElseThrow();
  }

  /** Asks no more of the session's shoulders than what it stands in for, where they are limited. */
  private boolean shoulders(Variant v, List<Variant> now, Caps caps) {
    boolean overhead = caps.cap(Axis.SESSION_OVERHEAD, Side.BOTH) == OPEN;
    boolean push = caps.cap(Axis.SESSION_PUSH, Side.BOTH) == OPEN;
    return (overhead || !PlanAdapter.overhead(v) || now.stream().allMatch(PlanAdapter::overhead))
        && (push
            || PlanAdapter.pushes(v) <= now.stream().mapToInt(PlanAdapter::pushes).min().orElse(0));
  }
}
