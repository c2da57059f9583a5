package riposo.core.adapt;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.ToIntFunction;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Movement;
import riposo.core.movement.Position;
import riposo.core.plan.Block;
import riposo.core.plan.Format;
import riposo.core.plan.Mobility;
import riposo.core.plan.Param;
import riposo.core.plan.PlanBlock;
import riposo.core.plan.Segment;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.plan.Station;
import riposo.core.plan.Timeline;
import riposo.core.today.TodayCheck;

/**
 * A plan on the one clock of a group: the clock waits for the slowest change of posture, and each
 * does on it what their lane shows, in the form that breaks no limit. What cuts one person's day
 * (more rest for the work, fewer sets) cannot change a clock that is everybody's: that person works
 * a first part of each interval, and sits out whole rounds.
 */
public final class SharedPlan {
  private static final int OPEN = Integer.MAX_VALUE;

  /** Of the sets of counted work every other one, where more rest is needed than the clock has. */
  private static final int EVERY_OTHER = 2;

  private final Adapter adapter;
  private final PlanAdapter plans;

  public SharedPlan(Adapter adapter) {
    this.adapter = adapter;
    this.plans = new PlanAdapter(adapter);
  }

  /**
   * The clock of a group.
   *
   * @param countCap work as a percentage of rest in counted work, which all share; {@link
   *     Integer#MAX_VALUE} where nothing caps it
   * @param gone seconds of it that are over when somebody begins
   */
  public record Clock(Timeline timeline, int countCap, int gone) {
    public Clock(Timeline timeline, int countCap) {
      this(timeline, countCap, 0);
    }
  }

  /**
   * A person's part in it.
   *
   * @param adapted the plan as they do it; its timeline is the group's
   * @param out rounds of each slot that they sit out, by slot key
   * @param shares what they work of each work + rest, by slot key; a slot without one is worked
   *     whole
   * @param caps work as a percentage of rest in a block of work, for what is reckoned on it later
   */
  public record Mine(
      AdaptedPlan adapted,
      Map<String, Set<Integer>> out,
      Map<String, AdaptedPlan.WorkShare> shares,
      ToIntFunction<PlanBlock> caps) {}

  /** Somebody with what they do in each slot, by its key. */
  public record Doer(Mobility mobility, Map<String, List<Performed>> does) {}

  /** The clock of a plan for these people. */
  public Clock clock(SessionPlan plan, List<Doer> people, int countCap) {
    Map<String, Station> stations = plans.plannedStations(plan);
    List<Timeline.Walker> walkers = new ArrayList<>();
    for (Doer d : people) {
      Map<String, Position> at = new HashMap<>();
      d.does()
          .forEach(
              (key, parts) ->
                  parts.stream()
                      .filter(p -> !p.isRest())
                      .findFirst()
                      .ifPresent(p -> at.put(key, adapter.variant(p).position())));
      walkers.add(new Timeline.Walker(d.mobility(), at));
    }
    return new Clock(
        Timeline.compile(
            plan,
            stations::get,
            b -> b.format().kind().countKept() ? countCap : OPEN,
            Mobility.USUAL,
            walkers),
        countCap);
  }

  /**
   * A client on a day with what today's check leaves in the limits and ceilings, for the lanes:
   * they must serve everybody as they are now.
   */
  public ClientDay checked(SessionPlan plan, ClientDay day) {
    PlanAdapter.Today of = plans.today(plan, day);
    return new ClientDay(
        day.clientId(),
        of.caps(),
        day.kit(),
        day.standings(),
        of.ceilings(),
        day.firm(),
        day.mobility(),
        day.weights(),
        day.build(),
        day.gaps(),
        day.today());
  }

