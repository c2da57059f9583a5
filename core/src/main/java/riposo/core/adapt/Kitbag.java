package riposo.core.adapt;

import java.util.List;
import java.util.Set;
import riposo.core.dose.Weight;
import riposo.core.movement.Kit;

/** The kit at hand: what there is, and which dumbbells. */
public record Kitbag(Set<Kit> items, List<Weight> weights) {
  public Kitbag {
    items = Set.copyOf(items);
    weights = List.copyOf(weights);
  }
}
