package riposo.core.adapt;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Build;
import riposo.core.dose.Dose;
import riposo.core.dose.FoundWeight;
import riposo.core.dose.Gap;
import riposo.core.dose.WeightChoice;
import riposo.core.dose.Weights;
import riposo.core.limit.Axis;
import riposo.core.limit.Broken;
import riposo.core.limit.Caps;
import riposo.core.limit.JointMotion;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Position;
import riposo.core.movement.Purpose;
import riposo.core.movement.SidePattern;
import riposo.core.movement.Tempo;
import riposo.core.movement.Variant;
import riposo.core.plan.Block;
import riposo.core.plan.BlockOrder;
import riposo.core.plan.Format;
import riposo.core.plan.FormatKind;
import riposo.core.plan.Mobility;
import riposo.core.plan.Param;
import riposo.core.plan.Piece;
import riposo.core.plan.PlanBlock;
import riposo.core.plan.PlanCheck;
import riposo.core.plan.Segment;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Sides;
import riposo.core.plan.Slot;
import riposo.core.plan.Station;
import riposo.core.plan.Timeline;
import riposo.core.plan.Upper;

/** Resolves a whole session plan for one client on one date: slots, doses, timeline, checks. */
public final class PlanAdapter {
  private static final UUID NOBODY = new UUID(0, 0);

  /** An arm raised further than that is overhead. */
  private static final int OVERHEAD = 120;

  private static final int OPEN = Integer.MAX_VALUE;

  private final Adapter adapter;
  private final Catalogue catalogue;
  private final SlotDoses doses;
  private final Ceilings ceilings;

  public PlanAdapter(Adapter adapter) {
    this.adapter = adapter;
    this.doses = new SlotDoses(adapter);
    this.catalogue = adapter.catalogue();
    this.ceilings = new Ceilings(catalogue);
  }

  /**
   * The plan's timeline for nobody in particular. A movement no longer in the catalogue keeps its
   * time and leaves the posture as it is.
   */
  public Timeline planned(SessionPlan plan) {
    return Timeline.compile(plan, plannedStations(plan)::get, Integer.MAX_VALUE, Mobility.USUAL);
  }

  /**
   * The plan's timeline with other movements shown in its slots, on the clock of the plan: the time
   * of every slot is what the plan asks, only the postures are those of what is shown.
   *
   * @param shown movement by slot key; a slot without one keeps what the plan asks
   * @param countCap work as a percentage of rest in counted work, which the group shares
   */
  public Timeline shown(SessionPlan plan, Map<String, String> shown, int countCap) {
    Map<String, Station> stations = plannedStations(plan);
    Map<String, SessionPlan.Asked> byKey = new HashMap<>();
    plan.asked().forEach(a -> byKey.put(a.key(), a));
    shown.forEach(
        (key, id) -> {
          Movement m = find(id);
          Station asked = stations.get(key);
          SessionPlan.Asked at = byKey.get(key);
          if (m != null && asked != null && at != null) {
            stations.put(
                key,
                new Station(
                    key,
                    asked.oneSided(),
                    asked.sides(),
                    Integer.MAX_VALUE,
                    asked.tempo(),
                    SlotPieces.of(at, find(at.slot().movementId()), OPEN)
                        .of(catalogue.variants(m).get(0), Side.BOTH, m.tempo(), null)));
          }
        });
    return Timeline.compile(plan, stations::get, OPEN, countCap, Mobility.USUAL);
  }

  Map<String, Station> plannedStations(SessionPlan plan) {
    Map<String, Station> stations = new HashMap<>();
    for (SessionPlan.Asked a : plan.asked()) {
      Movement m = catalogue.find(a.slot().movementId()).orElse(null);
      Tempo own = a.slot().tempo();
      if (m == null) {
        Tempo tempo = own == null ? Tempo.of("2-0-2-0") : own;
        Piece still = new Piece(Side.BOTH, null, tempo, null, false);
        stations.put(
            a.key(), new Station(a.key(), false, Integer.MAX_VALUE, tempo, List.of(still)));
        continue;
      }
      Variant v = catalogue.variants(m).get(0);
      SlotPieces told = SlotPieces.of(a, m, OPEN);
      Tempo tempo = own == null ? m.tempo() : own;
      List<Piece> pieces = told.of(v, Side.BOTH, tempo, null);
      stations.put(
          a.key(), new Station(a.key(), pieces.size() == 2, a.slot().sides(), OPEN, tempo, pieces));
    }
    return stations;
  }

