package riposo.core.adapt;

import java.util.List;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.movement.Modifier;

/**
 * What is done in a slot, or on one side of it.
 *
 * @param side BOTH when the movement is done as it is; LEFT or RIGHT for one side of a split slot
 * @param movementId null for rest and breathe
 * @param range percentage of the full range kept
 */
public record Performed(
    Side side, @Nullable String movementId, List<Modifier> modifiers, int range) {
  public static Performed rest(Side side) {
    return new Performed(side, null, List.of(), 100);
  }

  public boolean isRest() {
    return movementId == null;
  }
}
