package riposo.core.trend;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.run.DoneSet;
import riposo.core.run.Entry;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.Level;

/**
 * What a family's sessions say over the six weeks up to the newest.
 *
 * @param trends each figure that was told at least once
 * @param sides left against right
 * @param warmsUp sessions in which pain was there at the first repetitions, less later, and back
 *     afterwards
 */
public record FamilyTrends(List<Trend> trends, LeftRight sides, WarmsUp warmsUp) {
  /**
   * Pain that warms up and returns.
   *
   * @param sessions in which it did
   * @param told sessions in which all three were told
   */
  public record WarmsUp(int sessions, int told) {}

  public FamilyTrends {
    trends = List.copyOf(trends);
  }

  /**
   * Reads a family.
   *
   * @param sessions in time order
   * @param pulses median pulse at the work of the family by run, where one was read
   */
  public static FamilyTrends of(List<FamilySession> sessions, Map<UUID, Integer> pulses) {
    List<Trend> trends = new ArrayList<>();
    add(trends, Trend.What.PAIN, points(sessions, FamilySession::pain));
    add(trends, Trend.What.MORNING, points(sessions, FamilySession::morningRise));
    if (!sessions.isEmpty()) {
      FamilySession newest = sessions.get(sessions.size() - 1);
      List<FamilySession> same = sessions.stream().filter(s -> sameWork(s, newest)).toList();
      add(trends, Trend.What.EFFORT, points(same, FamilyTrends::lastEffort));
      add(
          trends,
          Trend.What.PULSE,
          points(
              same,
              s -> {
                Integer p = pulses.get(s.runId());
                return p == null ? OptionalInt.empty() : OptionalInt.of(p);
              }));
    }
    add(trends, Trend.What.TOUCH_DOWNS, points(sessions, FamilyTrends::touchDowns));
    return new FamilyTrends(trends, LeftRight.of(sessions), warmsUp(sessions));
  }

  /** Missing is missing, never 0. */
  private interface Figure {
    OptionalInt of(FamilySession s);
  }

  private static void add(List<Trend> all, Trend.What what, List<Point> points) {
    if (!points.isEmpty()) {
      all.add(Trend.of(what, points));
    }
  }

  private static List<Point> points(List<FamilySession> sessions, Figure figure) {
    List<Point> all = new ArrayList<>();
    for (FamilySession s : sessions) {
      figure.of(s).ifPresent(v -> all.add(new Point(s.date(), v)));
    }
    return all;
  }

  /** The same form, weight and count were asked. */
  public static boolean sameWork(FamilySession a, FamilySession b) {
    return a.forms().equals(b.forms())
        && Objects.equals(Level.of(a).weight(), Level.of(b).weight())
        && Objects.equals(a.last().targetReps(), b.last().targetReps())
        && Objects.equals(a.last().asked().holdSeconds(), b.last().asked().holdSeconds());
  }

  private static OptionalInt lastEffort(FamilySession s) {
    return s.lastSets().stream()
        .map(DoneSet::effort)
        .filter(Objects::nonNull)
        .mapToInt(Integer::intValue)
        .max();
  }

  private static OptionalInt touchDowns(FamilySession s) {
    List<Entry.Form> told =
        s.entries().stream()
            .map(e -> e.entry().form())
            .filter(f -> f.touchDowns() != null || f.grabs() != null)
            .toList();
    return told.isEmpty()
        ? OptionalInt.empty()
        : OptionalInt.of(told.stream().mapToInt(f -> or0(f.touchDowns()) + or0(f.grabs())).sum());
  }

  private static int or0(@Nullable Integer n) {
    return n == null ? 0 : n;
  }

  private static WarmsUp warmsUp(List<FamilySession> sessions) {
    int did = 0;
    int told = 0;
    for (FamilySession s : sessions) {
      boolean in = s.date().isAfter(sessions.get(sessions.size() - 1).date().minusDays(Trend.SPAN));
      List<Entry.Hurt> hurts =
          s.entries().stream()
              .map(e -> e.entry().hurt())
              .filter(h -> h.first() != null && h.later() != null && h.after() != null)
              .toList();
      if (in && !hurts.isEmpty()) {
        told++;
        did += hurts.stream().anyMatch(FamilyTrends::returns) ? 1 : 0;
      }
    }
    return new WarmsUp(did, told);
  }

  private static boolean returns(Entry.Hurt h) {
    return h.first() != null
        && h.later() != null
        && h.after() != null
        && h.later().value() < h.first().value()
        && h.after().value() > h.later().value();
  }
}