  /** Remarks on a plan, with what it compiles to. */
  public List<PlanCheck> checks(SessionPlan plan, Timeline timeline) {
    return PlanCheck.of(plan, timeline, this::find);
  }

  /** The movement of that id; null when the catalogue has none. */
  public @Nullable Movement find(String id) {
    return catalogue.find(id).orElse(null);
  }

  /**
   * Adapts the plan.
   *
   * @param standings accepted verdicts by family id
   * @param pins choices of the professional by slot key
   */
  public AdaptedPlan adapt(
      SessionPlan plan,
      Caps caps,
      Kitbag kit,
      Map<String, Standing> standings,
      Map<String, Pin> pins,
      Mobility mobility) {
    return adapt(plan, caps, kit, standings, pins, mobility, TodayDose.AS_PLANNED);
  }

  /** Adapts the plan to today's dose as well. */
  public AdaptedPlan adapt(
      SessionPlan plan,
      Caps limits,
      Kitbag kit,
      Map<String, Standing> standings,
      Map<String, Pin> pins,
      Mobility mobility,
      TodayDose dose) {
    return adapt(plan, day(NOBODY, limits, kit, standings, mobility).with(dose), pins);
  }

  /** A client on a day, as planned. */
  public ClientDay day(
      UUID client, Caps caps, Kitbag kit, Map<String, Standing> standings, Mobility mobility) {
    return new ClientDay(
        client,
        caps,
        kit,
        standings,
        ceilings.of(standings),
        ceilings.firm(standings),
        mobility,
        Weights.NONE,
        Build.UNKNOWN,
        Map.of(),
        TodayDose.AS_PLANNED);
  }

  /**
   * The client's day with the gaps its families come back from: after a long one the ceiling of a
   * family is a rung lower than where it was left.
   */
  public ClientDay back(ClientDay day, Map<String, Gap> gaps) {
    return new ClientDay(
        day.clientId(),
        day.caps(),
        day.kit(),
        day.standings(),
        ceilings.back(day, gaps),
        day.firm(),
        day.mobility(),
        day.weights(),
        day.build(),
        gaps,
        day.today());
  }

  /**
   * Adapts the plan for a client on a day, to today as well: fewer sets, longer rests, less weight
   * or a rung down, and the caps of today's check. A short one keeps the warm-up and the first
   * three movements.
   *
   * @param pins choices of the professional by slot key
   */
  public AdaptedPlan adapt(SessionPlan plan, ClientDay day, Map<String, Pin> pins) {
    Map<String, Standing> standings = day.standings();
    Mobility mobility = day.mobility();
    Today of = today(plan, day);
    Caps caps = of.caps();
    SessionPlan today = of.plan();
    int workCap = caps.cap(Axis.WORK_PER_REST, Side.BOTH);
    List<Settled> settled = new ArrayList<>();
    for (SessionPlan.Asked asked : today.asked()) {
      int raise = asked.block().effortRaise(asked.index());
      settled.add(
          settle(asked, day.planned(raise, caps, of.ceilings()), standings, pins, day.gaps()));
    }
    if (caps.floor().onceUp()) {
      settled = stayUp(settled, turns(settled), standings, pins, day.gaps());
    }
    Map<String, Turn> turns = turns(settled);
    Map<String, Station> stations = new HashMap<>();
    Map<String, Station> asPlanned = plannedStations(today);
    for (Settled one : settled) {
      Station plain = java.util.Objects.requireNonNull(asPlanned.get(one.at().key()));
      List<Performed> parts = done(one, turns);
      stations.put(
          one.at().key(),
          station(one.at(), parts, plain, caps, standings, false).more(more(one.at(), parts, day)));
    }
    Timeline timeline = fitting(today, stations, caps, mobility);
    Timeline asked = Timeline.compile(today, asPlanned::get, OPEN, Mobility.USUAL);
    List<AdaptedSlot> slots = new ArrayList<>();
    for (Settled one : settled) {
      slots.add(slot(one, turns.get(one.at().key()), new Clocks(asked, timeline, true), caps, day));
    }
    return whole(
        planned(plan), timeline, slots, caps, share(today, workCap), restGrows(today, workCap));
  }

