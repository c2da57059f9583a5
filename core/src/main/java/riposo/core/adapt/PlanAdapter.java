package riposo.core.adapt;

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
import riposo.core.plan.Mobility;
import riposo.core.plan.Piece;
import riposo.core.plan.PlanCheck;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.plan.Station;
import riposo.core.plan.Timeline;

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
    Situation situation = new Situation(caps, kit.items(), ceilings);
    int workCap = caps.cap(Axis.WORK_PER_REST, Side.BOTH);
    int workSeconds = plan.format().workWithin(workCap);
    List<AdaptedSlot> slots = new ArrayList<>();
    List<Station> stations = new ArrayList<>();
    for (Block block : Block.values()) {
      for (Slot slot : plan.slots(block)) {
        AdaptedSlot adapted = slot(slot, block, plan, situation, kit, standings, pins, workSeconds);
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
    Timeline timeline = Timeline.compile(stations, plan.format(), workCap, mobility);
    int effort = caps.cap(Axis.EFFORT, Side.BOTH);
    int[] session = new int[Axis.CELLS];
    session[Axis.SESSION_MINUTES.cell(Side.BOTH)] = (timeline.total() + 59) / 60;
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

  private AdaptedSlot slot(
      Slot slot,
      Block block,
      SessionPlan plan,
      Situation situation,
      Kitbag kit,
      Map<String, Standing> standings,
      Map<String, Pin> pins,
      int workSeconds) {
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
    int rounds = block == Block.WORK ? plan.format().rounds() : 1;
    int share = result.parts().size() == 2 ? seconds / 2 : seconds;
    for (Performed part : result.parts()) {
      doses.add(dose(part, share, rounds, situation.caps(), kit, standings));
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
      Map<String, Standing> standings) {
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
          grams = Loads.atOrUnder(target.getAsInt(), cap, hands, kit.weights()).orElse(0);
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
