package riposo.core.tolerance;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.BandGrip;
import riposo.core.adapt.Performed;
import riposo.core.adapt.Situation;
import riposo.core.adapt.Standing;
import riposo.core.dose.Build;
import riposo.core.dose.Dose;
import riposo.core.dose.Loads;
import riposo.core.dose.Sided;
import riposo.core.dose.Weight;
import riposo.core.kit.Band;
import riposo.core.limit.Axis;
import riposo.core.limit.Side;
import riposo.core.movement.Carry;
import riposo.core.movement.Catalogue;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Tempo;
import riposo.core.movement.Variant;
import riposo.core.plan.Region;
import riposo.core.run.DoneSet;

/**
 * The steps open to a client from where they stand in a family.
 *
 * @param nextRung the next rung that limits and kit leave open; null when there is none
 * @param blocked true when there is a higher rung and a limit or kit closes it
 * @param previousRung the rung below that is open; null at the gentlest
 * @param both the weights next to the one held, on both sides
 * @param left the same on the left where it has a weight of its own; null where it has not
 * @param right the same on the right
 * @param percent how many percent up are a step at most: 5 or 10
 * @param slower the tempo to lower slowly at; null where that is done already, or not possible
 * @param hold the tempo to hold at the hardest point at; null where that is done already, or a
 *     limit on holds closes it
 * @param support what it was done with and can be done without; null where there is nothing
 * @param sets how many sets it has with one more; null where there is one more already, or it is
 *     not done in sets of its own
 * @param pull what a band here can pull with the weight at the end of the movement, in grams, so
 *     that both together are a step at most; null where none can, or one does already
 * @param fewer fewer repetitions than the plan's were agreed, and done
 */