  /**
   * Sets beyond the block's of a slot: none on a cut day, or where what is done is something else.
   */
  private int more(SessionPlan.Asked at, List<Performed> parts, ClientDay day) {
    if (day.today().cut() || !SlotDoses.ownSets(at)) {
      return 0;
    }
    int more = 0;
    for (Performed p : parts) {
      Movement m = p.movementId() == null ? null : find(p.movementId());
      Standing s = m == null ? null : standing(m, day.standings());
      if (s == null || s.more() == null || day.gaps().containsKey(s.familyId())) {
        return 0;
      }
      more = Math.max(more, s.more());
    }
    return more;
  }

  /** The clock, without the last of the sets added as long as it is longer than it may be. */
  private static Timeline fitting(
      SessionPlan plan, Map<String, Station> stations, Caps caps, Mobility mobility) {
    int workCap = caps.cap(Axis.WORK_PER_REST, Side.BOTH);
    int minutes = caps.cap(Axis.SESSION_MINUTES, Side.BOTH);
    List<String> added = new ArrayList<>();
    plan.asked().stream()
        .map(SessionPlan.Asked::key)
        .filter(k -> stations.containsKey(k) && stations.get(k).more() > 0)
        .forEach(added::add);
    Timeline t = Timeline.compile(plan, stations::get, workCap, mobility);
    while (!added.isEmpty() && (t.total() + 59) / 60 > minutes) {
      stations.computeIfPresent(added.remove(added.size() - 1), (k, s) -> s.more(0));
      t = Timeline.compile(plan, stations::get, workCap, mobility);
    }
    return t;
  }

  /** The adapted plan of its slots: what limits on the session say of it. */
  AdaptedPlan whole(
      Timeline planned,
      Timeline timeline,
      List<AdaptedSlot> slots,
      Caps caps,
      AdaptedPlan.@Nullable WorkShare share,
      boolean restGrows) {
    int effort = caps.cap(Axis.EFFORT, Side.BOTH);
    int[] session = new int[Axis.CELLS];
    shoulders(slots, session);
    session[Axis.SESSION_MINUTES.cell(Side.BOTH)] = (timeline.total() + 59) / 60;
    if (timeline.total() > 0) {
      // whole minutes, rounded down: 14:59 is no 15
      session[Axis.WARM_UP.cell(Side.BOTH)] =
          Math.max(0, 60 - timeline.seconds(Block.WARM_UP) / 60);
      session[Axis.COOL_DOWN.cell(Side.BOTH)] =
          Math.max(0, 60 - timeline.seconds(Block.COOL_DOWN) / 60);
    }
    return new AdaptedPlan(
        caps.day(),
        slots,
        planned,
        timeline,
        Broken.of(caps, session),
        PlanCheck.of(timeline),
        effort == Integer.MAX_VALUE ? null : effort,
        share,
        restGrows);
  }

  /** What today makes of a plan before a slot is settled: the plan, the caps, the ceilings. */
  record Today(SessionPlan plan, Caps caps, Map<String, Ceiling> ceilings) {}

  Today today(SessionPlan plan, ClientDay day) {
    TodayDose dose = day.today();
    Caps caps = dose.caps(day.caps());
    return new Today(dose.plan(plan, this::planned), caps, ceilings.today(plan, day, caps.day()));
  }

  /** Whether counted work of the plan has its rests lengthened for this client. */
  private static boolean restGrows(SessionPlan plan, int cap) {
    return cap != OPEN
        && plan.blocks().stream()
            .anyMatch(
                b ->
                    b.block() == Block.WORK
                        && b.format().kind().countKept()
                        && !b.slots().isEmpty());
  }

  /**
   * What would fit where the session is longer than this client's may be; empty where it is not, or
   * where nothing shorter fits.
   *
   * @param adapted what the plan comes to now
   * @param pins choices of the professional by slot key
   */
  public List<SessionFit> fits(
      SessionPlan plan, AdaptedPlan adapted, ClientDay day, Map<String, Pin> pins) {
    return SessionFit.of(plan, adapted, p -> adapt(p, day, pins));
  }

