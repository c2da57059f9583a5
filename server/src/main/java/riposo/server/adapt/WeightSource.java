package riposo.server.adapt;

import java.util.List;
import java.util.UUID;
import riposo.core.dose.LastWeight;

/** The weights a client last used; told by the run module. */
public interface WeightSource {
  /** The newest of each movement, support and way of holding. */
  List<LastWeight> lastWeights(UUID clientId);
}
