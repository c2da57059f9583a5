package riposo.server.client;

import java.util.List;
import java.util.UUID;

/** What one module keeps of a client; every module that keeps something provides one. */
public interface ClientData {
  /** The name of this part in the export. */
  String part();

  /** Everything kept, as the API shows it. */
  Object export(UUID clientId);

  /** Deletes everything kept and returns the ids of what was deleted. */
  List<UUID> erase(UUID clientId);

  /** Erased in rising order: what points at others goes before them. */
  int order();
}