  /**
   * For each block in which this client would go to the floor less often in another order, that
   * order, searched over what the client does and not over what is asked.
   */
  public List<ClientOrder> orders(SessionPlan plan, AdaptedPlan adapted) {
    Map<String, String> done = new HashMap<>();
    Set<String> down = new HashSet<>();
    for (AdaptedSlot s : adapted.slots()) {
      if (s.result().parts().stream().anyMatch(p -> !p.isRest() && adapter.variant(p).onFloor())) {
        down.add(s.slotKey());
      }
      s.result().parts().stream()
          .map(Performed::movementId)
          .filter(id -> id != null)
          .findFirst()
          .ifPresent(id -> done.put(s.slotKey(), id));
    }
    List<List<Slot>> shown =
        plan.blocks().stream()
            .map(
                b ->
                    b.slots().stream()
                        .map(x -> x.movement(done.getOrDefault(x.key(), x.movementId())))
                        .toList())
            .toList();
    List<ClientOrder> orders = new ArrayList<>();
    for (int i = 0; i < shown.size(); i++) {
      PlanBlock b = plan.blocks().get(i);
      List<Slot> slots = shown.get(i);
      boolean floor = b.slots().stream().anyMatch(x -> down.contains(x.key()));
      boolean known = slots.stream().allMatch(s -> find(s.movementId()) != null);
      if (!floor || !known || slots.size() > BlockOrder.MOST) {
        continue;
      }
      BlockOrder.Found found =
          BlockOrder.best(b.with(slots), edge(shown, i, -1), edge(shown, i, 1), this::find);
      if (found.after().floorTrips() < found.before().floorTrips()) {
        orders.add(new ClientOrder(b.key(), found.order(), found));
      }
    }
    return orders;
  }

  /**
   * The posture next to a block, before or after it; null when nothing is there.
   *
   * @param shown the slots of every block
   * @param step -1 for before, 1 for after
   */
  public @Nullable Position edge(List<List<Slot>> shown, int index, int step) {
    for (int i = index + step; i >= 0 && i < shown.size(); i += step) {
      List<Slot> slots = shown.get(i);
      if (!slots.isEmpty()) {
        Movement m = find(slots.get(step < 0 ? slots.size() - 1 : 0).movementId());
        return m == null ? null : m.position();
      }
    }
    return null;
  }

  /** What the session asks of the shoulders: slots overhead, and pushes beyond the pulls. */
  private void shoulders(List<AdaptedSlot> slots, int[] session) {
    int overhead = 0;
    int pushes = 0;
    for (AdaptedSlot s : slots) {
      boolean over = false;
      for (Performed p : s.result().parts()) {
        if (!p.isRest()) {
          Variant v = adapter.variant(p);
          over |= overhead(v);
          pushes += pushes(v);
        }
      }
      overhead += over ? 1 : 0;
    }
    session[Axis.SESSION_OVERHEAD.cell(Side.BOTH)] = overhead;
    session[Axis.SESSION_PUSH.cell(Side.BOTH)] = Math.max(0, pushes);
  }

  static boolean overhead(Variant v) {
    return v.degrees(JointMotion.SHOULDER_ELEVATION) > OVERHEAD;
  }

  /** 1 for a push, -1 for a pull, 0 for neither. */
  static int pushes(Variant v) {
    Purpose p = v.movement().purpose();
    return p == Purpose.PUSH || p == Purpose.PUSH_OVERHEAD ? 1 : p == Purpose.PULL ? -1 : 0;
  }

  /** How far verdicts let each family go. */
  public Map<String, Ceiling> ceilings(Map<String, Standing> standings) {
    return ceilings.of(standings);
  }

  /** Those of the ceilings that no choice by hand passes: stopped and eased families. */
  public Map<String, Ceiling> firmCeilings(Map<String, Standing> standings) {
    return ceilings.firm(standings);
  }

  private static AdaptedPlan.@Nullable WorkShare share(SessionPlan plan, int cap) {
    for (PlanBlock b : plan.blocks()) {
      Integer work = b.format().values().get(Param.WORK);
      if (b.block() == Block.WORK && work != null) {
        int rest = b.format().values().getOrDefault(Param.REST, 0);
        int within = Format.workWithin(work, rest, cap);
        return within < work ? new AdaptedPlan.WorkShare(within, work + rest) : null;
      }
    }
    return null;
  }

  /**
   * The clock as asked for, for nobody in particular, and the client's own.
   *
   * @param alone it is nobody else's
   */
  record Clocks(Timeline asked, Timeline own, boolean alone) {}

