package riposo.core.adapt;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Dose;
import riposo.core.dose.Loads;
import riposo.core.limit.Axis;
import riposo.core.limit.Broken;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Catalogue;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Movement;
import riposo.core.movement.SidePattern;
import riposo.core.movement.Tempo;
import riposo.core.movement.Variant;
import riposo.core.plan.Block;
import riposo.core.plan.IntervalsInOrder;
import riposo.core.plan.Mobility;
import riposo.core.plan.Piece;
import riposo.core.plan.PlanCheck;
import riposo.core.plan.Segment;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.plan.Station;
import riposo.core.plan.Timeline;
import riposo.core.today.TodayCheck;

/** Resolves a whole session plan for one client on one date: slots, doses, timeline, checks. */
public final class PlanAdapter {
  private final Adapter adapter;
  private final Catalogue catalogue;

  public PlanAdapter(Adapter adapter) {
    this.adapter = adapter;
    this.catalogue = adapter.catalogue();
  }

  /** The plan's timeline for nobody in particular; throws naming an unknown movement. */
  public Timeline planned(SessionPlan plan) {
    List<Station> stations = new ArrayList<>();
    for (Block block : Block.values()) {
      for (Slot slot : plan.slots(block)) {
        Variant v = catalogue.variants(catalogue.movement(slot.movementId())).get(0);
        stations.add(station(slot, block, pieces(v, Side.BOTH, null)));
      }
    }
    return Timeline.compile(stations, plan.format(), Integer.MAX_VALUE, Mobility.USUAL);
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

  /**
   * Adapts the plan to today as well: fewer sets, longer rests, less weight or a rung down, and the
   * caps of today's check. A short one keeps the warm-up and the first three movements.
   */
  public AdaptedPlan adapt(
      SessionPlan plan,
      Caps limits,
      Kitbag kit,
      Map<String, Standing> standings,
      Map<String, Pin> pins,
      Mobility mobility,
      TodayDose today) {
    Caps caps = today.caps(limits);
    IntervalsInOrder format = today.format(plan.format());
    Map<String, Ceiling> ceilings = new HashMap<>();
    for (Standing s : standings.values()) {
      catalogue
          .find(s.movementId())
          .ifPresent(
              m ->
                  ceilings.put(
                      s.familyId(),
                      new Ceiling(s.familyId(), s.stopped() ? 0 : m.rung(), s.decidedOn())));
    }
    if (today.cut()) {
      rungDown(plan, ceilings, caps.day());
    }
    Situation situation = new Situation(caps, kit.items(), ceilings);
    int workCap = caps.cap(Axis.WORK_PER_REST, Side.BOTH);
    int workSeconds = format.workWithin(workCap);
    List<AdaptedSlot> slots = new ArrayList<>();
    List<Station> stations = new ArrayList<>();
    for (Block block : Block.values()) {
      for (Slot slot : slots(plan, block, today)) {
        AdaptedSlot adapted =
            slot(slot, block, format, situation, kit, standings, pins, workSeconds, today);
        slots.add(adapted);
        List<Piece> pieces = new ArrayList<>();
        for (Performed part : adapted.result().parts()) {
          if (part.isRest()) {
            pieces.add(new Piece(part.side(), null, null, 0, false));
          } else {
            pieces.addAll(pieces(adapter.variant(part), part.side(), tempo(adapted, part)));
          }
        }
        stations.add(station(slot, block, pieces));
      }
    }
    Timeline timeline = Timeline.compile(stations, format, workCap, mobility);
    int effort = caps.cap(Axis.EFFORT, Side.BOTH);
    int[] session = new int[Axis.CELLS];
    session[Axis.SESSION_MINUTES.cell(Side.BOTH)] = (timeline.total() + 59) / 60;
    session[Axis.WARM_UP.cell(Side.BOTH)] = Math.max(0, 60 - minutes(timeline, Block.WARM_UP));
    session[Axis.COOL_DOWN.cell(Side.BOTH)] = Math.max(0, 60 - minutes(timeline, Block.COOL_DOWN));
    return new AdaptedPlan(
        caps.day(),
        slots,
        planned(plan),
        timeline,
        Broken.of(caps, session),
        PlanCheck.of(timeline),
        effort == Integer.MAX_VALUE ? null : effort,
        workSeconds);
  }

  /** Whole minutes of a block, rounded down: 14:59 is no 15. */
  private static int minutes(Timeline timeline, Block block) {
    return timeline.segments().stream()
            .filter(g -> g.block() == block)
            .mapToInt(Segment::length)
            .sum()
        / 60;
  }

  /**
   * A short session: warm-up, the first three movements, and cool-down as far as ten minutes go.
   */
  private static List<Slot> slots(SessionPlan plan, Block block, TodayDose today) {
    List<Slot> all = plan.slots(block);
    if (today.dose() != TodayCheck.Dose.SHORT || block == Block.WARM_UP) {
      return all;
    }
    if (block == Block.WORK) {
      return all.subList(0, Math.min(TodayDose.SHORT_WORK, all.size()));
    }
    IntervalsInOrder f = today.format(plan.format());
    int used = TodayDose.SHORT_WORK * (f.work() + f.rest());
    for (Slot s : plan.warmUp()) {
      used += s.seconds() == null ? 0 : s.seconds();
    }
    int keep = 1;
    for (int i = 0; i < all.size(); i++) {
      Integer seconds = all.get(i).seconds();
      used += seconds == null ? 0 : seconds;
      if (used > TodayDose.SHORT_SECONDS) {
        break;
      }
      keep = i + 1;
    }
    return all.subList(0, keep);
  }

  /** Movements of the work block that take no weight go down a rung where there is one. */
  private void rungDown(SessionPlan plan, Map<String, Ceiling> ceilings, LocalDate day) {
    for (Slot slot : plan.work()) {
      Movement m = catalogue.movement(slot.movementId());
      Ceiling now = ceilings.get(m.familyId());
      int at = now == null ? m.rung() : Math.min(now.rung(), m.rung());
      int least =
          catalogue.family(m.familyId()).rungs().stream().mapToInt(Movement::rung).min().orElse(at);
      if (m.loadKind() == LoadKind.NONE && at > least) {
        ceilings.put(m.familyId(), new Ceiling(m.familyId(), at - 1, day));
      }
    }
  }

  private AdaptedSlot slot(
      Slot slot,
      Block block,
      IntervalsInOrder format,
      Situation situation,
      Kitbag kit,
      Map<String, Standing> standings,
      Map<String, Pin> pins,
      int workSeconds,
      TodayDose today) {
    Movement asked = catalogue.movement(slot.movementId());
    Standing standing = standings.get(asked.familyId());
    if (standing != null && catalogue.find(standing.movementId()).isEmpty()) {
      standing = null;
    }
    String target = asked.id();
    if (standing != null && !standing.stopped()) {
      Movement stood = catalogue.movement(standing.movementId());
      if (standing.askedId().equals(asked.id()) || stood.rung() < asked.rung()) {
        target = stood.id();
      }
    }
    SlotResult result = adapter.resolve(target, situation);
    Pin pin = pins.get(slot.key());
    boolean pinned = false;
    List<Broken> overridden = List.of();
    if (pin != null) {
      List<Broken> broken =
          pin.parts().stream().flatMap(p -> adapter.broken(p, situation.caps()).stream()).toList();
      boolean holds =
          broken.stream()
                  .allMatch(
                      b ->
                          b.strength() == Strength.ADVISED
                              && pin.overridden().contains(b.limitId()))
              && pin.parts().stream().allMatch(p -> adapter.missing(p, situation).isEmpty())
              && pin.parts().stream().noneMatch(p -> closedByVerdict(p, standings));
      if (holds) {
        pinned = true;
        overridden = broken;
        result =
            new SlotResult(target, pin.parts(), result.cost(), result.rejections(), result.next());
      }
    }
    List<Dose> doses = new ArrayList<>();
    int seconds = block == Block.WORK ? workSeconds : slot.seconds() == null ? 30 : slot.seconds();
    int rounds = block == Block.WORK ? format.rounds() : 1;
    int share = result.parts().size() == 2 ? seconds / 2 : seconds;
    for (Performed part : result.parts()) {
      doses.add(dose(part, share, rounds, situation.caps(), kit, standings, today));
    }
    return new AdaptedSlot(
        slot.key(),
        block,
        asked.purpose(),
        asked.id(),
        Broken.of(situation.caps(), catalogue.variants(asked).get(0).whole()),
        adapter.missing(new Performed(Side.BOTH, asked.id(), List.of(), 100), situation),
        standing,
        result,
        pinned,
        overridden,
        pin != null && !pinned,
        doses);
  }

  private boolean closedByVerdict(Performed part, Map<String, Standing> standings) {
    if (part.movementId() == null) {
      return false;
    }
    Standing s = standings.get(catalogue.movement(part.movementId()).familyId());
    // An accepted ease outranks a choice pinned for a harder rung.
    return s != null
        && (s.stopped()
            || s.verdict().equals("EASE")
                && catalogue
                    .find(s.movementId())
                    .filter(m -> catalogue.movement(part.movementId()).rung() > m.rung())
                    .isPresent());
  }

  private static @Nullable Tempo tempo(AdaptedSlot slot, Performed part) {
    Standing s = slot.standing();
    return s != null && s.tempo() != null && s.movementId().equals(part.movementId())
        ? Tempo.of(s.tempo())
        : null;
  }

  private Dose dose(
      Performed part,
      int seconds,
      int rounds,
      Caps caps,
      Kitbag kit,
      Map<String, Standing> standings,
      TodayDose today) {
    if (part.movementId() == null) {
      return new Dose(rounds, null, null, null, 0, null, false);
    }
    Variant v = adapter.variant(part);
    Movement m = v.movement();
    Standing s = standings.get(m.familyId());
    if (s != null && !s.movementId().equals(m.id())) {
      s = null;
    }
    Integer grams = null;
    if (m.loadKind() == LoadKind.DUMBBELL) {
      grams = 0;
      if (v.loadable()) {
        int hands = Math.max(1, v.handsLoaded());
        int cap = Loads.capGrams(v, part.side(), caps);
        OptionalInt target =
            s != null && s.grams() != null
                ? OptionalInt.of(s.grams())
                : Loads.lightest(hands, kit.weights());
        if (target.isPresent()) {
          grams =
              Loads.atOrUnder(today.grams(target.getAsInt()), cap, hands, kit.weights()).orElse(0);
        }
      }
    }
    int half = v.oneSided() && part.side() == Side.BOTH ? seconds / 2 : seconds;
    Tempo tempo = s != null && s.tempo() != null ? Tempo.of(s.tempo()) : m.tempo();
    int reps = tempo.repsIn(half);
    if (m.sides() == SidePattern.ALTERNATING && !v.oneSided()) {
      reps -= reps % 2;
    }
    if (s != null && s.reps() != null) {
      reps = Math.min(reps, s.reps());
    }
    return new Dose(
        rounds,
        m.isHold() ? null : reps,
        m.isHold() ? (Integer) Math.min(half, v.holdSeconds()) : null,
        grams,
        v.handsLoaded(),
        m.share(),
        m.loadKind() == LoadKind.BAND && v.loadable());
  }

  private static Station station(Slot slot, Block block, List<Piece> pieces) {
    return new Station(slot.key(), block, slot.seconds() == null ? 0 : slot.seconds(), pieces);
  }

  private static List<Piece> pieces(Variant v, Side side, @Nullable Tempo other) {
    Movement m = v.movement();
    Tempo tempo = other == null ? m.tempo() : other;
    if (side == Side.BOTH && v.oneSided()) {
      return List.of(
          new Piece(Side.LEFT, v.position(), tempo, v.holdSeconds(), false),
          new Piece(Side.RIGHT, v.position(), tempo, v.holdSeconds(), false));
    }
    return List.of(
        new Piece(
            side,
            v.position(),
            tempo,
            v.holdSeconds(),
            m.sides() == SidePattern.ALTERNATING && side == Side.BOTH));
  }
}
