package riposo.core.adapt;

import java.util.Map;
import java.util.Set;
import riposo.core.limit.Caps;
import riposo.core.movement.Kit;

/**
 * What holds for one client on one date: combined limits, the kit at hand, and how far accepted
 * verdicts let each family go.
 */
public record Situation(Caps caps, Set<Kit> kit, Map<String, Ceiling> ceilings) {
  public Situation {
    kit = Set.copyOf(kit);
    ceilings = Map.copyOf(ceilings);
  }

  public Situation withCaps(Caps other) {
    return new Situation(other, kit, ceilings);
  }
}
