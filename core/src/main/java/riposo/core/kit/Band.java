package riposo.core.kit;

import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A band, measured with a luggage scale. e = (L - L0)/L0.
 *
 * @param name the owner's own name for it; makers differ
 * @param freeLengthCm L0, 20 to 400
 * @param points measured force at some e; one point only means a linear estimate
 */
public record Band(String name, int freeLengthCm, List<Measured> points, boolean latex, int count) {

  /**
   * A measured point.
   *
   * @param percent e in percent, 10 to 250
   * @param grams the scale's reading, force as grams
   */
  public record Measured(int percent, int grams) {
    public Measured {
      if (percent < 10 || percent > 250 || grams < 10 || grams > 100_000) {
        throw new IllegalArgumentException(
            "a point of "
                + percent
                + " % and "
                + grams
                + " g cannot be right: 10 to 250 %, 10 g to 100 kg");
      }
    }
  }

  /** How a band is held. */
  public enum Hold {
    WHOLE,
    ONE_FOOT,
    TWO_FEET
  }

  /**
   * A force at some stretch.
   *
   * @param grams the estimate
   * @param checkGrams what caps are checked against: x 1.5 when only one point is known
   * @param warning over e 2; null otherwise
   */
  public record Force(int grams, int checkGrams, boolean estimated, @Nullable String warning) {}

  /**
   * Where to grip.
   *
   * @param gripCm free length of band per hand, from the fixed point to the hand
   * @param spareCm band left over per hand beyond the grip
   */
  public record Grip(int gripCm, int spareCm, Force force) {}

  public Band {
    if (name.isBlank()) {
      throw new IllegalArgumentException("a band needs its name");
    }
    if (freeLengthCm < 20 || freeLengthCm > 400) {
      throw new IllegalArgumentException(
          "a free length of " + freeLengthCm + " cm cannot be right: 20 to 400 cm");
    }
    if (points.isEmpty() || points.size() > 10) {
      throw new IllegalArgumentException("band " + name + " needs one to ten measured points");
    }
    if (count < 1 || count > 200) {
      throw new IllegalArgumentException("band " + name + ": how many, 1 to 200");
    }
    points = points.stream().sorted(Comparator.comparingInt(Measured::percent)).toList();
    for (int i = 1; i < points.size(); i++) {
      if (points.get(i).percent() == points.get(i - 1).percent()) {
        throw new IllegalArgumentException(
            "band " + name + " has two points at " + points.get(i).percent() + " %");
      }
      if (points.get(i).grams() <= points.get(i - 1).grams()) {
        throw new IllegalArgumentException(
            "band " + name + ": the pull must grow with the stretch");
      }
    }
  }

  /**
   * The force at a stretch: between points interpolated, from 0 to the first in proportion, past
   * the last along the last slope. Throws over e 2.5: refuse.
   */
  public Force force(double e) {
    if (e > 2.5 + 1e-9) {
      throw new IllegalArgumentException(
          "stretched to " + percent(e) + " % of its length: over 250 % is refused");
    }
    if (e <= 0) {
      return new Force(0, 0, points.size() == 1, null);
    }
    double p = e * 100;
    double grams = 0;
    int fromP = 0;
    int fromG = 0;
    boolean found = false;
    for (Measured point : points) {
      if (p <= point.percent()) {
        grams = fromG + (p - fromP) * (point.grams() - fromG) / (double) (point.percent() - fromP);
        found = true;
        break;
      }
      fromP = point.percent();
      fromG = point.grams();
    }
    if (!found) {
      int beforeP = points.size() > 1 ? points.get(points.size() - 2).percent() : 0;
      int beforeG = points.size() > 1 ? points.get(points.size() - 2).grams() : 0;
      grams = fromG + (p - fromP) * (fromG - beforeG) / (double) (fromP - beforeP);
    }
    boolean estimated = points.size() == 1;
    // Up, never down: what is checked against a cap is not lowered by rounding.
    int check = (int) Math.ceil((estimated ? grams * 1.5 : grams) - 1e-9);
    return new Force(
        (int) Math.round(grams),
        check,
        estimated,
        e > 2 ? "stretched over twice its length: look for wear" : null);
  }

  /** The free length a hand has to work with, before it grips shorter. */
  public int perHandCm(Hold hold, int stanceCm) {
    int length =
        switch (hold) {
          case WHOLE -> freeLengthCm;
          case ONE_FOOT -> freeLengthCm / 2;
          case TWO_FEET -> (freeLengthCm - stanceCm) / 2;
        };
    if (length < 5) {
      throw new IllegalArgumentException(
          "with a stance of " + stanceCm + " cm nothing of the band is left to hold");
    }
    return length;
  }

  /**
   * Where to grip so that the pull at the end of the movement is the wanted one or the nearest
   * under it. Hands further down shorten the free length and pull harder.
   *
   * @param reachCm from the fixed point to the hand at the end of the movement
   * @param capGrams greatest pull permitted on that hand; the grip never passes it
   * @return null when even the whole length pulls harder than wanted or permitted
   */
  public @Nullable Grip grip(Hold hold, int stanceCm, int reachCm, int wantedGrams, int capGrams) {
    int most = perHandCm(hold, stanceCm);
    Grip best = null;
    for (int cm = most; cm >= 5; cm--) {
      double e = (reachCm - cm) / (double) cm;
      if (e > 2.5) {
        break;
      }
      Force f = force(e);
      if (f.grams() > wantedGrams || f.checkGrams() > capGrams) {
        break;
      }
      best = new Grip(cm, most - cm, f);
    }
    return best;
  }

  private static int percent(double e) {
    return (int) Math.round(e * 100);
  }
}
