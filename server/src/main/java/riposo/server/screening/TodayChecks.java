package riposo.server.screening;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.today.TodayCheck;

/** Today's checks, for the run. */
public interface TodayChecks {
  /** A check as stored: what was given and what it came to. */
  record Checked(
      UUID id,
      Instant at,
      @Nullable Integer pain,
      @Nullable String pressure,
      TodayCheck.Result result) {}

  /**
   * The check a run may start with: of this client, of today, the newest, not older than two hours,
   * nothing missing, nothing that rules today out. A 409 problem with the reasons otherwise.
   */
  Checked require(UUID clientId, @Nullable UUID checkId);

  /** Judges and stores a check; returns its id. */
  UUID check(UUID clientId, TodayCheck.Given given);

  /** All checks of a client, newest first. */
  List<Checked> of(UUID clientId);
}