  /**
   * What the clock is told of a slot as this client does it.
   *
   * @param shared the clock is a group's: its intervals stay as planned, counted ones as well
   */
  Station station(
      SessionPlan.Asked at,
      List<Performed> parts,
      Station plain,
      Caps caps,
      Map<String, Standing> standings,
      boolean shared) {
    SlotPieces told = SlotPieces.of(at, find(at.slot().movementId()), caps);
    List<Piece> pieces = new ArrayList<>();
    Tempo tempo = plain.tempo();
    for (Performed part : parts) {
      if (part.isRest()) {
        pieces.add(Piece.rest(part.side()));
      } else {
        Variant v = adapter.variant(part);
        Standing s = standing(v.movement(), standings);
        Tempo own = slower(tempo(s), at.slot().tempo());
        Tempo kept = within(own == null ? v.movement().tempo() : own, told.holdCap());
        pieces.addAll(told.of(v, part.side(), kept, s == null ? null : s.reps()));
        if (!v.movement().isHold()) {
          tempo = kept;
        }
      }
    }
    // counted, each side has its own count; on a shared clock the intervals stay as planned
    FormatKind kind = at.block().format().kind();
    boolean oneSided =
        kind == FormatKind.PHRASE
            ? parts.stream().allMatch(p -> sidesMayBeNamed(p, caps))
            : kind.countKept() && !shared ? pieces.size() == 2 : plain.oneSided();
    return new Station(at.key(), oneSided, at.slot().sides(), told.holdCap(), tempo, pieces);
  }

  /**
   * Whether a phrase may have one side of it at a time: what both arms do at once is judged again
   * one-sided.
   */
  private boolean sidesMayBeNamed(Performed p, Caps caps) {
    if (p.isRest() || p.side() != Side.BOTH) {
      return true;
    }
    Variant v = adapter.variant(p);
    if (v.oneSided() || v.movement().sides() != SidePattern.BOTH) {
      return true;
    }
    List<Modifier> with = new ArrayList<>(p.modifiers());
    with.add(Modifier.ONE_SIDE);
    return Stream.of(Side.LEFT, Side.RIGHT)
        .map(s -> new Performed(s, p.movementId(), with, p.range()))
        .allMatch(one -> adapter.possible(one) && adapter.broken(one, caps).isEmpty());
  }

  /** The verdict on the movement itself that is done; null when there is none. */
  static @Nullable Standing standing(Movement m, Map<String, Standing> standings) {
    Standing s = standings.get(m.familyId());
    return s != null && s.movementId().equals(m.id()) ? s : null;
  }

  private static @Nullable Tempo tempo(@Nullable Standing s) {
    return s == null || s.tempo() == null ? null : Tempo.of(s.tempo());
  }

  /** The longer of two tempos; null when neither is given. */
  private static @Nullable Tempo slower(@Nullable Tempo a, @Nullable Tempo b) {
    if (a == null || b == null) {
      return a == null ? b : a;
    }
    return a.seconds() >= b.seconds() ? a : b;
  }

  /** A tempo whose still parts are no longer than the hold cap. */
  private static Tempo within(Tempo t, int holdCap) {
    return t.holdLow() <= holdCap && t.holdHigh() <= holdCap
        ? t
        : new Tempo(
            Math.max(1, t.lower()),
            Math.min(t.holdLow(), holdCap),
            t.lift(),
            Math.min(t.holdHigh(), holdCap));
  }

  /** The movement a slot starts from: the one asked for, or where an accepted verdict stands. */
  public String target(Movement asked, @Nullable Standing standing) {
    if (standing != null && !standing.stopped()) {
      Movement stood = find(standing.movementId());
      if (stood != null && (standing.askedId().equals(asked.id()) || stood.rung() < asked.rung())) {
        return stood.id();
      }
    }
    return asked.id();
  }

  /**
   * A slot settled by itself.
   *
   * @param gone the movement asked for is no longer in the catalogue
   */
  record Settled(
      SessionPlan.Asked at,
      Situation situation,
      @Nullable Standing standing,
      SlotResult result,
      boolean pinned,
      List<Broken> overridden,
      boolean released,
      boolean gone) {}

  private Map<String, Turn> turns(List<Settled> settled) {
    return SessionPass.of(
        adapter,
        settled.stream()
            .filter(x -> !x.gone())
            .map(
                x ->
                    new SessionPass.Entry(
                        x.at().key(),
                        x.at().slot().movementId(),
                        x.result(),
                        x.pinned(),
                        catalogue
                            .variants(catalogue.movement(x.at().slot().movementId()))
                            .get(0)
                            .onFloor(),
                        x.at().block().circles() ? x.at().block().key() : null,
                        x.situation()))
            .toList());
  }

