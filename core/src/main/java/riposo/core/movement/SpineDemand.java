package riposo.core.movement;

/**
 * A spine motion reached.
 *
 * @param motion flexion, extension, rotation or side-bend
 * @param level 1 mid range, 2 end range
 * @param loaded under load
 */
public record SpineDemand(String motion, int level, boolean loaded) {
  public SpineDemand {
    if (level < 1 || level > 2) {
      throw new IllegalArgumentException("spine level must be 1 or 2, was " + level);
    }
  }
}
