package riposo.server.run;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.TodayDose;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.run.DoneRun;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.RunState;
import riposo.core.today.TodayCheck;
import riposo.server.platform.Problems;
import riposo.server.screening.TodayChecks;

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

  /**
   * Somebody who is to begin with a group.
   *
   * @param checkId of today's check
   * @param dose another dose than the check's, with a reason; null for the check's
   */
  record Joining(
      UUID clientId,
      @Nullable UUID checkId,
      TodayCheck.@Nullable Dose dose,
      @Nullable String reason) {}

  /** Somebody found good to begin as far as they themselves are concerned: what today leaves. */
  record Admitted(Joining joining, TodayChecks.Checked checked, TodayDose today) {}

  /**
   * Somebody with their part of a group's run.
   *
   * @param problems what limits on the session as a whole say against it
   * @param strength of the strongest of them; null when there is none
   */
  record Beginner(
      Admitted admitted,
      RunSheet.Person person,
      List<String> problems,
      @Nullable Strength strength) {}

  /** Why somebody is not taken in. */
  record Refusal(UUID clientId, String code, String sentence, List<String> reasons) {
    public static Refusal of(UUID who, Problems p) {
      return new Refusal(
          who,
          p.code(),
          String.valueOf(p.getMessage()),
          p.more().get("reasons") instanceof List<?> l
              ? l.stream().map(String::valueOf).toList()
              : List.of());
    }
  }

  /**
   * Holds a client for a start and asks whether they may begin with a group; a problem with the
   * sentence where they may not.
   */
  Admitted admit(Joining who);

  /** The run this start made before, with the same people; null where it made none yet. */
  @Nullable UUID begunBefore(UUID id, UUID groupId, Set<UUID> people);

  /** Starts a group's run, all or nobody: a problem that names everybody who may not. */
  UUID startGroup(UUID id, RunSheet sheet, List<Beginner> people);

  /** What a run was started with, the run held until the transaction ends. */
  RunSheet held(UUID id);

  /** Takes somebody into a group's run that goes on. */
  void join(UUID runId, Beginner who);

  /** The run of a group that is not ended; null where there is none. */
  @Nullable UUID openOf(UUID groupId);

  /** The problem of a group's start that names everybody who may not begin, and why. */
  static Problems notAll(List<Refusal> refusals) {
    return Problems.refused(
        "not-all-may-start",
        refusals.size() == 1
            ? "One of them may not start; nobody was started."
            : refusals.size() + " of them may not start; nobody was started.",
        Map.of("people", refusals));
  }

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

  /** The runs of these clients on a day, in time order. */
  List<Summary> on(Collection<UUID> clients, LocalDate day);

  /** The newest day before that day on which each trained; without those who never did. */
  Map<UUID, LocalDate> lastBefore(Collection<UUID> clients, LocalDate day);

  /** The same of one; null where they never did. */
  @Nullable LocalDate lastBefore(UUID client, LocalDate day);

  /** The runs of everybody whose words after are not on file, in time order. */
  List<Summary> unclosed();

  /** Ends every run of the studio of which nothing was heard for 12 hours. */
  void endLeftOpen();

  /** What a client did in every run, in time order. */
  List<DoneRun> history(UUID clientId);

  /** The same of some days, both ends included. */
  List<DoneRun> history(UUID clientId, LocalDate since, LocalDate until);

  /**
   * A session of a person in one line.
   *
   * @param effort told after it, 0 to 10; null while it is not
   * @param minutes the person was in it; null while it goes on
   * @param note of the words after it
   */
  record SessionLine(
      UUID runId,
      LocalDate date,
      String planName,
      RunState.Status status,
      @Nullable Integer effort,
      @Nullable Integer minutes,
      TodayCheck.@Nullable Dose dose,
      @Nullable String note) {
    /** Effort times minutes; null where one of them is not known. */
    public @Nullable Integer load() {
      return effort == null || minutes == null ? null : (Integer) (effort * minutes);
    }
  }

  /** The days of a client's first and newest session. */
  record Trained(UUID clientId, LocalDate first, LocalDate newest) {}

  /** Those of these clients who had a session. */
  List<Trained> trained(Collection<UUID> clients);

  /** How many sessions a client had. */
  int count(UUID clientId);

  /** The sessions of a client from a day on, in time order. */
  List<SessionLine> lines(UUID clientId, LocalDate since);

  /** The day of a run of a client; null where it is none of theirs. */
  @Nullable LocalDate day(UUID runId, UUID clientId);

  /** A set of a person in one line; what was not told is null. */
  record SetLine(
      UUID runId,
      String familyId,
      String movementId,
      String slotKey,
      int round,
      Side side,
      @Nullable Integer grams,
      @Nullable Integer effort,
      @Nullable Integer pain) {}

  /** The sets of a client from a day on, in time order and as they were told. */
  List<SetLine> setLines(UUID clientId, LocalDate since);

  /**
   * The median pulse read at the work of each family, by run and family id, in the six weeks up to
   * the newest run: while it went on or within 15 s of its end. Empty where none was read.
   */
  Map<UUID, Map<String, Integer>> workPulses(UUID clientId);

  /** Published inside the transaction that closes a run with its after-words. */
  record RunClosed(UUID runId, UUID clientId) {}

  /** Published when a set of a run is told, corrected or taken back after its closing words. */
  record RunCorrected(UUID runId, UUID clientId) {}

  /** Published inside the transaction that keeps a STOP, or withdraws one. */
  record RunStopped(UUID runId, UUID clientId) {}
}