  /** Settles anew, off the floor, what comes on the floor after the client was up from it. */
  private List<Settled> stayUp(
      List<Settled> settled,
      Map<String, Turn> turns,
      Map<String, Standing> standings,
      Map<String, Pin> pins,
      Map<String, Gap> gaps) {
    Set<String> mixed = mixed(settled, turns);
    List<Settled> kept = new ArrayList<>();
    boolean down = false;
    boolean up = false;
    for (Settled x : settled) {
      List<Performed> parts = done(x, turns);
      if (parts.stream().allMatch(Performed::isRest)) {
        kept.add(x);
        continue;
      }
      boolean floor = parts.stream().anyMatch(p -> !p.isRest() && adapter.variant(p).onFloor());
      up |= down && !floor;
      down = floor;
      kept.add(
          floor && !x.pinned() && (up || mixed.contains(x.at().block().key()))
              ? settle(
                  x.at(),
                  x.situation().withCaps(offFloor(x.situation().caps())),
                  standings,
                  pins,
                  gaps)
              : x);
    }
    return kept;
  }

  private static List<Performed> done(Settled x, Map<String, Turn> turns) {
    Turn t = turns.get(x.at().key());
    return t == null ? x.result().parts() : t.parts();
  }

  /** Blocks that come round again with work on the floor and off it: every round would go down. */
  private Set<String> mixed(List<Settled> settled, Map<String, Turn> turns) {
    Set<String> on = new HashSet<>();
    Set<String> off = new HashSet<>();
    for (Settled x : settled) {
      List<Performed> parts = done(x, turns);
      if (x.at().block().circles() && !parts.stream().allMatch(Performed::isRest)) {
        boolean floor = parts.stream().anyMatch(p -> !p.isRest() && adapter.variant(p).onFloor());
        (floor ? on : off).add(x.at().block().key());
      }
    }
    on.retainAll(off);
    return on;
  }

  /** The caps with the floor closed by the wish to stay up; a wish, so ADVISED. */
  private static Caps offFloor(Caps caps) {
    return caps.plus(
        List.of(
            new Limit(
                new UUID(caps.day().toEpochDay(), Axis.FLOOR.id.hashCode()),
                Axis.FLOOR.id,
                Side.BOTH,
                0,
                Strength.ADVISED,
                "once up, stay up",
                caps.day(),
                caps.day(),
                null)));
  }

  private Settled settle(
      SessionPlan.Asked at,
      Situation situation,
      Map<String, Standing> standings,
      Map<String, Pin> pins,
      Map<String, Gap> gaps) {
    Slot slot = at.slot();
    Movement asked = find(slot.movementId());
    if (asked == null) {
      SlotResult rest =
          new SlotResult(
              slot.movementId(),
              List.of(Performed.rest(Side.BOTH)),
              Cost.REST,
              List.of(),
              List.of());
      return new Settled(at, situation, null, rest, false, List.of(), false, true);
    }
    Standing standing = standings.get(asked.familyId());
    if (standing != null && find(standing.movementId()) == null) {
      standing = null;
    }
    String target = target(asked, standing);
    SlotResult result = adapter.resolve(target, situation);
    Pin pin = pins.get(at.key());
    boolean pinned = false;
    List<Broken> overridden = List.of();
    // a form that a changed movement no longer takes is let go, not failed on
    if (pin != null && pin.parts().stream().allMatch(adapter::possible)) {
      List<Broken> broken =
          pin.parts().stream().flatMap(p -> adapter.broken(p, situation.caps()).stream()).toList();
      boolean holds =
          broken.stream()
                  .allMatch(
                      b ->
                          b.strength() == Strength.ADVISED
                              && pin.overridden().contains(b.limitId()))
              && pin.parts().stream().allMatch(p -> adapter.missing(p, situation).isEmpty())
              && pin.parts().stream().noneMatch(p -> closedByVerdict(p, standings))
              && pin.parts().stream().noneMatch(p -> fromBefore(p, pin, situation, gaps));
      if (holds) {
        pinned = true;
        overridden = broken;
        result = result.with(pin.parts());
      }
    }
    return new Settled(
        at,
        situation,
        standing,
        oneSide(slot, result),
        pinned,
        overridden,
        pin != null && !pinned,
        false);
  }

