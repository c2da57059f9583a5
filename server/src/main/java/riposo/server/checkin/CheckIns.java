package riposo.server.checkin;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.NextDay;

/** Check-ins, for the other modules. */
public interface CheckIns {
  /** When one is asked: the day after, or again at 72 h. */
  enum Kind {
    NEXT_DAY(1),
    SECOND(3);

    /** Days after the session from which it is asked. */
    public final int days;

    Kind(int days) {
      this.days = days;
    }
  }

  /**
   * The answers of a client by run.
   *
   * @param next those of the day after
   * @param seconds those at 72 h, where they were asked for
   */
  record Mornings(Map<UUID, NextDay> next, Map<UUID, FamilySession.Second> seconds) {}

  Mornings mornings(UUID clientId);

  /** The same of those asked from a day on. */
  Mornings mornings(UUID clientId, LocalDate since);

  /** Stores the answer of a client for a run of the day after, as their page does. */
  void answer(UUID runId, UUID clientId, NextDay answer);

  /** The same at 72 h. */
  void answerSecond(UUID runId, UUID clientId, NextDay answer);

  /**
   * A check-in that is due and not answered.
   *
   * @param session the day of the session it is about
   * @param linkOver the client's own link is good no more; only the professional can ask now
   */
  record Waiting(UUID id, UUID clientId, Kind kind, LocalDate session, boolean linkOver) {}

  /**
   * Of each client the newest that is due and not answered: by noon of its day, until it can be
   * asked no more.
   */
  List<Waiting> waiting(Instant now);

  /**
   * An answer, and what it did.
   *
   * @param on the day it was given
   * @param session the day of the session it is about
   * @param askedBy who asked by phone or at the door; null where the client told it by the link
   */
  record Answer(
      UUID id,
      UUID runId,
      UUID clientId,
      Kind kind,
      Instant at,
      LocalDate on,
      LocalDate session,
      @Nullable String askedBy,
      NextDay told) {}

  /** The answers of everybody given on a day, the newest first. */
  List<Answer> answeredOn(LocalDate day);

  /** The answers of a client given from a day on, in time order. */
  List<Answer> answersOf(UUID clientId, LocalDate since);

  /** Published inside the transaction that stores an answer. */
  record Answered(UUID runId, UUID clientId) {}

  /** What answers do elsewhere. */
  interface Effects {
    /** In sentences, what the mornings of a run changed for a client; empty for nothing. */
    List<String> of(UUID runId, UUID clientId);

    /** Reads for all these runs what {@link #of} will be asked. */
    void readAhead(Collection<UUID> runs);
  }
}
