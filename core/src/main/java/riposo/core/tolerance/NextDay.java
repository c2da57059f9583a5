package riposo.core.tolerance;

import java.util.EnumSet;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * The client's check-in the day after, or 72 hours after.
 *
 * @param pain now, 0 to 10
 * @param compared against before the session
 * @param moreTired tired out of proportion
 * @param newSigns anything new; swelling that stays is among them
 * @param more what was said besides; nothing where it was not asked
 * @param replaced the answer it took the place of within the hour; null where it is the first
 */
public record NextDay(
    int pain,
    Compared compared,
    boolean moreTired,
    Set<Sign> newSigns,
    More more,
    @Nullable NextDay replaced) {
  /** How often an answer may be changed; each is kept behind the next. */
  public static final int MOST_CHANGES = 10;

  /** Against before the session. */
  public enum Compared {
    BETTER,
    SAME,
    WORSE
  }

  /** New signs that end the matter. */
  public enum Sign {
    /** Not for a check-in: the page says to call, and strength work closes until a clearance. */
    EMERGENCY("chest pain, fainting, breathless at rest, a face or arm gone weak"),
    NIGHT_PAIN("pain that woke them"),
    NUMBNESS("numbness"),
    GIVING_WAY("a joint gave way"),
    SWELLING("swelling that stays");

    public final String words;

    Sign(String words) {
      this.words = words;
    }
  }

  /** Whether anything swelled. */
  public enum Swelling {
    NONE,
    PASSED,
    STAYS
  }

  /**
   * What was said besides; null is not said, never 0.
   *
   * @param where it hurts, at most 120 characters
   * @param soreness of muscles, apart from pain, 0 to 10
   * @param sleep of the night, 0 to 10
   * @param energy 0 to 10
   * @param words the client's own, at most 500 characters
   */
  public record More(
      @Nullable String where,
      @Nullable Integer soreness,
      @Nullable Integer sleep,
      @Nullable Integer energy,
      @Nullable Swelling swelling,
      @Nullable String words) {
    /** Nothing said. */
    public static final More NOTHING = new More(null, null, null, null, null, null);

    public More {
      where = text("where it hurts", where, 120);
      words = text("the words", words, 500);
      scale("soreness", soreness);
      scale("sleep", sleep);
      scale("energy", energy);
    }

    private static void scale(String what, @Nullable Integer n) {
      if (n != null && (n < 0 || n > 10)) {
        throw new IllegalArgumentException(what + " must lie between 0 and 10, was " + n);
      }
    }

    private static @Nullable String text(String what, @Nullable String said, int most) {
      if (said == null || said.isBlank()) {
        return null;
      }
      if (said.length() > most) {
        throw new IllegalArgumentException(what + ": at most " + most + " characters");
      }
      return said.strip();
    }
  }

  public NextDay {
    if (pain < 0 || pain > 10) {
      throw new IllegalArgumentException("pain must lie between 0 and 10, was " + pain);
    }
    // kept answers of before know nothing of it
    more = more == null ? More.NOTHING : more;
    Set<Sign> all = EnumSet.noneOf(Sign.class);
    all.addAll(newSigns);
    if (more.swelling == Swelling.STAYS) {
      all.add(Sign.SWELLING);
    }
    newSigns = Set.copyOf(all);
  }

  /** The four answers alone. */
  public NextDay(int pain, Compared compared, boolean moreTired, Set<Sign> newSigns) {
    this(pain, compared, moreTired, newSigns, More.NOTHING, null);
  }

  /** In the place of an earlier answer, which is kept behind it. */
  public NextDay inPlaceOf(NextDay earlier) {
    return new NextDay(pain, compared, moreTired, newSigns, more, earlier);
  }

  /**
   * Every new sign ever told in it: one taken back stops until the professional's word ends it, as
   * a mistaken tap and a sign played down look the same.
   */
  public Set<Sign> signs() {
    Set<Sign> all = EnumSet.noneOf(Sign.class);
    answers().forEach(a -> all.addAll(a.newSigns));
    return all;
  }

  /** How often it was changed. */
  public int changes() {
    return (int) answers().count() - 1;
  }

  /** Signs told first and no more in what replaced it. */
  public Set<Sign> takenBack() {
    Set<Sign> all = signs();
    all.removeAll(newSigns);
    return all;
  }

  /** The greatest pain told in it, over 7 being a stop in any of its answers. */
  public int worstPain() {
    return answers().mapToInt(NextDay::pain).max().orElse(pain);
  }

  private Stream<NextDay> answers() {
    return Stream.iterate(this, Objects::nonNull, a -> a.replaced);
  }

  /** Nothing got worse against the pain before the session. */
  boolean settled(int painBefore) {
    return pain <= painBefore
        && compared != Compared.WORSE
        && !moreTired
        && signs().isEmpty()
        && more.swelling != Swelling.PASSED;
  }
}
