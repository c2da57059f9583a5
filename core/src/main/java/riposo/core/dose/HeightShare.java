package riposo.core.dose;

import org.jspecify.annotations.Nullable;

/**
 * The share of body weight that the hands take in a push-up at a height: floor 0.64, 30 cm 0.55, 61
 * cm 0.41 (Ebben 2011), linear between and on to 0.15 at the wall, at 0.8 of the stature. Beyond 61
 * cm it is an estimate. At 1.70 m: chair seat 45 cm 0.48, counter 90 cm 0.31.
 *
 * @param share 0 to 1
 */
public record HeightShare(double share, Basis basis) {
  /** How sure the number is. */
  public enum Basis {
    MEASURED("measured"),
    BETWEEN("between measured heights"),
    ESTIMATE("estimate");

    public final String words;

    Basis(String words) {
      this.words = words;
    }
  }

  private static final int[] AT = {0, 30, 61};
  private static final double[] SHARE = {0.64, 0.55, 0.41};
  private static final double WALL = 0.15;

  /**
   * @param cm height of the hands above the floor, 0 to 250
   * @param statureCm null when not recorded: beyond 61 cm nothing is known then
   * @return null where the stature is needed and not recorded
   */
  public static @Nullable HeightShare at(int cm, @Nullable Integer statureCm) {
    for (int i = 0; i < AT.length; i++) {
      if (cm == AT[i]) {
        return new HeightShare(SHARE[i], Basis.MEASURED);
      }
    }
    for (int i = 1; i < AT.length; i++) {
      if (cm < AT[i]) {
        double part = (cm - AT[i - 1]) / (double) (AT[i] - AT[i - 1]);
        return new HeightShare(SHARE[i - 1] + part * (SHARE[i] - SHARE[i - 1]), Basis.BETWEEN);
      }
    }
    if (statureCm == null) {
      return null;
    }
    double wall = 0.8 * statureCm;
    double share = SHARE[2] + (cm - AT[2]) / (wall - AT[2]) * (WALL - SHARE[2]);
    return new HeightShare(Math.max(WALL, share), Basis.ESTIMATE);
  }
}
