package riposo.core.adapt;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Build;
import riposo.core.dose.Dose;
import riposo.core.dose.FoundWeight;
import riposo.core.dose.Gap;
import riposo.core.dose.HeightShare;
import riposo.core.dose.Held;
import riposo.core.dose.LastWeight;
import riposo.core.dose.Loads;
import riposo.core.dose.SetWeight;
import riposo.core.dose.Sided;
import riposo.core.dose.Weight;
import riposo.core.dose.WeightChoice;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Carry;
import riposo.core.movement.Catalogue;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Support;
import riposo.core.movement.Variant;
import riposo.core.plan.Block;
import riposo.core.plan.Format;
import riposo.core.plan.FormatKind;
import riposo.core.plan.Param;
import riposo.core.plan.PlanBlock;
import riposo.core.plan.Segment;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Sides;
import riposo.core.plan.Timeline;

/** How much of a movement a client does in a slot: counts, height, and the weight begun with. */
final class SlotDoses {
  private final Adapter adapter;
  private final Catalogue catalogue;

  SlotDoses(Adapter adapter) {
    this.adapter = adapter;
    this.catalogue = adapter.catalogue();
  }

  private @Nullable Movement find(String id) {
    return catalogue.find(id).orElse(null);
  }

  /** How much of a part is done in a slot. */
  Dose dose(
      Performed part,
      SessionPlan.Asked at,
      SlotPieces told,
      Timeline timeline,
      Caps caps,
      @Nullable FoundWeight found,
      ClientDay day) {
    Format f = at.block().format();
    int rounds = f.kind() == FormatKind.THROUGH_DAY ? f.get(Param.TIMES) : rounds(at, timeline);
    if (part.movementId() == null) {
      return new Dose(rounds, null, null, null, 0, null, false);
    }
    Variant v = adapter.variant(part);
    Movement m = v.movement();
    Standing s = PlanAdapter.standing(m, day.standings());
    SlotCount count = SlotCount.of(at, part.side(), timeline, told, v);
    Integer reps = count.reps();
    if (reps != null && s != null && s.reps() != null) {
      reps = Math.min(reps, s.reps());
    }
    Held held = weight(v, part.side(), at, caps, found, day);
    Gap gap = gap(m, at, day);
    // where nothing is held the count is what a gap cuts
    List<Integer> series = count.series();
    if (gap != null && (held == null || held.heavier() == 0)) {
      reps = reps == null ? null : (Integer) gap.count(reps);
      series = series == null ? null : series.stream().map(gap::count).toList();
    }
    if (reps == null && count.hold() == null) {
      return new Dose(rounds, null, null, null, 0, null, false);
    }
    Dose.At height = height(v, at, caps, day.build());
    Double share = m.share();
    if (height != null && height.kind() == Support.Kind.LEAN && height.basis() != null) {
      share =
          java.util.Objects.requireNonNull(HeightShare.at(height.cm(), day.build().statureCm()))
              .share();
    }
    return new Dose(
        rounds,
        reps,
        count.hold(),
        null,
        v.handsLoaded(),
        share,
        m.loadKind() == LoadKind.BAND && v.loadable(),
        held,
        turns(count, told, v, part.side()),
        count.counts(),
        count.seconds(),
        series,
        height);
  }

  /** How often it comes round: those of its block, and a set more where the client has one. */
  private static int rounds(SessionPlan.Asked at, Timeline timeline) {
    return ownSets(at)
        ? timeline.segments().stream()
            .filter(g -> g.slotKey().equals(at.key()) && g.kind() == Segment.Kind.WORK)
            .mapToInt(Segment::round)
            .reduce(at.rounds(), Math::max)
        : at.rounds();
  }

  /**
   * Whether a slot is done in sets of its own, all alike, to which one can be added. Where each set
   * is one side's, one more would leave the other behind.
   */
  static boolean ownSets(SessionPlan.Asked at) {
    return at.block().block() == Block.WORK
        && at.slot().sides() != Sides.BY_ROUND
        && at.block().sides() != PlanBlock.SideMode.BY_ROUND
        && at.block().format().kind() == FormatKind.SETS
        && at.rounds() == at.block().format().rounds();
  }

