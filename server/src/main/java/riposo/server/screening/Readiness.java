package riposo.server.screening;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.pulse.PulseGuide;
import riposo.core.run.StartGate;
import riposo.core.run.StopFor;
import riposo.core.run.StopSign;
import riposo.core.screening.Assessment.SugarRules;
import riposo.core.screening.CareNote;
import riposo.core.screening.Finding;
import riposo.core.screening.Happened;
import riposo.core.screening.Outcome;
import riposo.core.screening.PulseFacts;
import riposo.core.screening.ReadingKind;
import riposo.core.screening.TodayFacts;

/** The standing outcome of a client, for the other modules. */
public interface Readiness {
  /**
   * Where a client stands today.
   *
   * @param screenedOn date of the newest screening; null when there is none
   * @param outcome null when there is no screening
   * @param findings open findings of the standing line, clearances taken off, the worst first
   * @param readings readings required before a run
   * @param maternity the maternity lines of blood pressure apply
   * @param highSpine spinal injury at T6 or above
   * @param conditions what the newest screening found to work around, in words, each once
   * @param undecided proposals of the newest screening not yet decided
   * @param notes what to keep in mind that no limit can say
   * @param stopFor whose stop signs come first
   * @param todayFacts what today's symptoms mean for this client
   * @param stoppedToday why the stop panel closes today; null when it does not
   */
  record ClientStanding(
      @Nullable LocalDate screenedOn,
      @Nullable Outcome outcome,
      List<Finding> findings,
      Set<ReadingKind> readings,
      boolean maternity,
      boolean highSpine,
      @Nullable String gestation,
      List<String> conditions,
      int undecided,
      List<CareNote> notes,
      SugarRules sugarRules,
      PulseFacts pulse,
      Set<StopFor> stopFor,
      TodayFacts todayFacts,
      @Nullable String stoppedToday) {

    /** Why this client may not train, whatever reason is given; null when they may. */
    @JsonProperty
    public StartGate.@Nullable Closed closed() {
      return StartGate.closed(who());
    }

    /** The same as the start asks for it. */
    public StartGate.Who who() {
      return new StartGate.Who(screenedOn != null, outcome, findings, undecided, stoppedToday);
    }
  }

  ClientStanding of(UUID clientId);

  /**
   * The client's pulse in numbers. Where the resting pulse on record cannot be right it is left
   * out, so that a cap is never lost for it.
   */
  PulseGuide pulse(UUID clientId);

  /** Stores a signed screening; returns its id. */
  UUID take(UUID clientId, Map<String, String> answers, String signedClient);

  /** Records a clearance that covers these findings. */
  void clear(
      UUID clientId,
      String role,
      String name,
      LocalDate givenOn,
      LocalDate validUntil,
      Set<String> covers);

  /** Accepts every proposal of a screening. */
  void acceptAll(UUID screeningId);

  /** A clearance that ends soon or has ended, for the day sheet. */
  record Ending(UUID clientId, LocalDate validUntil, String from) {}

  /** Clearances in force that end within 14 days. */
  List<Ending> ending(UUID clientId);

  /**
   * A STOP of the stop panel that was not withdrawn.
   *
   * @param day in the studio's zone
   */
  record Stopped(
      UUID runId, UUID eventId, LocalDate day, Instant at, String words, StopSign.After after) {}

  /** Emergency signs told at a check-in, and what else is told between sessions. */
  interface ToldAfter {
    /** A sign told on that day, in words. */
    record Emergency(LocalDate day, String words) {}

    /** Those of a client that stand. */
    List<Emergency> emergencies(UUID clientId);
  }

  /** Something that happened to a client between screenings, as it was recorded. */
  record Event(LocalDate on, Happened kind, @Nullable String note, String recordedBy) {}

  /** Records that something happened, as the page does. */
  void happen(UUID clientId, Happened kind, LocalDate on, String note);

  /** Those of a client, newest first. */
  List<Event> happened(UUID clientId);

  /** The stop panel of other modules' runs: what counts as a finding. */
  interface StopEvents {
    /** Every STOP of the client that stands, earliest first. */
    List<Stopped> stops(UUID clientId);

    /** The day of the client's newest session; null when there is none. */
    @Nullable LocalDate lastSession(UUID clientId);

    /** What was being done at that moment; null when the clock had not begun. */
    @Nullable String during(Stopped stopped);
  }
}
