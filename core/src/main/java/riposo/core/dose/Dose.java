package riposo.core.dose;

import org.jspecify.annotations.Nullable;

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
 */
public record Dose(
    int rounds,
    @Nullable Integer reps,
    @Nullable Integer holdSeconds,
    @Nullable Integer grams,
    int hands,
    @Nullable Double share,
    boolean band,
    @Nullable Held held) {
  public Dose {
    if (held != null) {
      grams = held.heavier();
      held = held.differs() ? held : null;
    }
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
    this(rounds, reps, holdSeconds, grams, hands, share, band, null);
  }
}