  /** What is left of a result where the slot asks for one side only. */
  SlotResult oneSide(Slot slot, SlotResult result) {
    if (slot.sides() != Sides.ONE_ONLY || result.parts().stream().allMatch(Performed::isRest)) {
      return result;
    }
    Side only = slot.startSide();
    List<Performed> parts = new ArrayList<>();
    for (Performed p : result.parts()) {
      if (p.side() == only || p.side() == Side.BOTH) {
        boolean sided = !p.isRest() && adapter.variant(p).oneSided();
        parts.add(sided ? new Performed(only, p.movementId(), p.modifiers(), p.range()) : p);
      }
    }
    boolean asAsked =
        parts.size() == 1
            && result.targetId().equals(parts.get(0).movementId())
            && parts.get(0).modifiers().isEmpty();
    return asAsked
        ? new SlotResult(result.targetId(), parts, Cost.NONE, List.of(), result.next())
        : result.with(parts);
  }

  AdaptedSlot slot(Settled settled, @Nullable Turn turn, Clocks clocks, Caps caps, ClientDay day) {
    SessionPlan.Asked at = settled.at();
    Situation situation = settled.situation();
    Movement asked = find(at.slot().movementId());
    SlotResult result = turn == null ? settled.result() : settled.result().with(turn.parts());
    if (asked == null) {
      return new AdaptedSlot(
          at.key(),
          at.block().block(),
          Purpose.BREATHING,
          at.slot().movementId(),
          List.of(),
          Set.of(),
          Set.of(),
          null,
          result,
          false,
          List.of(),
          false,
          List.of(new Dose(at.rounds(), null, null, null, 0, null, false)),
          null,
          true,
          null,
          null,
          null,
          null,
          null,
          null);
    }
    List<Dose> told = new ArrayList<>();
    SlotPieces pieces = SlotPieces.of(at, asked, caps);
    FoundWeight found = null;
    for (Performed part : result.parts()) {
      FoundWeight begin = doses.found(part, at, day);
      told.add(doses.dose(part, at, pieces, clocks.own(), situation.caps(), begin, day));
      found = found == null ? begin : found;
    }
    BandGrip band = BandGrip.of(at.slot().band(), result.parts(), day, situation.caps(), adapter);
    if (clocks.alone()) {
      if (SlotDoses.ownSets(at)) {
        told.replaceAll(d -> d.sets(at.rounds()));
      }
      BandGrip beside =
          band == null ? doses.beside(at, result.parts(), told, situation, day) : null;
      band = band == null ? beside : band;
      if (beside != null && beside.grip() != null) {
        told.replaceAll(d -> d.beside(beside.band()));
      }
    }
    Variant plain = catalogue.variants(asked).get(0);
    boolean one = at.slot().sides() == Sides.ONE_ONLY && plain.oneSided();
    return new AdaptedSlot(
        at.key(),
        at.block().block(),
        asked.purpose(),
        asked.id(),
        Broken.of(situation.caps(), plain.demand(one ? at.slot().startSide() : Side.BOTH)),
        adapter.missing(new Performed(Side.BOTH, asked.id(), List.of(), 100), situation),
        day.kit().unmeasured(),
        settled.standing(),
        result,
        settled.pinned(),
        settled.overridden(),
        settled.released(),
        told,
        turn,
        false,
        cut(at, plain, told, clocks, caps),
        found,
        RestStretch.of(at.key(), result.parts(), clocks.own(), situation, adapter),
        band,
        upper(settled, result, found, day),
        gap(at, result, day));
  }

  /** The gap that cuts what is done in a slot of the work; null where none does. */
  private @Nullable Gap gap(SessionPlan.Asked at, SlotResult result, ClientDay day) {
    return at.block().block() != Block.WORK
        ? null
        : result.parts().stream()
            .map(p -> p.movementId() == null ? null : find(p.movementId()))
            .filter(m -> m != null && day.gaps().containsKey(m.familyId()))
            .map(m -> day.gaps().get(m.familyId()))
            .findFirst()
            .orElse(null);
  }

