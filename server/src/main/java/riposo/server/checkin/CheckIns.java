package riposo.server.checkin;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.tolerance.NextDay;

/** Check-ins, for the other modules. */
public interface CheckIns {
  /** An unanswered check-in that is open. */
  record Waiting(UUID runId, UUID clientId, LocalDate opensOn, LocalDate expiresOn) {}

  /** Answers of a client by run. */
  Map<UUID, NextDay> answers(UUID clientId);

  /** Stores the answer for a run, as the client's page does. */
  void answer(UUID runId, NextDay answer);

  /** Check-ins open on that day without an answer. */
  List<Waiting> waiting(LocalDate today);

  /** The sent link for a run; null when none was sent. */
  @Nullable String link(UUID runId);

  /** Published inside the transaction that stores an answer. */
  record Answered(UUID runId, UUID clientId) {}
}
