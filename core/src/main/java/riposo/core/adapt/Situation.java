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
    // knees meet a pad on the way to the floor wherever there is one
    caps = caps.padded(kit.contains(Kit.PAD));
    ceilings = Map.copyOf(ceilings);
  }

  public Situation withCaps(Caps other) {
    return new Situation(other, kit, ceilings);
  }
}
