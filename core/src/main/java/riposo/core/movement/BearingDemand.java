package riposo.core.movement;

/**
 * What a limb carries.
 *
 * @param arm true for an arm, false for a leg
 * @param percent share of body weight on that one limb, 0 to 100
 */
public record BearingDemand(boolean arm, int percent, Part part) {
  public BearingDemand {
    if (percent < 0 || percent > 100) {
      throw new IllegalArgumentException("bearing must lie between 0 and 100 %, was " + percent);
    }
  }
}
