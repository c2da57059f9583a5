package riposo.core.dose;

/**
 * A dumbbell weight in the kit.
 *
 * @param grams rounded up from what is printed, so that a cap is never passed by rounding
 * @param count how many there are
 */
public record Weight(int grams, int count) {
  public Weight {
    if (grams < 100 || grams > 100_000 || count < 1 || count > 200) {
      throw new IllegalArgumentException(
          "a weight is 100 g to 100 kg and there is at least one, was " + grams + " g x " + count);
    }
  }
}