  /**
   * One person's part.
   *
   * @param does the form each lane leaves them, by slot key; where it breaks a limit of the day, or
   *     there is none, they do their own nearest alternative
   * @param pins choices of the professional by slot key; one for an option above is taken
   * @param most grams there are for this person in a slot, by its key; none where it is free
   * @param everyOther the clock's counted rests are shorter than this person needs
   */
  public Mine of(
      SessionPlan plan,
      ClientDay day,
      Map<String, List<Performed>> does,
      Map<String, Pin> pins,
      Map<String, Integer> most,
      Clock clock,
      boolean everyOther) {
    PlanAdapter.Today of = plans.today(plan, day);
    Caps caps = of.caps();
    Map<String, Station> planned = plans.plannedStations(plan);
    Map<String, Station> stations = new HashMap<>();
    List<PlanAdapter.Settled> settled = new ArrayList<>();
    for (SessionPlan.Asked at : plan.asked()) {
      PlanAdapter.Settled s = settle(at, day, of, does.getOrDefault(at.key(), List.of()), pins);
      settled.add(s);
      Station plain = Objects.requireNonNull(planned.get(at.key()));
      stations.put(
          at.key(), plans.station(at, s.result().parts(), plain, caps, day.standings(), true));
    }
    ToIntFunction<PlanBlock> worked = caps(day, caps, clock);
    Timeline own = Timeline.compile(plan, stations::get, worked, Mobility.USUAL, List.of());
    Timeline asked = Timeline.compile(plan, planned::get, OPEN, Mobility.USUAL);
    Map<String, Set<Integer>> out = out(plan, day.today(), clock.timeline(), everyOther);
    List<AdaptedSlot> slots = new ArrayList<>();
    for (PlanAdapter.Settled s : settled) {
      AdaptedSlot slot = plans.slot(s, null, new PlanAdapter.Clocks(asked, own, false), caps, day);
      int less = out.getOrDefault(s.at().key(), Set.of()).size();
      int grams = most.getOrDefault(s.at().key(), OPEN);
      slots.add(
          slot.doses(
              slot.doses().stream().map(d -> d.atMost(grams).rounds(d.rounds() - less)).toList()));
    }
    Map<String, AdaptedPlan.WorkShare> shares = new LinkedHashMap<>();
    for (SessionPlan.Asked at : plan.asked()) {
      AdaptedPlan.WorkShare s = share(at.block(), worked.applyAsInt(at.block()));
      if (s != null) {
        shares.put(at.key(), s);
      }
    }
    AdaptedPlan left =
        plans.whole(
            asked,
            clock.timeline().after(clock.gone()),
            slots,
            caps,
            shares.values().stream().findFirst().orElse(null),
            false);
    return new Mine(left.on(clock.timeline()), out, shares, worked);
  }

  private PlanAdapter.Settled settle(
      SessionPlan.Asked at,
      ClientDay day,
      PlanAdapter.Today of,
      List<Performed> does,
      Map<String, Pin> pins) {
    int raise = at.block().effortRaise(at.index());
    Situation situation = day.planned(raise, of.caps(), of.ceilings());
    Movement asked = plans.find(at.slot().movementId());
    if (asked == null) {
      return new PlanAdapter.Settled(
          at,
          situation,
          null,
          new SlotResult(
              at.slot().movementId(),
              List.of(Performed.rest(Side.BOTH)),
              Cost.REST,
              List.of(),
              List.of()),
          false,
          List.of(),
          false,
          true);
    }
    Standing standing = day.standings().get(asked.familyId());
    if (standing != null && plans.find(standing.movementId()) == null) {
      standing = null;
    }
    SlotResult result = adapter.resolve(plans.target(asked, standing), situation);
    Pin pin = at.slot().upper() == null || day.today().cut() ? null : pins.get(at.key());
    boolean pinned = pin != null && open(pin.parts(), situation);
    List<Performed> done = pin != null && pinned ? pin.parts() : does;
    if (open(done, situation)) {
      result = result.with(done);
    }
    return new PlanAdapter.Settled(
        at,
        situation,
        standing,
        plans.oneSide(at.slot(), result),
        pinned,
        List.of(),
        pin != null && !pinned,
        false);
  }

  /** Whether all of it may be done: within every limit, with what is there, under every ceiling. */
  private boolean open(List<Performed> parts, Situation s) {
    return !parts.isEmpty()
        && parts.stream()
            .allMatch(
                p ->
                    p.isRest()
                        || adapter.possible(p)
                            && adapter.broken(p, s.caps()).isEmpty()
                            && adapter.missing(p, s).isEmpty()
                            && adapter.above(adapter.variant(p).movement(), s) == null);
  }

