package riposo.server.screening;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.screening.Finding;
import riposo.core.screening.Outcome;

/** The standing outcome of a client, for the other modules. */
public interface Readiness {
  /**
   * Where a client stands today.
   *
   * @param screenedOn date of the newest screening; null when there is none
   * @param outcome null when there is no screening
   * @param findings open findings of the standing line, clearances taken off
   * @param pressureReading a blood pressure reading is required before a run
   * @param maternity the maternity lines of blood pressure apply
   * @param undecided proposals of the newest screening not yet decided
   */
  record ClientStanding(
      @Nullable LocalDate screenedOn,
      @Nullable Outcome outcome,
      List<Finding> findings,
      boolean pressureReading,
      boolean maternity,
      @Nullable String gestation,
      int undecided) {}

  ClientStanding of(UUID clientId);

  /** Stores a signed screening; returns its id. */
  UUID take(UUID clientId, java.util.Map<String, String> answers, String signedClient);

  /** Accepts every proposal of a screening. */
  void acceptAll(UUID screeningId);

  /** Events of other modules that count as findings: runs ended at the stop panel. */
  interface StopEvents {
    /** Days on which a run of the client ended at the stop panel. */
    List<LocalDate> stopDays(UUID clientId);
  }
}