public record Steps(
    @Nullable String nextRung,
    boolean blocked,
    @Nullable String previousRung,
    Near both,
    @Nullable Near left,
    @Nullable Near right,
    int percent,
    @Nullable String slower,
    @Nullable String hold,
    @Nullable Modifier support,
    @Nullable Integer sets,
    @Nullable Integer pull,
    boolean fewer) {
  /** Steps in neither sets, nor a band, nor repetitions that are to come back. */
  public Steps(
      @Nullable String nextRung,
      boolean blocked,
      @Nullable String previousRung,
      Near both,
      @Nullable Near left,
      @Nullable Near right,
      int percent,
      @Nullable String slower,
      @Nullable String hold,
      @Nullable Modifier support) {
    this(
        nextRung,
        blocked,
        previousRung,
        both,
        left,
        right,
        percent,
        slower,
        hold,
        support,
        null,
        null,
        false);
  }

  /** The same with one set more that may be done. */
  public Steps sets(@Nullable Integer other) {
    return with(other, pull, fewer);
  }

  /** The same with a band that can pull so much. */
  public Steps pull(@Nullable Integer grams) {
    return with(sets, grams, fewer);
  }

  /** The same with repetitions that are to come back, or not. */
  public Steps fewer(boolean reps) {
    return with(sets, pull, reps);
  }

  private Steps with(@Nullable Integer set, @Nullable Integer grams, boolean reps) {
    return new Steps(
        nextRung,
        blocked,
        previousRung,
        both,
        left,
        right,
        percent,
        slower,
        hold,
        support,
        set,
        grams,
        reps);
  }

  /**
   * The weights next to one, in grams, all in kit and inside the caps.
   *
   * @param next the next heavier one; null when there is none
   * @param within the heaviest that is a step at most; null when the next is a step too big
   * @param lightest the lightest in kit for as many hands; null when there is none
   * @param previous the one below; null when that is no weight
   * @param pair two in one hand that are a step at most, where no single one is; null when there
   *     are none, or it cannot be held so
   * @param capped a heavier one is in kit, and a cap closes it
   */
  public record Near(
      @Nullable Integer next,
      @Nullable Integer within,
      @Nullable Integer lightest,
      @Nullable Integer previous,
      @Nullable Integer pair,
      boolean capped) {
    static final Near NONE = new Near(null, null, null, null, null, false);
  }

  /** Percent up at most: upper body, frail or with a condition; lower body. */
  static final int SMALL_STEP = 5;

  static final int STEP = 10;

  /** Sets of one movement at most, with one more: house rule. */
  public static final int MOST_SETS = 5;

  /** Seconds held at the hardest point where a hold is the change. */
  private static final int HOLD_SECONDS = 2;

  /** Nothing is known to be open, so no way leads up: of a movement that left the catalogue. */
  public static final Steps NONE =
      new Steps(null, true, null, Near.NONE, null, null, STEP, null, null, null);

  /**
   * Steps without anything told apart by side, of 10 percent.
   *
   * @param done lowered slowly already
   */
  public Steps(
      @Nullable String nextRung,
      boolean blocked,
      @Nullable String previousRung,
      @Nullable Integer nextGrams,
      @Nullable Integer lightestGrams,
      @Nullable Integer previousGrams,
      boolean done) {
    this(
        nextRung,
        blocked,
        previousRung,
        new Near(nextGrams, null, lightestGrams, previousGrams, null, false),
        null,
        null,
        STEP,
        done ? null : Tolerance.SLOW_TEMPO,
        null,
        null);
  }

  /** The weights next to that side's. */
  public Near near(Side side) {
    Near own = side == Side.LEFT ? left : side == Side.RIGHT ? right : null;
    return own == null ? both : own;
  }

  /** The movement is lowered slowly already, or cannot be: that way is used up. */
  public boolean slow() {
    return slower == null;
  }

  /** The next weight in kit inside the caps; null when there is none. */
  public @Nullable Integer nextGrams() {
    return both.next;
  }

  /** The lightest weight in kit for as many hands; null when there is none. */
  public @Nullable Integer lightestGrams() {
    return both.lightest;
  }

  /** The weight below in kit; null when that is no weight. */
  public @Nullable Integer previousGrams() {
    return both.previous;
  }

  /** The steps open from a set, both sides alike, for a client without a condition. */
  public static Steps from(
      DoneSet last,
      Catalogue catalogue,
      Adapter adapter,
      Situation situation,
      Collection<Weight> weights,
      @Nullable Standing standing) {
    return from(
        last,
        new Level(last.movementId(), java.util.Set.of(last.side()), last.sides()),
        catalogue,
        adapter,
        situation,
        weights,
        standing,
        false);
  }

  /**
   * The steps open from where a session left the family.
   *
   * @param weights what there is to hold
   * @param standing where the last decision left the client in the family; null when there is none
   * @param careful frail, or with a condition: small steps for the lower body as well
   */
  public static Steps from(
      FamilySession last,
      Catalogue catalogue,
      Adapter adapter,
      Situation situation,
      Collection<Weight> weights,
      @Nullable Standing standing,
      boolean careful) {
    return from(
        last.last(), Level.of(last), catalogue, adapter, situation, weights, standing, careful);
  }

  /**
   * The same with what a band here could pull beside the weight.
   *
   * @param standing where the last decision left the client in the family; null when there is none
   * @param bands those of the kit that were measured
   */
  public Steps bands(
      FamilySession last,
      Adapter adapter,
      Situation situation,
      @Nullable Standing standing,
      List<Band> bands,
      Build build) {
    DoneSet set = last.last();
    Sided weight = Level.of(last).weight();
    Movement at = adapter.catalogue().find(set.movementId()).orElse(null);
    if (at == null
        || weight == null
        || weight.differs()
        || set.asked().beside() != null
        || standing != null && standing.movementId().equals(at.id()) && standing.pull() != null
        || adapter.catalogue().retired(at.id())) {
      return this;
    }
    List<Modifier> with = new ArrayList<>(set.form().support());
    with.sort(null);
    Performed done = new Performed(set.side(), at.id(), with, set.form().range());
    if (!adapter.possible(done)) {
      return this;
    }
    BandGrip b =
        BandGrip.beside(
            adapter.variant(done),
            Side.BOTH,
            set.carry(),
            weight.heavier(),
            BandGrip.pull(weight.heavier(), percent),
            situation,
            bands,
            build);
    return b == null || b.grip() == null ? this : pull(b.grip().force().grams());
  }

  private static Steps from(
      DoneSet last,
      Level level,
      Catalogue catalogue,
      Adapter adapter,
      Situation situation,
      Collection<Weight> weights,
      @Nullable Standing standing,
      boolean careful) {
    Movement at = catalogue.find(last.movementId()).orElse(null);
    if (at == null) {
      return NONE;
    }
    String next = null;
    boolean higher = false;
    String previous = null;
    for (Movement m : catalogue.family(at.familyId()).rungs()) {
      if (catalogue.retired(m.id())) {
        continue; // offered no more
      }
      boolean open = adapter.open(m.id(), situation) != null;
      if (m.rung() > at.rung() && next == null) {
        higher = true;
        next = open ? m.id() : null;
      } else if (m.rung() < at.rung() && open) {
        previous = m.id();
      }
    }
    boolean retired = catalogue.retired(at.id());
    int percent = careful || Region.of(at).half == Region.Half.UPPER ? SMALL_STEP : STEP;
    Near both = Near.NONE;
    Near left = null;
    Near right = null;
    if (last.grams() != null && level.weight() != null) {
      Holding held =
          new Holding(last, at, catalogue, adapter, situation, weights, percent, retired);
      both = held.near(Side.BOTH, last.grams());
      if (level.weight().differs() || level.sides().contains(Side.LEFT)) {
        left = held.near(Side.LEFT, level.weight().left());
        right = held.near(Side.RIGHT, level.weight().right());
      }
    }
    Tempo now =
        standing != null && standing.movementId().equals(at.id()) && standing.tempo() != null
            ? Tempo.of(standing.tempo())
            : null;
    Tempo usual = now == null ? at.tempo() : now;
    boolean still = at.isHold();
    boolean holds =
        !retired
            && !still
            && situation.caps().cap(Axis.HOLD, Side.BOTH) >= HOLD_SECONDS
            && usual.holdHigh() < HOLD_SECONDS;
    Tempo held = new Tempo(usual.lower(), usual.holdLow(), usual.lift(), HOLD_SECONDS);
    Standing same = standing != null && standing.movementId().equals(at.id()) ? standing : null;
    return new Steps(
        next,
        higher && next == null,
        previous,
        both,
        left,
        right,
        percent,
        retired || still || usual.lower() >= Tempo.of(Tolerance.SLOW_TEMPO).lower()
            ? null
            : slower(usual),
        holds ? held.toString() : null,
        retired ? null : support(last, adapter, situation),
        retired || same != null && same.more() != null ? null : oneMore(last.asked()),
        null,
        !retired && same != null && fewer(same.reps(), last.targetReps()));
  }

  /** Whether the number agreed was asked; sides in turn make an odd one even, downwards. */
  private static boolean fewer(@Nullable Integer agreed, @Nullable Integer asked) {
    return agreed != null
        && asked != null
        && (agreed.equals(asked) || agreed % 2 == 1 && asked == agreed - 1);
  }

  /** How many sets there are with one more; null where they are not its own, or enough. */
  private static @Nullable Integer oneMore(Dose asked) {
    Integer sets = asked.sets();
    return sets == null || asked.rounds() != sets || sets >= MOST_SETS ? null : sets + 1;
  }

  private static String slower(Tempo usual) {
    Tempo slow = Tempo.of(Tolerance.SLOW_TEMPO);
    return usual.holdHigh() <= slow.holdHigh()
        ? Tolerance.SLOW_TEMPO
        : new Tempo(slow.lower(), usual.holdLow(), slow.lift(), usual.holdHigh()).toString();
  }

  /** A hand on a support that the limits do not ask for; null where there is none. */
  private static @Nullable Modifier support(DoneSet last, Adapter adapter, Situation situation) {
    if (!last.form().support().contains(Modifier.HOLD_SUPPORT)) {
      return null;
    }
    List<Modifier> without = new ArrayList<>(last.form().support());
    without.remove(Modifier.HOLD_SUPPORT);
    without.sort(null);
    Performed free = new Performed(last.side(), last.movementId(), without, last.form().range());
    return adapter.possible(free)
            && adapter.missing(free, situation).isEmpty()
            && adapter.broken(free, situation.caps()).isEmpty()
        ? Modifier.HOLD_SUPPORT
        : null;
  }

  /** How the weight is held, and what of the kit can be held so. */
  private static final class Holding {
    private final Variant form;
    private final @Nullable Carry carry;
    private final Movement movement;
    private final Situation situation;
    private final Collection<Weight> weights;
    private final int percent;
    private final boolean retired;

    Holding(
        DoneSet last,
        Movement at,
        Catalogue catalogue,
        Adapter adapter,
        Situation situation,
        Collection<Weight> weights,
        int percent,
        boolean retired) {
      List<Modifier> with = new ArrayList<>(last.form().support());
      with.sort(null);
      Performed done = new Performed(last.side(), at.id(), with, last.form().range());
      Variant plain = catalogue.variants(at).get(0);
      this.form = adapter.possible(done) ? adapter.variant(done) : plain;
      Carry way = last.carry();
      this.carry = way != null && at.carries().contains(way) ? way : plain.carry();
      this.movement = at;
      this.situation = situation;
      this.weights = weights;
      this.percent = percent;
      this.retired = retired;
    }

    Near near(Side side, int grams) {
      boolean two = carry == Carry.TWO_IN_ONE;
      int hands =
          carry == Carry.THIGHS
              ? 2
              : two || carry != null && carry.body || carry == Carry.BOTH_HANDS
                  ? 1
                  : Math.max(1, form.handsLoaded());
      int cap = cap(side, carry);
      OptionalInt above =
          two ? Loads.pairAbove(grams, weights) : Loads.above(grams, hands, weights);
      // no more of what is offered no more: only another rung leads up
      boolean open = !retired && above.isPresent() && above.getAsInt() <= cap;
      Integer most = boxed(Loads.within(grams, percent, hands, weights));
      Integer within =
          open && two
              ? (Integer)
                  (above.getAsInt() <= grams * (100L + percent) / 100 ? above.getAsInt() : 0)
              : open && most != null ? (Integer) heaviest(grams, hands, Math.min(most, cap)) : null;
      return new Near(
          open ? boxed(above) : null,
          within == null || within == 0 ? null : within,
          boxed(Loads.lightest(hands, weights)),
          boxed(Loads.below(grams, hands, weights)),
          pair(side, grams),
          above.isPresent() && above.getAsInt() > cap);
    }

    private int heaviest(int grams, int hands, int most) {
      int got = Loads.atOrUnder(most, most, hands, weights).orElse(0);
      return got > grams ? got : 0;
    }

    /** Two in one hand, where the movement is held so and a step at most. */
    private @Nullable Integer pair(Side side, int grams) {
      if (retired
          || grams == 0
          || movement.loadKind() != LoadKind.DUMBBELL
          || carry == Carry.TWO_IN_ONE
          || !movement.carries().contains(Carry.TWO_IN_ONE)) {
        return null;
      }
      OptionalInt pair = Loads.pairAbove(grams, weights);
      return pair.isPresent()
              && pair.getAsInt() <= grams * (100L + percent) / 100
              && pair.getAsInt() <= cap(side, Carry.TWO_IN_ONE)
          ? boxed(pair)
          : null;
    }

    private int cap(Side side, @Nullable Carry way) {
      return Loads.capGrams(form, side, way, situation.caps());
    }
  }

  private static @Nullable Integer boxed(OptionalInt o) {
    return o.isPresent() ? (Integer) o.getAsInt() : null;
  }
}