  /** What caps the work of a block: the client's cap, and on a cut day half as much rest again. */
  private static ToIntFunction<PlanBlock> caps(ClientDay day, Caps caps, Clock clock) {
    int own = caps.cap(Axis.WORK_PER_REST, Side.BOTH);
    boolean cut = day.today().cut();
    return b -> {
      if (b.format().kind().countKept()) {
        return clock.countCap();
      }
      Integer work = b.format().values().get(Param.WORK);
      int rest = b.format().values().getOrDefault(Param.REST, 0);
      return cut && work != null && rest > 0 ? Math.min(own, work * 100 * 2 / (rest * 3)) : own;
    };
  }

  private static AdaptedPlan.@Nullable WorkShare share(PlanBlock b, int cap) {
    Integer work = b.format().values().get(Param.WORK);
    if (b.block() != Block.WORK || work == null || b.format().kind().countKept()) {
      return null;
    }
    int rest = b.format().values().getOrDefault(Param.REST, 0);
    int within = Format.workWithin(work, rest, cap);
    return within < work ? new AdaptedPlan.WorkShare(within, work + rest) : null;
  }

  /**
   * Rounds sat out, by slot key. Eased: of counted work every other set, elsewhere one round less,
   * the one that asks most. Short: the first three movements of the work, once.
   */
  static Map<String, Set<Integer>> out(
      SessionPlan plan, TodayDose today, Timeline clock, boolean everyOther) {
    Map<String, Set<Integer>> out = new LinkedHashMap<>();
    int left = today.dose() == TodayCheck.Dose.SHORT ? TodayDose.SHORT_WORK : OPEN;
    for (PlanBlock b : plan.blocks()) {
      if (b.block() != Block.WORK) {
        continue;
      }
      int keep = Math.min(left, b.slots().size());
      keep -= left != OPEN && b.format().kind().needsPairs() ? keep % 2 : 0;
      left -= left == OPEN ? 0 : keep;
      for (int i = 0; i < b.slots().size(); i++) {
        Slot slot = b.slots().get(i);
        Map<Integer, Integer> work = worked(b, slot, clock);
        Set<Integer> kept = new TreeSet<>(work.keySet());
        if (today.dose() == TodayCheck.Dose.SHORT) {
          kept = i < keep ? first(work.keySet()) : Set.of();
        } else if (b.format().kind().countKept() && (everyOther || today.cut())) {
          kept = every(work.keySet());
        } else if (today.cut()) {
          kept = eased(b, work);
        }
        for (int round : work.keySet()) {
          if (!kept.contains(round)) {
            out.computeIfAbsent(slot.keyAt(round), k -> new TreeSet<>()).add(round);
          }
        }
      }
    }
    return out;
  }

  /** Seconds of work of a slot in each of its rounds. */
  private static Map<Integer, Integer> worked(PlanBlock b, Slot slot, Timeline clock) {
    Set<String> keys = new HashSet<>();
    for (int round = 1; round <= Math.max(1, b.format().rounds()); round++) {
      keys.add(slot.keyAt(round));
    }
    return clock.segments().stream()
        .filter(g -> g.kind() == Segment.Kind.WORK && keys.contains(g.slotKey()))
        .collect(
            Collectors.groupingBy(
                Segment::round, LinkedHashMap::new, Collectors.summingInt(Segment::length)));
  }

  private static Set<Integer> first(Set<Integer> rounds) {
    return rounds.stream().limit(1).collect(Collectors.toSet());
  }

  private static Set<Integer> every(Set<Integer> rounds) {
    Set<Integer> kept = new TreeSet<>();
    int at = 0;
    for (int round : rounds) {
      if (at++ % EVERY_OTHER == 0) {
        kept.add(round);
      }
    }
    return kept;
  }

  /** As many as the eased format has; those with the longest work go, the last of them first. */
  private static Set<Integer> eased(PlanBlock b, Map<Integer, Integer> work) {
    int all = b.format().rounds();
    int fewer = Math.max(0, all - b.format().eased().rounds());
    return work.entrySet().stream()
        .sorted(
            Comparator.comparing((Map.Entry<Integer, Integer> e) -> e.getValue())
                .thenComparing(Map.Entry::getKey))
        .limit(Math.max(1, work.size() - fewer))
        .map(Map.Entry::getKey)
        .collect(Collectors.toCollection(TreeSet::new));
  }
}
