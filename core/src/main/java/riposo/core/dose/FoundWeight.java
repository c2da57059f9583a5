package riposo.core.dose;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import riposo.core.movement.Carry;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;

/**
 * Which weight a movement is begun with, and why. House rule, in this order: what the professional
 * set since the last verdict; a verdict; the client's own last weight for that movement and
 * support; a relative's weight by its share, a fifth taken off; else the lightest in kit. The caps
 * come after it.
 *
 * @param grams wanted, as printed; 0 for none
 * @param on when it was decided or done; null for the lightest
 * @param of the relative's movement; null for none
 * @param ofGrams what is held in the relative; null for none
 * @param sides of the last weight, side by side where they differ and before a cut; null elsewhere
 * @param cutPercent taken off for a gap in days; 0 for none
 */
public record FoundWeight(
    Why why,
    int grams,
    @Nullable LocalDate on,
    @Nullable String of,
    @Nullable Integer ofGrams,
    int cutPercent,
    @Nullable Sided sides) {
  /** With the same weight on both sides. */
  public FoundWeight(
      Why why,
      int grams,
      @Nullable LocalDate on,
      @Nullable String of,
      @Nullable Integer ofGrams,
      int cutPercent) {
    this(why, grams, on, of, ofGrams, cutPercent, null);
  }

  /** Where it comes from. */
  public enum Why {
    SET_TODAY,
    SET,
    VERDICT,
    LAST,
    RELATIVE,
    LIGHTEST
  }

  /** A cut after which nothing of before counts. */
  private static final int NOTHING_LEFT = 100;

  /** Whether the professional set it. */
  public boolean byHand() {
    return why == Why.SET || why == Why.SET_TODAY;
  }

  /** Whether the weight is still to be found by effort. */
  public boolean toBeFound() {
    return why == Why.RELATIVE || why == Why.LIGHTEST;
  }

  /**
   * What a variant is begun with; empty where there is no weight in kit for it.
   *
   * @param verdict grams a verdict leaves the movement at; null when there is none
   * @param rests the day of the session the verdict rests on; null when there is none
   * @param eased when the movement's family was eased or stopped last; null when it was not. What
   *     was set by hand up to that day never lifts the weight past it
   * @param gap the gap the movement's family comes back from; null where there is none
   * @param set what the professional set for the slot; null when nothing
   * @param last the client's last weights
   * @param movements the movement of an id; null when it is no longer known
   */
  public static @Nullable FoundWeight of(
      Variant v,
      @Nullable Carry carry,
      LocalDate day,
      @Nullable Integer verdict,
      @Nullable LocalDate decidedOn,
      @Nullable LocalDate rests,
      @Nullable LocalDate eased,
      @Nullable Gap gap,
      @Nullable SetWeight set,
      List<LastWeight> last,
      Function<String, @Nullable Movement> movements,
      int hands,
      Collection<Weight> kit) {
    FoundWeight known =
        withoutHand(v, carry, day, verdict, decidedOn, rests, gap, last, movements, hands, kit);
    if (set == null || !set.counts(day) || !set.movementId().equals(v.movement().id())) {
      return known;
    }
    boolean older = !set.today() && decidedOn != null && set.on().isBefore(decidedOn);
    // set before a gap: it says no more than what was done then
    boolean before = gap != null && !set.today() && !set.on().isAfter(gap.from());
    int cut = gap != null && before ? gap.cut() : 0;
    if (cut == NOTHING_LEFT) {
      return known;
    }
    int grams = set.grams() * (100 - cut) / 100;
    boolean lifts = known == null || grams > known.grams();
    if (older || lifts && eased != null && !set.on().isAfter(eased)) {
      return known;
    }
    return new FoundWeight(set.today() ? Why.SET_TODAY : Why.SET, grams, set.on(), null, null, cut);
  }

  private static @Nullable FoundWeight withoutHand(
      Variant v,
      @Nullable Carry carry,
      LocalDate day,
      @Nullable Integer verdict,
      @Nullable LocalDate decidedOn,
      @Nullable LocalDate rests,
      @Nullable Gap gap,
      List<LastWeight> known,
      Function<String, @Nullable Movement> movements,
      int hands,
      Collection<Weight> kit) {
    boolean before = rests != null && gap != null && gap.cuts(rests);
    int cut = gap != null && before ? gap.cut() : 0;
    if (verdict != null && cut < NOTHING_LEFT) {
      return new FoundWeight(Why.VERDICT, verdict * (100 - cut) / 100, decidedOn, null, null, cut);
    }
    FoundWeight last =
        known.stream()
            .filter(l -> l.movementId().equals(v.movement().id()))
            .filter(l -> l.support().equals(v.modifiers()) && l.carry() == carry)
            .filter(l -> left(l.on(), day) > 0)
            .max(Comparator.comparing(LastWeight::on))
            .map(
                l -> {
                  int off = 100 - left(l.on(), day);
                  return new FoundWeight(
                      Why.LAST, l.grams() * (100 - off) / 100, l.on(), null, null, off, l.sides());
                })
            .orElse(null);
    if (last != null) {
      return last;
    }
    FoundWeight relative = relative(v.movement(), day, known, movements, hands, kit);
    if (relative != null) {
      return relative;
    }
    OptionalInt lightest = Loads.lightest(hands, kit);
    return lightest.isEmpty()
        ? null
        : new FoundWeight(Why.LIGHTEST, lightest.getAsInt(), null, null, null, 0);
  }

  /** Percent of a weight that a gap leaves: house rule of the gap; 0 from 42 days. */
  private static int left(LocalDate on, LocalDate day) {
    return Gap.left(java.time.temporal.ChronoUnit.DAYS.between(on, day));
  }

  /** Of several the newest, of two of one day the one that leads to less. */
  private static @Nullable FoundWeight relative(
      Movement m,
      LocalDate day,
      List<LastWeight> known,
      Function<String, @Nullable Movement> movements,
      int hands,
      Collection<Weight> kit) {
    int share = share(m);
    FoundWeight best = null;
    for (LastWeight l : known) {
      Movement from = movements.apply(l.movementId());
      if (share == 0
          || from == null
          || from.id().equals(m.id())
          || share(from) == 0
          || l.grams() == 0
          || left(l.on(), day) == 0) {
        continue;
      }
      long target = (long) l.grams() * share * 8 * left(l.on(), day) / (share(from) * 1000L);
      int grams = Loads.atOrUnder((int) target, Integer.MAX_VALUE, hands, kit).orElse(0);
      FoundWeight one =
          new FoundWeight(
              Why.RELATIVE, grams, l.on(), from.id(), l.grams(), 100 - left(l.on(), day));
      if (best == null
          || l.on().isAfter(java.util.Objects.requireNonNull(best.on()))
          || l.on().equals(best.on()) && grams < best.grams()) {
        best = one;
      }
    }
    return best;
  }

  /**
   * A movement's weight as a percentage of what a row takes: press with two arms 60, curl 60, side
   * or front raise 40, kick-back 40, overhead straighten 50, hinge or goblet squat 150; 0 where
   * there is no such number.
   */
  public static int share(Movement m) {
    boolean two = m.demands().hands() == 2;
    return switch (m.familyId()) {
      case "pull" -> m.id().endsWith("-row") ? 100 : 0;
      case "push" -> two && m.id().endsWith("-press") ? 60 : 0;
      case "overhead" -> m.id().equals("overhead-press") ? 60 : 0;
      case "elbow-bend" -> m.id().endsWith("curl") ? 60 : 0;
      case "raise" -> m.id().startsWith("side-raise") || m.id().equals("front-raise") ? 40 : 0;
      case "elbow-straighten" ->
          m.id().contains("kick-back") && !m.id().startsWith("row")
              ? 40
              : m.id().equals("overhead-straighten") ? 50 : 0;
      case "hinge" -> m.id().equals("dumbbell-hinge") ? 150 : 0;
      case "sit-stand" -> m.id().equals("goblet-squat") ? 150 : 0;
      default -> 0;
    };
  }
}
