package riposo.core.dose;

import java.util.Collection;
import java.util.List;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Carry;
import riposo.core.movement.Variant;

/** What is to be said of a weight the professional sets by hand. */
public sealed interface WeightChoice {
  /** It may be set as it is. */
  record Fine() implements WeightChoice {}

  /** No such weight, or not enough of them, in this kit; what there is, lightest first. */
  record NotInKit(List<Integer> kit) implements WeightChoice {}

  /** A cap is never passed: the most it leaves, in grams. */
  record OverCap(int most) implements WeightChoice {}

  /** More than one step of the kit over what history allows: that wants a reason. */
  record WantsReason(int history, int step) implements WeightChoice {}

  /** The family was eased today: nothing lifts it past what the verdict left, in grams. */
  record EasedToday(int history) implements WeightChoice {}

  /**
   * @param grams as printed, 100 to 100,000
   * @param easedToday a verdict of the day took something off the family
   * @param history what would be taken without it, in grams; null where nothing is known
   */
  static WeightChoice of(
      int grams,
      boolean easedToday,
      @Nullable Integer history,
      Variant v,
      Side side,
      @Nullable Carry carry,
      Caps caps,
      int hands,
      Collection<Weight> kit) {
    List<Integer> there =
        kit.stream()
            .filter(w -> w.count() >= hands)
            .map(Weight::grams)
            .distinct()
            .sorted()
            .toList();
    if (!there.contains(grams)) {
      return new NotInKit(there);
    }
    // each hand has its own cap; a choice for both counts where one of them may
    boolean apart =
        side == Side.BOTH && carry != Carry.BOTH_HANDS && (carry == null || !carry.body);
    int most =
        apart
            ? Math.max(
                Loads.capGrams(v, Side.LEFT, carry, caps),
                Loads.capGrams(v, Side.RIGHT, carry, caps))
            : Loads.capGrams(v, side, carry, caps);
    if (grams > most) {
      return new OverCap(most);
    }
    int from = history == null ? 0 : history;
    if (easedToday && grams > from) {
      return new EasedToday(from);
    }
    OptionalInt step = Loads.above(from, hands, kit);
    return step.isPresent() && grams > step.getAsInt()
        ? new WantsReason(from, step.getAsInt())
        : new Fine();
  }
}
