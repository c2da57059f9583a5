package riposo.server.client;

import java.util.List;
import java.util.UUID;

/** What one module keeps of a client; every module that keeps something provides one. */
public interface ClientData {
  /** The name of this part in the export. */
  String part();

  /**
   * Everything kept, as the API shows it. What grows with the years is an {@link Iterable} that is
   * read while it is written, one after the other, so that no memory has to hold it whole.
   */
  Object export(UUID clientId);

  /** Deletes everything kept and returns the ids of what was deleted. */
  List<UUID> erase(UUID clientId);

  /** Erased in rising order: what points at others goes before them. */
  int order();
}
