package riposo.core.dose;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import riposo.core.movement.Support;

/**
 * What is to be done in a slot, a round and a side.
 *
 * @param rounds how many rounds
 * @param reps repetitions expected in the interval; null for a hold or where not counted
 * @param holdSeconds one hold; null for a moving exercise
 * @param grams weight per hand, the heavier where they differ; null where the movement takes none,
 *     0 for "no weight"
 * @param hands how many hands hold it
 * @param share share of body weight moved; null where it does not apply
 * @param band true when a band is used
 * @param held the weight hand by hand; null where the movement takes none. What was stored before
 *     the hands were told apart is read as the same in both
 * @param turns how the two sides come; null where both work at once, or the dose is one side's
 * @param counts of a staged set what is counted; null elsewhere
 * @param seconds of work on the clock at a time; null where the count is the dose
 * @param at the height it is done at, where the plan names one; null elsewhere
 * @param series repetitions round by round, or set by set, where they differ; null where they do
 *     not
 * @param sets how many sets its block has, where one more may be asked of it; null elsewhere, and
 *     in what was stored before it was told
 * @param beside the band pulled with the weight, by its owner's name; null where there is none
 */
public record Dose(
    int rounds,
    @Nullable Integer reps,
    @Nullable Integer holdSeconds,
    @Nullable Integer grams,
    int hands,
    @Nullable Double share,
    boolean band,
    @Nullable Held held,
    @Nullable Turns turns,
    @Nullable Counts counts,
    @Nullable Integer seconds,
    @Nullable List<Integer> series,
    @Nullable At at,
    @Nullable Integer sets,
    @Nullable String beside) {
  /** How the two sides come. */
  public enum Turns {
    /** So much on each side. */
    EACH,
    /** One side and the other in turn, counted together. */
    IN_TURN,
    /** The first side in odd rounds, the other in even ones. */
    BY_ROUND,
    LEFT,
    RIGHT
  }

  /**
   * What a staged set counts: only full repetitions are progress.
   *
   * @param full repetitions over the whole range
   * @param part repetitions over a part of it
   * @param holdSeconds held in all
   */
  public record Counts(int full, int part, int pulses, int holdSeconds) {}

  /**
   * A height.
   *
   * @param basis how sure the share of body weight is that goes with it; null where it does not
   *     hang on the height
   */
  public record At(Support.Kind kind, int cm, HeightShare.@Nullable Basis basis) {}

  public Dose {
    if (held != null) {
      grams = held.heavier();
      held = held.differs() || !held.plain() ? held : null;
    }
    series = series == null ? null : List.copyOf(series);
  }

  /**
   * Whether as much is asked. What one of the two does not say, because it was stored before it was
   * told, does not make them differ.
   */
  public boolean sameAs(Dose other) {
    return rounds == other.rounds
        && hands == other.hands
        && band == other.band
        && Objects.equals(reps, other.reps)
        && Objects.equals(holdSeconds, other.holdSeconds)
        && Objects.equals(grams, other.grams)
        && Objects.equals(held, other.held)
        && Objects.equals(beside, other.beside)
        && agree(turns, other.turns)
        && agree(counts, other.counts)
        && agree(seconds, other.seconds)
        && agree(series, other.series)
        && agree(share, other.share)
        && agree(at, other.at);
  }

  private static boolean agree(@Nullable Object a, @Nullable Object b) {
    return a == null || b == null || a.equals(b);
  }

  /** Neither in sets that may be added to, nor with a band beside the weight. */
  public Dose(
      int rounds,
      @Nullable Integer reps,
      @Nullable Integer holdSeconds,
      @Nullable Integer grams,
      int hands,
      @Nullable Double share,
      boolean band,
      @Nullable Held held,
      @Nullable Turns turns,
      @Nullable Counts counts,
      @Nullable Integer seconds,
      @Nullable List<Integer> series,
      @Nullable At at) {
    this(
        rounds,
        reps,
        holdSeconds,
        grams,
        hands,
        share,
        band,
        held,
        turns,
        counts,
        seconds,
        series,
        at,
        null,
        null);
  }

  private Dose with(
      int round,
      @Nullable Integer each,
      @Nullable Held hand,
      @Nullable Turns turn,
      @Nullable Integer set,
      @Nullable String pulled) {
    return new Dose(
        round,
        reps,
        holdSeconds,
        each,
        hands,
        share,
        band,
        hand,
        turn,
        counts,
        seconds,
        series,
        at,
        set,
        pulled);
  }

  /** The same in sets that may be added to; null where they may not. */
  public Dose sets(@Nullable Integer other) {
    return with(rounds, grams, held, turns, other, beside);
  }

  /** The same with a band beside the weight; null for none. */
  public Dose beside(@Nullable String other) {
    return with(rounds, grams, held, turns, sets, other);
  }

  /** The weight hand by hand; null where the movement takes none. */
  public @Nullable Held weight() {
    return held == null ? Held.same(grams, hands) : held;
  }

  /** The same weight in every hand that holds one. */
  public Dose(
      int rounds,
      @Nullable Integer reps,
      @Nullable Integer holdSeconds,
      @Nullable Integer grams,
      int hands,
      @Nullable Double share,
      boolean band) {
    this(rounds, reps, holdSeconds, grams, hands, share, band, null, null, null, null, null, null);
  }

  /**
   * The same with so much in each hand that holds one; a band goes with the weight it was put by.
   */
  public Dose grams(int other) {
    Held w = weight();
    if (w == null) {
      return this;
    }
    Held changed =
        new Held(
            w.left() == 0 && w.differs() ? 0 : other,
            w.right() == 0 && w.differs() ? 0 : other,
            w.way());
    return with(rounds, other, changed, turns, sets, null);
  }

  /** The same with at most so much in each hand. */
  public Dose atMost(int most) {
    Held w = weight();
    return w == null || w.heavier() <= most
        ? this
        : with(
            rounds,
            most,
            new Held(Math.min(w.left(), most), Math.min(w.right(), most), w.way()),
            turns,
            sets,
            null);
  }

  /** The same in so many rounds. */
  public Dose rounds(int other) {
    return with(other, grams, held, turns, sets, beside);
  }

  /** The same, the sides coming so. */
  public Dose turns(@Nullable Turns other) {
    return with(rounds, grams, held, other, sets, beside);
  }
}
