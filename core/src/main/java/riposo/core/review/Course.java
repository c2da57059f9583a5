package riposo.core.review;

import java.util.List;
import java.util.OptionalInt;
import java.util.function.ToIntFunction;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Sided;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.Level;

/**
 * What became of a family over the days of a review.
 *
 * @param sessions in which it was done
 * @param way where the last of them stands against the first
 * @param worstPain greatest during, 0 to 10; null where none was told
 * @param hurt sessions with pain over the client's usual
 * @param answered mornings that were answered
 * @param worse of them those that were worse than before the session, or told a sign
 */
public record Course(
    int sessions, Way way, @Nullable Integer worstPain, int hurt, int answered, int worse) {
  /** Rung first, then weight: a higher rung with less weight is up. */
  public enum Way {
    UP,
    SAME,
    DOWN
  }

  /**
   * @param sessions in time order, at least one
   * @param rung of a movement; 0 where nobody knows it any more
   * @param usualPain of the client
   */
  public static Course of(List<FamilySession> sessions, ToIntFunction<String> rung, int usualPain) {
    FamilySession first = sessions.get(0);
    FamilySession last = sessions.get(sessions.size() - 1);
    int hurt = 0;
    int answered = 0;
    int worse = 0;
    Integer worst = null;
    for (FamilySession s : sessions) {
      OptionalInt pain = s.pain();
      if (pain.isPresent()) {
        hurt += pain.getAsInt() > usualPain ? 1 : 0;
        worst = worst == null ? pain.getAsInt() : Math.max(worst, pain.getAsInt());
      }
      if (s.nextDay() != null) {
        answered++;
        worse += s.morningRise().orElse(0) > 0 || !s.newSigns().isEmpty() ? 1 : 0;
      }
    }
    return new Course(sessions.size(), way(first, last, rung), worst, hurt, answered, worse);
  }

  private static Way way(FamilySession first, FamilySession last, ToIntFunction<String> rung) {
    int before = rung.applyAsInt(first.last().movementId());
    int now = rung.applyAsInt(last.last().movementId());
    if (before == 0 || now == 0) {
      return Way.SAME; // of a movement that left the catalogue nothing can be said
    }
    int by = Integer.compare(now, before);
    if (by == 0 && first.last().movementId().equals(last.last().movementId())) {
      by = Integer.compare(both(last), both(first));
    }
    return by > 0 ? Way.UP : by < 0 ? Way.DOWN : Way.SAME;
  }

  private static int both(FamilySession s) {
    Sided weight = Level.of(s).weight();
    return weight == null ? 0 : weight.left() + weight.right();
  }
}
