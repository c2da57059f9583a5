package riposo.core.adapt;

import java.util.ArrayList;
import java.util.List;
import riposo.core.limit.Axis;
import riposo.core.limit.Side;
import riposo.core.movement.Variant;

/**
 * How far what stands in for a movement may go: never harder than asked, whatever its difficulty
 * says. Measured on the form in which it would be done, and held to even at the price of a purpose.
 *
 * @param effort the most effort: one above what was asked, over 6 only where that was asked
 * @param pressure the most trunk pressure: what was asked, or 1
 * @param complexity the most parts to coordinate: what was asked, or 2
 * @param fromFloor whether a weight may come from the floor: only where one was asked to
 * @param onFloor whether it may be done on the floor: only where that was asked, so that no trip
 *     there is added
 */
public record Reach(int effort, int pressure, int complexity, boolean fromFloor, boolean onFloor) {
  private static final int EFFORT = Axis.EFFORT.cell(Side.BOTH);
  private static final int PRESSURE = Axis.PRESSURE.cell(Side.BOTH);
  private static final int COMPLEXITY = Axis.COMPLEXITY.cell(Side.BOTH);
  private static final int FROM_FLOOR = Axis.LOAD_FROM_FLOOR.cell(Side.BOTH);

  /** Greatest effort of what stands in for something gentler than that. */
  static final int MODERATE = 6;

  static Reach of(Variant asked) {
    int[] d = asked.whole();
    return new Reach(
        Math.max(d[EFFORT], Math.min(d[EFFORT] + 1, MODERATE)),
        Math.max(d[PRESSURE], 1),
        Math.max(d[COMPLEXITY], 2),
        d[FROM_FLOOR] > 0,
        asked.onFloor());
  }

  /**
   * What makes a form harder than asked.
   *
   * @param axisId effort, pressure, complexity, load.from-floor or surface.floor
   * @param asks what the form asks, in the unit of the axis
   * @param most the most that what was asked leaves
   */
  public record Over(String axisId, int asks, int most) {}

  /** Everything that makes the form harder than asked; empty when it is within. */
  List<Over> over(Variant form) {
    int[] d = form.whole();
    List<Over> over = new ArrayList<>();
    if (d[EFFORT] > effort) {
      over.add(new Over(Axis.EFFORT.id, d[EFFORT], effort));
    }
    if (d[PRESSURE] > pressure) {
      over.add(new Over(Axis.PRESSURE.id, d[PRESSURE], pressure));
    }
    if (d[COMPLEXITY] > complexity) {
      over.add(new Over(Axis.COMPLEXITY.id, d[COMPLEXITY], complexity));
    }
    if (!fromFloor && d[FROM_FLOOR] > 0) {
      over.add(new Over(Axis.LOAD_FROM_FLOOR.id, d[FROM_FLOOR], 0));
    }
    if (!onFloor && form.onFloor()) {
      over.add(new Over(Axis.FLOOR.id, 1, 0));
    }
    return over;
  }

  boolean within(Variant form) {
    return over(form).isEmpty();
  }
}
