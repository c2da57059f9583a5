package riposo.server.run;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.run.DoneRun;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.RunState;
import riposo.core.today.TodayCheck;

/** Runs, for the other modules. */
public interface Runs {
  /** A 404 problem where there is no such run here. */
  void require(UUID id);

  /** What a run was started with. */
  RunSheet sheet(UUID id);

  /** Where a run stands now. */
  RunState state(UUID id);

  /** Checks today and starts a run; refuses like the screen does. */
  UUID start(UUID clientId, UUID planId, TodayCheck.Given given, @Nullable String reason);

  /** Stores events; a 409 problem with the sentence when one is refused. */
  void record(UUID runId, List<RunEvent> events);

  /** Closes a run of one person with the words after it; feel is GOOD, SO_SO or POOR. */
  void close(UUID runId, int effort, String feel);

  /**
   * A run of a person without its sheet and events.
   *
   * @param leftOpen it ended because nothing was heard of it any more
   * @param closed the words after it are on file
   */
  record Summary(
      UUID id,
      UUID clientId,
      UUID planId,
      String planName,
      LocalDate date,
      RunState.Status status,
      boolean leftOpen,
      boolean closed) {}

  /** All runs of a client in time order, in short. */
  List<Summary> summaries(UUID clientId);

  /** The runs of everybody whose words after are not on file, in time order. */
  List<Summary> unclosed();

  /** Ends every run of the studio of which nothing was heard for 12 hours. */
  void endLeftOpen();

  /** What a client did in every run, in time order. */
  List<DoneRun> history(UUID clientId);

  /** Published inside the transaction that closes a run with its after-words. */
  record RunClosed(UUID runId, UUID clientId) {}

  /** Published inside the transaction that keeps a STOP, or withdraws one. */
  record RunStopped(UUID runId, UUID clientId) {}
}
