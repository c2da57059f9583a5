package riposo.server.adapt;

import java.util.Map;
import java.util.UUID;
import riposo.core.adapt.Standing;

/** Where accepted verdicts leave a client, by family id; told by the tolerance module. */
public interface StandingSource {
  Map<String, Standing> standings(UUID clientId);
}
