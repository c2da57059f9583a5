package riposo.core.trend;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Gap;

/**
 * What was different before a day: facts side by side in time, never causes. Source: house rule.
 *
 * @param on the day looked back from; what was done on it counts
 * @param load the seven days up to it against the four weeks before them
 * @param effort of sessions, 14 days up to it against 42 before those
 * @param sleep 14 days up to it against 42 before those, 0 to 10
 * @param energy the same
 * @param firsts movements never done before, within 14 days up to it
 * @param away the longest time without a session that ended within 21 days up to it; null where
 *     none was longer than nine days
 */
public record Before(
    LocalDate on,
    WeekLoad load,
    Against effort,
    Against sleep,
    Against energy,
    List<First> firsts,
    @Nullable Away away) {
  /** Days looked at, and days they are held against. */
  public static final int NEAR = 14;

  public static final int FAR = 42;

  /** Days in which a time away still counts as just before. */
  public static final int RETURN = 21;

  /**
   * A session as it is looked at.
   *
   * @param effort told after it, 0 to 10; null where it was not
   * @param movements done in it, by id
   */
  public record Done(
      LocalDate day,
      @Nullable Integer effort,
      @Nullable Integer load,
      Collection<String> movements) {}

  /**
   * Medians of the days near against those before.
   *
   * @param near null where none was told
   * @param nearN how many were
   */
  public record Against(@Nullable Double near, int nearN, @Nullable Double before, int beforeN) {
    /** Both are known and differ. */
    public boolean differs() {
      return near != null && before != null && !near.equals(before);
    }
  }

  /** A movement done for the first time. */
  public record First(LocalDate day, String movementId) {}

  /** Days without a session, the first and last of them. */
  public record Away(LocalDate from, LocalDate to, int days) {}

  /**
   * Looks back from a day.
   *
   * @param sessions all of them up to the day, in any order: what was done long ago is not new
   * @param sleep as told before sessions and at check-ins
   */
  public static Before of(
      LocalDate on, List<Done> sessions, List<Point> sleep, List<Point> energy) {
    List<Done> until =
        sessions.stream()
            .filter(s -> !s.day().isAfter(on))
            .sorted(Comparator.comparing(Done::day))
            .toList();
    return new Before(
        on,
        WeekLoad.of(until.stream().map(s -> new WeekLoad.Load(s.day(), s.load())).toList(), on),
        against(
            on,
            until.stream()
                .filter(s -> s.effort() != null)
                .map(s -> new Point(s.day(), Objects.requireNonNull(s.effort())))
                .toList()),
        against(on, sleep),
        against(on, energy),
        firsts(on, until),
        away(on, until));
  }

  private static Against against(LocalDate on, List<Point> points) {
    LocalDate near = on.minusDays(NEAR);
    LocalDate far = near.minusDays(FAR);
    List<Double> now = new ArrayList<>();
    List<Double> then = new ArrayList<>();
    for (Point p : points) {
      if (p.day().isAfter(near) && !p.day().isAfter(on)) {
        now.add(p.value());
      } else if (p.day().isAfter(far) && !p.day().isAfter(near)) {
        then.add(p.value());
      }
    }
    return new Against(
        now.isEmpty() ? null : (Double) Median.of(now),
        now.size(),
        then.isEmpty() ? null : (Double) Median.of(then),
        then.size());
  }

  /** Of the first session nothing is called new: all of it is. */
  private static List<First> firsts(LocalDate on, List<Done> until) {
    Map<String, LocalDate> first = new HashMap<>();
    for (Done s : until) {
      s.movements().forEach(m -> first.putIfAbsent(m, s.day()));
    }
    LocalDate begun = until.isEmpty() ? on : until.get(0).day();
    return first.entrySet().stream()
        .filter(e -> e.getValue().isAfter(on.minusDays(NEAR)) && e.getValue().isAfter(begun))
        .map(e -> new First(e.getValue(), e.getKey()))
        .sorted(Comparator.comparing(First::day).thenComparing(First::movementId))
        .toList();
  }

  private static @Nullable Away away(LocalDate on, List<Done> until) {
    Away longest = null;
    for (int i = 1; i < until.size(); i++) {
      LocalDate from = until.get(i - 1).day();
      LocalDate to = until.get(i).day();
      int days = (int) ChronoUnit.DAYS.between(from, to);
      boolean near = to.isAfter(on.minusDays(RETURN));
      if (days > Gap.FREE && near && (longest == null || days - 1 > longest.days())) {
        longest = new Away(from.plusDays(1), to.minusDays(1), days - 1);
      }
    }
    return longest;
  }
}
