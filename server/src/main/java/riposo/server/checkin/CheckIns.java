package riposo.server.checkin;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import riposo.core.tolerance.NextDay;

/** Check-ins, for the other modules. */
public interface CheckIns {
  /** An unanswered check-in that is open. */
  record Waiting(UUID runId, UUID clientId, LocalDate opensOn, LocalDate expiresOn) {}

  /** Answers of a client by run. */
  Map<UUID, NextDay> answers(UUID clientId);

  /** Stores the answer of a client for a run, as their page does. */
  void answer(UUID runId, UUID clientId, NextDay answer);

  /** Check-ins open on that day without an answer. */
  List<Waiting> waiting(LocalDate today);

  /** The link sent to each client of a run; without those to whom none was sent. */
  Map<UUID, String> links(UUID runId);

  /** Published inside the transaction that stores an answer. */
  record Answered(UUID runId, UUID clientId) {}
}
