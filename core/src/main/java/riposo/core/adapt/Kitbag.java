package riposo.core.adapt;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import riposo.core.dose.Weight;
import riposo.core.kit.Band;
import riposo.core.movement.Kit;

/**
 * The kit at hand: what there is, and which dumbbells.
 *
 * @param unmeasured what is there and not counted among the items, because a fact is not recorded
 *     that says whether this client may use it: a seat, without the height of the knee
 * @param bands those of the bands that were measured
 */
public record Kitbag(Set<Kit> items, List<Weight> weights, Set<Kit> unmeasured, List<Band> bands) {
  public Kitbag {
    items = Set.copyOf(items);
    weights = List.copyOf(weights);
    // absent in what was stored before it was told apart
    unmeasured = Set.copyOf(Objects.requireNonNullElse(unmeasured, Set.of()));
    bands = List.copyOf(Objects.requireNonNullElse(bands, List.of()));
  }

  /** Without a band that was measured. */
  public Kitbag(Set<Kit> items, List<Weight> weights, Set<Kit> unmeasured) {
    this(items, weights, unmeasured, List.of());
  }

  public Kitbag(Set<Kit> items, List<Weight> weights) {
    this(items, weights, Set.of(), List.of());
  }
}