  /**
   * The slot's upper option for this client; null where there is none, or it is not open to them.
   */
  private @Nullable UpperOption upper(
      Settled settled, SlotResult result, @Nullable FoundWeight found, ClientDay day) {
    SessionPlan.Asked at = settled.at();
    Upper upper = at.slot().upper();
    Movement asked = find(at.slot().movementId());
    if (upper == null || asked == null || day.today().cut() || !asked(asked, settled)) {
      return null;
    }
    if (upper.grams() != null) {
      boolean taken = found != null && found.byHand() && found.grams() == upper.grams();
      List<Performed> plain = List.of(new Performed(Side.BOTH, asked.id(), List.of(), 100));
      WeightChoice said = doses.choice(at, plain, upper.grams(), day);
      return said instanceof WeightChoice.Fine ? new UpperOption(upper, null, taken) : null;
    }
    String id = upper.movementId() == null ? asked.id() : upper.movementId();
    Performed form =
        new Performed(
            Side.BOTH, id, upper.slower() == null ? List.of() : List.of(Modifier.SLOWER), 100);
    boolean open =
        adapter.possible(form)
            && adapter.above(catalogue.movement(id), settled.situation()) == null
            && adapter.missing(form, settled.situation()).isEmpty()
            && adapter.broken(form, settled.situation().caps()).isEmpty();
    return open
        ? new UpperOption(upper, form, settled.pinned() && result.parts().equals(List.of(form)))
        : null;
  }

  /**
   * Whether the client may do what is asked as it stands: only then is there something above it.
   */
  private boolean asked(Movement asked, Settled settled) {
    Performed plain = new Performed(Side.BOTH, asked.id(), List.of(), 100);
    Standing standing = settled.standing();
    return adapter.broken(plain, settled.situation().caps()).isEmpty()
        && adapter.missing(plain, settled.situation()).isEmpty()
        && adapter.above(asked, settled.situation()) == null
        && target(asked, standing).equals(asked.id());
  }

  private static @Nullable Integer longestHold(String key, Timeline t) {
    return t.segments().stream()
        .filter(g -> g.slotKey().equals(key) && g.holdSeconds() != null)
        .map(Segment::holdSeconds)
        .max(Integer::compare)
        .orElse(null);
  }

  /** A hold that is shorter than asked for, and what shortens it; null where it is not. */
  private static AdaptedSlot.@Nullable HoldCut cut(
      SessionPlan.Asked at, Variant plain, List<Dose> doses, Clocks clocks, Caps caps) {
    Integer now = longestHold(at.key(), clocks.own());
    Integer wanted = longestHold(at.key(), clocks.asked());
    if (at.block().format().kind() == FormatKind.THROUGH_DAY) {
      now = doses.get(0).holdSeconds();
      wanted = SlotPieces.of(at, plain.movement(), OPEN).hold(plain);
    }
    if (now == null || wanted == null || now >= wanted) {
      return null;
    }
    int[] still = new int[Axis.CELLS];
    still[Axis.HOLD.cell(Side.BOTH)] = wanted;
    return new AdaptedSlot.HoldCut(wanted, now, Broken.of(caps, still));
  }

  /** A choice of before a long gap does not lead past the rung that the gap leaves. */
  private boolean fromBefore(Performed part, Pin pin, Situation situation, Map<String, Gap> gaps) {
    String id = part.movementId();
    Movement m = id == null ? null : find(id);
    Gap gap = m == null ? null : gaps.get(m.familyId());
    if (m == null || gap == null || !gap.rungDown()) {
      return false;
    }
    LocalDate on = pin.on();
    boolean old = on == null || !on.isAfter(gap.from());
    Ceiling most = situation.ceilings().get(m.familyId());
    return old && most != null && m.rung() > most.rung();
  }

  private boolean closedByVerdict(Performed part, Map<String, Standing> standings) {
    String id = part.movementId();
    if (id == null) {
      return false;
    }
    Standing s = standings.get(catalogue.movement(id).familyId());
    // An accepted ease outranks a choice pinned for a harder rung.
    return s != null
        && (s.stopped()
            || s.verdict().equals("EASE")
                && catalogue
                    .find(s.movementId())
                    .filter(m -> catalogue.movement(id).rung() > m.rung())
                    .isPresent());
  }

  /**
   * What is to be said of a weight the professional sets for a slot; null where nothing there takes
   * a weight.
   *
   * @param grams as printed
   */
  public @Nullable WeightChoice choice(
      SessionPlan.Asked at, AdaptedSlot slot, int grams, ClientDay day) {
    return doses.choice(at, slot.result().parts(), grams, day);
  }
}
