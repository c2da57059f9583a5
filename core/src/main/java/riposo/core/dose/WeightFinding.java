package riposo.core.dose;

import java.util.Collection;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;

/**
 * How a weight is found by effort in its first sets: after an easy one a step of the kit up is
 * offered for the next, after one that was too hard a step down. Offered, never taken by itself.
 * House rule.
 *
 * @param easy an effort at or under it was easy, 0 to 10
 * @param hard an effort at or over it was too hard, 0 to 10
 * @param sets how many sets find; they do not count towards more
 * @param up grams of the next weight up; null where the kit, a cap, the plan or today leaves none
 * @param down grams of the next weight down, 0 for none; null where nothing is held
 */
public record WeightFinding(
    int easy, int hard, int sets, @Nullable Integer up, @Nullable Integer down) {
  /** Sets that find a weight, at most. */
  public static final int SETS = 2;

  private static final int EASY = 3;
  private static final int OVER_GOAL = 2;
  private static final int MOST_EFFORT = 10;

  /**
   * What may come after the weight begun with.
   *
   * @param grams begun with; 0 for none
   * @param most the greatest weight that caps and the plan leave, in grams
   * @param hands how many hold one at once
   * @param goal effort aimed for, never over what is allowed
   * @param cut today is eased or short: nothing goes up
   */
  public static WeightFinding of(
      int grams, int most, int hands, Collection<Weight> kit, int goal, boolean cut) {
    OptionalInt above = Loads.above(grams, hands, kit);
    Integer up = !cut && above.isPresent() && above.getAsInt() <= most ? above.getAsInt() : null;
    Integer down = grams == 0 ? null : (Integer) Loads.below(grams, hands, kit).orElse(0);
    return new WeightFinding(EASY, Math.min(MOST_EFFORT, goal + OVER_GOAL), SETS, up, down);
  }

  /** What is offered after a set of that effort, in grams; null where nothing is. */
  public @Nullable Integer after(int effort) {
    return effort >= hard ? down : effort <= easy ? up : null;
  }
}
