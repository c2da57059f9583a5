package riposo.server.tolerance.internal;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Sided;
import riposo.core.limit.Side;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Movement;
import riposo.core.wording.Wording;
import riposo.server.run.Runs;

/** What was done in a family, in order: lighter under heavier, a rung under the next. */
final class Levels {
  private record Done(String movementId, int rung, @Nullable Sided weight) {}

  private final Catalogue catalogue;
  private final Map<UUID, List<Runs.SetLine>> byRun = new LinkedHashMap<>();
  private final List<Line> order;

  Levels(List<Runs.SetLine> done, Catalogue catalogue) {
    this.catalogue = catalogue;
    done.forEach(s -> byRun.computeIfAbsent(s.runId(), k -> new ArrayList<>()).add(s));
    Set<Line> lines = new TreeSet<>();
    byRun.values().forEach(sets -> lines.add(line(of(sets))));
    order = List.copyOf(lines);
  }

  int count() {
    return order.size();
  }

  /**
   * @param changed what was decided after a session and is no weight and no rung, by run: it is
   *     written at the session after it
   */
  List<ToleranceViews.FamilyMark> marks(
      Map<UUID, Integer> at, Reckoner.Case of, Map<UUID, String> changed) {
    List<ToleranceViews.FamilyMark> marks = new ArrayList<>();
    String label = null;
    String movement = null;
    String change = null;
    for (Map.Entry<UUID, List<Runs.SetLine>> e : byRun.entrySet()) {
      Done now = of(e.getValue());
      String words = label(now, movement);
      var answer = of.answers.get(e.getKey());
      marks.add(
          new ToleranceViews.FamilyMark(
              Objects.requireNonNull(at.get(e.getKey())),
              order.indexOf(line(now)),
              change != null ? words + ", " + change : words.equals(label) ? null : words,
              lastEffort(e.getValue()),
              most(e.getValue()),
              answer == null ? null : (Integer) answer.pain()));
      label = words;
      movement = now.movementId();
      change = changed.get(e.getKey());
    }
    return marks;
  }

  private Done of(List<Runs.SetLine> sets) {
    Runs.SetLine last = sets.get(sets.size() - 1);
    Integer left = null;
    Integer right = null;
    for (Runs.SetLine s : sets) {
      if (s.movementId().equals(last.movementId()) && s.grams() != null) {
        left = s.side() == Side.RIGHT ? left : s.grams();
        right = s.side() == Side.LEFT ? right : s.grams();
      }
    }
    Integer one = left == null ? right : left;
    Integer other = right == null ? left : right;
    Sided weight = one == null || other == null ? null : new Sided(one, other);
    return new Done(
        last.movementId(), catalogue.find(last.movementId()).map(Movement::rung).orElse(0), weight);
  }

  /** A line: a rung, then a weight. */
  private record Line(int rung, int grams, String movementId) implements Comparable<Line> {
    private static final Comparator<Line> ORDER =
        Comparator.comparingInt(Line::rung)
            .thenComparingInt(Line::grams)
            .thenComparing(Line::movementId);

    @Override
    public int compareTo(Line other) {
      return ORDER.compare(this, other);
    }
  }

  private static Line line(Done d) {
    return new Line(d.rung(), d.weight() == null ? 0 : d.weight().heavier(), d.movementId());
  }

  /** The weight, with the movement where that changed; the movement alone where none is held. */
  private String label(Done d, @Nullable String before) {
    Sided w = d.weight();
    if (w == null) {
      return name(catalogue, d.movementId());
    }
    String weight =
        w.differs() ? "left " + kg(w.left()) + ", right " + kg(w.right()) : kg(w.heavier());
    return before == null || before.equals(d.movementId())
        ? weight
        : name(catalogue, d.movementId()) + ", " + weight;
  }

  private static String kg(int grams) {
    return grams == 0 ? "no weight" : Wording.kg(grams);
  }

  private static @Nullable Integer most(List<Runs.SetLine> sets) {
    Integer most = null;
    for (Runs.SetLine s : sets) {
      if (s.pain() != null && (most == null || s.pain() > most)) {
        most = s.pain();
      }
    }
    return most;
  }

  /** The greatest of the last round's. */
  private static @Nullable Integer lastEffort(List<Runs.SetLine> sets) {
    int round = sets.stream().mapToInt(Runs.SetLine::round).max().orElse(0);
    Integer most = null;
    for (Runs.SetLine s : sets) {
      if (s.round() == round && s.effort() != null && (most == null || s.effort() > most)) {
        most = s.effort();
      }
    }
    return most;
  }

  /** A session's place on the line. */
  record Step(UUID runId, int level, String words) {}

  /** Every session in time order, each with what was done in words. */
  List<Step> steps() {
    return byRun.entrySet().stream()
        .map(
            e -> {
              Done now = of(e.getValue());
              return new Step(e.getKey(), order.indexOf(line(now)), whole(now));
            })
        .toList();
  }

  private String whole(Done d) {
    String weight = d.weight() == null ? "" : label(d, d.movementId());
    return name(catalogue, d.movementId()) + (weight.isEmpty() ? "" : ", " + weight);
  }

  /** The name of a movement; its id where nobody knows it any more. */
  static String name(Catalogue catalogue, String movementId) {
    return catalogue.find(movementId).map(Movement::name).orElse(movementId);
  }
}
