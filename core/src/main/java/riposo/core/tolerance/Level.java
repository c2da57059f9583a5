package riposo.core.tolerance;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Sided;
import riposo.core.limit.Side;
import riposo.core.run.DoneSet;

/**
 * Where a session leaves a family: the movement of its last set, and the weight side by side.
 *
 * @param sides those told apart: LEFT, RIGHT or BOTH
 * @param weight of the last set of each side; null where none is taken. A side that was not done
 *     has the other's
 */
public record Level(String movementId, Set<Side> sides, @Nullable Sided weight) {
  public Level {
    sides = Set.copyOf(sides);
  }

  public static Level of(FamilySession session) {
    DoneSet last = session.last();
    List<DoneSet> sets =
        session.lastSets().stream().filter(s -> s.movementId().equals(last.movementId())).toList();
    Set<Side> sides = new TreeSet<>();
    sets.forEach(s -> sides.add(s.side()));
    Sided left = weight(sets, Side.LEFT);
    Sided right = weight(sets, Side.RIGHT);
    Sided both = last.sides();
    Sided weight =
        left == null || right == null
            ? left == null && right == null ? both : left == null ? right : left
            : new Sided(left.left(), right.right());
    return new Level(last.movementId(), sides, weight);
  }

  private static @Nullable Sided weight(List<DoneSet> sets, Side side) {
    return sets.stream()
        .filter(s -> s.side() == side)
        .map(DoneSet::sides)
        .filter(w -> w != null)
        .findFirst()
        .orElse(null);
  }

  /** The weight side by side where the sides differ and a change is none of weight; else null. */
  public @Nullable Sided kept(Change change) {
    boolean load =
        change instanceof Change.LoadUp
            || change instanceof Change.LoadDown
            || change instanceof Change.TwoInOne;
    return weight != null
            && weight.differs()
            && !load
            && change.movementId().equals(movementId)
            && change.grams() != null
        ? weight
        : null;
  }
}
