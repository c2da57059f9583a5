package riposo.server.screening;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.today.TodayCheck;

/** Today's checks, for the run. */
public interface TodayChecks {
  /**
   * A check as stored: what was given and what it came to by itself.
   *
   * @param time "10:32" in the studio's zone
   * @param today it is of today
   * @param withdrawn the sentence of who withdrew it as a mistaken tap and why; null while it
   *     counts
   * @param open it is of today and may still be withdrawn
   */
  record Checked(
      UUID id,
      Instant at,
      String time,
      boolean today,
      @Nullable Integer pain,
      @Nullable String pressure,
      TodayCheck.Result result,
      @Nullable String withdrawn,
      boolean open) {}

  /**
   * The check a run may start with: of this client, of today, the newest, not older than two hours,
   * nothing missing, nothing that rules today out. A 409 problem with the reasons otherwise.
   */
  Checked require(UUID clientId, @Nullable UUID checkId);

  /** What the client's conditions ask for today. */
  TodayCheck.Needs needs(UUID clientId);

  /** The newest check, where a run may start with it now; null where it may not. */
  @Nullable Checked usable(UUID clientId);

  /** Judges and stores a check; returns its id. */
  UUID check(UUID clientId, TodayCheck.Given given);

  /**
   * How somebody said they were before a session, 0 to 10; null where it was not asked.
   *
   * @param sleep of the night before
   * @param hardYesterday the day before was a hard one
   */
  record Felt(
      LocalDate date, @Nullable Integer sleep, @Nullable Integer energy, boolean hardYesterday) {}

  /** What was said from a day on, in time order; withdrawn checks left out. */
  List<Felt> felt(UUID clientId, LocalDate since);

  /** All checks of a client, newest first. */
  List<Checked> of(UUID clientId);
}
