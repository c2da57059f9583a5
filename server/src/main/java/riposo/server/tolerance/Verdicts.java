package riposo.server.tolerance;

import java.util.List;
import java.util.UUID;

/** Verdicts, for the other modules. */
public interface Verdicts {
  /**
   * A client with verdicts to decide.
   *
   * @param count all of them
   * @param stops how many of them stop and refer: each closes its family while it waits
   */
  record Waiting(UUID clientId, int count, int stops) {}

  /** Those with a stop first, each in the order its oldest verdict came. */
  List<Waiting> waiting();

  /** Accepts every waiting verdict of a client. */
  void acceptAll(UUID clientId);
}
