package riposo.core.plan;

import org.jspecify.annotations.Nullable;
import riposo.core.kit.Band;

/**
 * How a slot wants a band: where it is fixed and how hard it is to pull. The grip that gives it is
 * each person's own.
 *
 * @param hold under one foot, under both, or over its whole length
 * @param grams pull wanted on a hand at the end of the movement, as the scale reads it, 100 to
 *     30,000
 * @param reachCm from the fixed point to the hand at the end of the movement for somebody of {@link
 *     #STATURE} cm, 10 to 250
 * @param stanceCm between the feet, 0 to 150; null where one foot or none holds it
 */
public record BandAsk(Band.Hold hold, int grams, int reachCm, @Nullable Integer stanceCm) {
  /** The stature a reach is stated for, cm. */
  public static final int STATURE = 170;

  public BandAsk {
    if (hold == null) {
      throw new IllegalArgumentException("a band is held under one foot, both, or whole");
    }
    range("a pull", grams, 100, 30_000, " g");
    range("a reach", reachCm, 10, 250, " cm");
    range("a stance", stanceCm, 0, 150, " cm");
    if (hold == Band.Hold.TWO_FEET && stanceCm == null) {
      throw new IllegalArgumentException("a band under both feet needs the stance between them");
    }
  }

  private static void range(
      String what, @Nullable Integer value, int least, int most, String unit) {
    if (value != null && (value < least || value > most)) {
      throw new IllegalArgumentException(
          what + " of a band is " + least + " to " + most + unit + ", was " + value);
    }
  }
}
