package riposo.server.tolerance;

import java.util.List;
import java.util.UUID;

/** Verdicts, for the other modules. */
public interface Verdicts {
  /** A client with verdicts to decide. */
  record Waiting(UUID clientId, int count) {}

  List<Waiting> waiting();

  /** Accepts every waiting verdict of a client. */
  void acceptAll(UUID clientId);
}