  /**
   * The height a form is done at here. What raises the hands or the seat by itself has none; a
   * lower support that would put more on an arm than it may bear is left for the usual one.
   */
  private static Dose.@Nullable At height(Variant v, SessionPlan.Asked at, Caps caps, Build build) {
    Support s = v.movement().support();
    Integer cm = at.slot().height();
    boolean raised =
        v.modifiers().contains(Modifier.HIGHER_HANDS)
            || v.modifiers().contains(Modifier.HIGHER_SEAT);
    if (s == null || cm == null || raised || !s.reaches(cm)) {
      return null;
    }
    if (s.kind() != Support.Kind.LEAN) {
      return new Dose.At(s.kind(), cm, null);
    }
    HeightShare there = HeightShare.at(cm, build.statureCm());
    HeightShare usual = HeightShare.at(s.usual(), build.statureCm());
    if (there != null && usual != null && there.share() > usual.share()) {
      int[] d = v.whole().clone();
      for (Side side : new Side[] {Side.LEFT, Side.RIGHT}) {
        int cell = Axis.BEARING_ARM.cell(side);
        d[cell] = (int) Math.ceil(d[cell] * there.share() / usual.share() - 1e-9);
      }
      if (caps.forbids(d)) {
        return new Dose.At(s.kind(), s.usual(), usual.basis());
      }
    }
    if (there == null && cm < s.usual()) {
      // how much more a lower one asks is not known without the stature
      return new Dose.At(s.kind(), s.usual(), null);
    }
    return new Dose.At(s.kind(), cm, there == null ? null : there.basis());
  }

  private static Dose.@Nullable Turns turns(
      SlotCount count, SlotPieces told, Variant v, Side side) {
    return side == Side.BOTH && count.turns() == null && told.sides(v) == Sides.IN_TURN
        ? Dose.Turns.IN_TURN
        : count.turns();
  }

  /** How a weight is held or carried in a slot; null where the movement takes none. */
  private static @Nullable Carry carry(SessionPlan.Asked at, Variant v, ClientDay day) {
    Standing s = PlanAdapter.standing(v.movement(), day.standings());
    Carry asked = s == null || s.carry() == null ? at.slot().carry() : s.carry();
    boolean none = v.modifiers().contains(Modifier.NO_WEIGHT);
    boolean oneHand = v.modifiers().contains(Modifier.ONE_SIDE) || v.emptyHand() != null;
    // the form that is open comes first: no weight is none on the body either, and a hand that is
    // out of it holds nothing
    return asked == null || !v.movement().carries().contains(asked) || (asked.body ? none : oneHand)
        ? v.carry()
        : asked;
  }

  /** How many weights are wanted at once. */
  private static int count(Variant v, @Nullable Carry carry) {
    return carry == Carry.THIGHS
        ? 2
        : carry != null && carry.body ? 1 : Math.max(1, v.handsLoaded());
  }

  /** What a part is begun with; null where it takes no weight or the kit has none for it. */
  @Nullable FoundWeight found(Performed part, SessionPlan.Asked at, ClientDay day) {
    if (part.isRest()) {
      return null;
    }
    Variant v = adapter.variant(part);
    Carry carry = carry(at, v, day);
    if (carry == null || !carry.body && !v.loadable()) {
      return null;
    }
    Standing s = PlanAdapter.standing(v.movement(), day.standings());
    SetWeight set = day.weights().set().get(at.key());
    LocalDate eased = eased(v.movement(), day.standings());
    // what was lifted before a family was eased says nothing of what may be lifted now
    List<LastWeight> known =
        day.weights().last().stream()
            .filter(
                l ->
                    eased == null
                        || l.on().isAfter(eased)
                        || catalogue
                            .find(l.movementId())
                            .filter(m -> m.familyId().equals(v.movement().familyId()))
                            .isEmpty())
            .toList();
    return FoundWeight.of(
        v,
        carry,
        day.caps().day(),
        s == null ? null : s.grams(),
        s == null ? null : s.decidedOn(),
        s == null ? null : s.known(),
        eased,
        gap(v.movement(), at, day),
        set,
        known,
        this::find,
        count(v, carry),
        day.kit().weights());
  }

