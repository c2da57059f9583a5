package riposo.core.adapt;

import java.util.List;
import riposo.core.plan.BlockOrder;

/**
 * An order of a block in which this client goes to the floor less often than in the plan's.
 *
 * @param order indexes into the block's slots
 * @param found what is gained
 */
public record ClientOrder(String blockKey, List<Integer> order, BlockOrder.Found found) {
  public ClientOrder {
    order = List.copyOf(order);
  }
}
