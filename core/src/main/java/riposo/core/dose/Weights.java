package riposo.core.dose;

import java.util.List;
import java.util.Map;

/**
 * What is known of a client's weights.
 *
 * @param last the last weight of each movement, support and way of holding
 * @param set what the professional set, by slot key of the plan at hand
 */
public record Weights(List<LastWeight> last, Map<String, SetWeight> set) {
  public static final Weights NONE = new Weights(List.of(), Map.of());

  public Weights {
    last = List.copyOf(last);
    set = Map.copyOf(set);
  }

  /** The same with what was set for the slots of a plan. */
  public Weights with(Map<String, SetWeight> other) {
    return new Weights(last, other);
  }
}