  /**
   * The band a decision has put beside the weight of a slot; null where there is none, or another
   * weight is held than it was put beside.
   */
  @Nullable BandGrip beside(
      SessionPlan.Asked at,
      List<Performed> parts,
      List<Dose> doses,
      Situation situation,
      ClientDay day) {
    Performed part = parts.get(0);
    if (parts.size() > 1 || part.isRest() || at.block().block() != Block.WORK) {
      return null;
    }
    Variant v = adapter.variant(part);
    Standing s = PlanAdapter.standing(v.movement(), day.standings());
    Held held = doses.get(0).weight();
    if (s == null
        || s.pull() == null
        || held == null
        || held.differs()
        || !Integer.valueOf(held.heavier()).equals(s.grams())
        || day.today().cut()
        || gap(v.movement(), at, day) != null) {
      return null;
    }
    return BandGrip.beside(
        v,
        part.side(),
        held.way(),
        held.heavier(),
        s.pull(),
        situation,
        day.kit().bands(),
        day.build());
  }

  /** The gap that cuts a movement of the work; null where none does. */
  private static @Nullable Gap gap(Movement m, SessionPlan.Asked at, ClientDay day) {
    return at.block().block() == Block.WORK ? day.gaps().get(m.familyId()) : null;
  }

  /** When a verdict last took something off the movement's family; null when none did. */
  private static @Nullable LocalDate eased(Movement m, Map<String, Standing> standings) {
    Standing s = standings.get(m.familyId());
    return s == null || s.verdict().equals("STEP_UP") || s.verdict().equals("STAY")
        ? null
        : s.decidedOn();
  }

  /**
   * What is to be said of a weight the professional sets for a slot; null where nothing there takes
   * a weight.
   *
   * @param grams as printed
   */
  @Nullable WeightChoice choice(
      SessionPlan.Asked at, List<Performed> parts, int grams, ClientDay day) {
    Performed part = parts.stream().filter(p -> found(p, at, day) != null).findFirst().orElse(null);
    if (part == null) {
      return null;
    }
    Variant v = adapter.variant(part);
    Carry carry = carry(at, v, day);
    FoundWeight history = found(part, at, day.with(day.weights().with(Map.of())));
    LocalDate eased = eased(v.movement(), day.standings());
    return WeightChoice.of(
        grams,
        eased != null && !day.caps().day().isAfter(eased),
        history == null ? null : (Integer) history.grams(),
        v,
        part.side(),
        carry,
        day.caps().raised(at.block().effortRaise(at.index())),
        count(v, carry),
        day.kit().weights());
  }

  /** The weight held; null where the movement takes none. */
  private static @Nullable Held weight(
      Variant v,
      Side side,
      SessionPlan.Asked at,
      Caps caps,
      @Nullable FoundWeight found,
      ClientDay day) {
    Carry carry = carry(at, v, day);
    if (v.movement().loadKind() != LoadKind.DUMBBELL && carry == null) {
      return null;
    }
    if (found == null) {
      return carry == null ? Held.same(0, v.handsLoaded()) : new Held(0, 0, carry);
    }
    Sided sides = sides(v, found, day);
    if (sides != null && sides.differs()) {
      return new Held(
          held(v, side, at, caps, found, sides.left(), day).left(),
          held(v, side, at, caps, found, sides.right(), day).right(),
          held(v, side, at, caps, found, sides.right(), day).way());
    }
    return held(v, side, at, caps, found, found.grams(), day);
  }

  /** The weight side by side, where what it comes from tells the sides apart; else null. */
  private static @Nullable Sided sides(Variant v, FoundWeight found, ClientDay day) {
    Standing s = PlanAdapter.standing(v.movement(), day.standings());
    Sided from =
        found.why() == FoundWeight.Why.VERDICT ? s == null ? null : s.sides() : found.sides();
    return from == null ? null : from.each(g -> g * (100 - found.cutPercent()) / 100);
  }

  private static Held held(
      Variant v,
      Side side,
      SessionPlan.Asked at,
      Caps caps,
      FoundWeight found,
      int grams,
      ClientDay day) {
    Carry carry = carry(at, v, day);
    int wanted = grams;
    // The plan's weight is a ceiling: it never lifts what history allows.
    Integer most = at.slot().grams();
    if (most != null && (!found.byHand() || most == 0)) {
      wanted = Math.min(wanted, most);
    }
    wanted = day.today().grams(wanted);
    List<Weight> kit = day.kit().weights();
    boolean atOnce = at.block().format().phrase().contains(Side.BOTH) && v.oneSided();
    return atOnce
        ? Loads.inBoth(v, side, wanted, caps, kit)
        : Loads.held(v, side, carry, wanted, caps, kit);
  }
}
