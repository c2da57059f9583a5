package riposo.core.dose;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.List;
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
 * @param steps what is offered from each weight a finding set can be done with, the one begun with
 *     first; empty in runs of before
 */
public record WeightFinding(int easy, int hard, int sets, List<Step> steps) {
  /** Sets that find a weight, at most. */
  public static final int SETS = 2;

  private static final int EASY = 3;
  private static final int OVER_GOAL = 2;
  private static final int MOST_EFFORT = 10;

  /**
   * The weights next to one.
   *
   * @param grams of the set; 0 for none
   * @param up grams of the next weight up; null where the kit, a cap, the plan or today leaves none
   * @param down grams of the next weight down, 0 for none; null where nothing is held
   */
  public record Step(int grams, @Nullable Integer up, @Nullable Integer down) {}

  @SuppressWarnings("ConstantValue") // a run kept of before has none
  public WeightFinding {
    steps = steps == null ? List.of() : List.copyOf(steps);
  }

  /**
   * What may come after the weight begun with, and after the ones found on the way.
   *
   * @param grams begun with; 0 for none
   * @param most the greatest weight that caps and the plan leave, in grams
   * @param hands how many hold one at once
   * @param goal effort aimed for, never over what is allowed
   * @param cut today is eased or short: nothing goes up
   */
  public static WeightFinding of(
      int grams, int most, int hands, Collection<Weight> kit, int goal, boolean cut) {
    List<Step> steps = new ArrayList<>();
    Deque<Integer> open = new ArrayDeque<>(List.of(grams));
    for (int set = 1; set <= SETS; set++) {
      Deque<Integer> next = new ArrayDeque<>();
      for (int at : open) {
        if (steps.stream().anyMatch(s -> s.grams == at)) {
          continue;
        }
        OptionalInt above = Loads.above(at, hands, kit);
        Integer up =
            !cut && above.isPresent() && above.getAsInt() <= most ? above.getAsInt() : null;
        Integer down = at == 0 ? null : (Integer) Loads.below(at, hands, kit).orElse(0);
        steps.add(new Step(at, up, down));
        if (up != null) {
          next.add(up);
        }
        if (down != null) {
          next.add(down);
        }
      }
      open = next;
    }
    return new WeightFinding(EASY, Math.min(MOST_EFFORT, goal + OVER_GOAL), SETS, steps);
  }

  /**
   * What is offered after a finding set, in grams; null where nothing is.
   *
   * @param grams the set was done with; 0 for none
   * @param halted pain was over the client's line, or form was lost: nothing goes up
   */
  public @Nullable Integer after(int grams, int effort, boolean halted) {
    for (Step s : steps) {
      if (s.grams == grams) {
        return effort >= hard ? s.down : effort <= easy && !halted ? s.up : null;
      }
    }
    return null;
  }
}
