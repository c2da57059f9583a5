package riposo.core.tolerance;

import java.util.Set;

/**
 * The client's check-in the day after.
 *
 * @param pain now, 0 to 10
 * @param compared against before the session
 * @param moreTired tired out of proportion
 * @param newSigns anything new
 */
public record NextDay(int pain, Compared compared, boolean moreTired, Set<Sign> newSigns) {
  /** Against before the session. */
  public enum Compared {
    BETTER,
    SAME,
    WORSE
  }

  /** New signs that end the matter. */
  public enum Sign {
    NIGHT_PAIN,
    NUMBNESS,
    GIVING_WAY,
    SWELLING
  }

  public NextDay {
    if (pain < 0 || pain > 10) {
      throw new IllegalArgumentException("pain must lie between 0 and 10, was " + pain);
    }
    newSigns = Set.copyOf(newSigns);
  }
}
