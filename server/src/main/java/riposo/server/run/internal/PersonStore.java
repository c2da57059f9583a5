package riposo.server.run.internal;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.Query;
import riposo.server.platform.Store;
import riposo.server.run.Runs;

interface PersonStore extends Store<PersonRow> {
  List<PersonRow> findByRunId(UUID runId);

  Optional<PersonRow> findByRunIdAndClientId(UUID runId, UUID clientId);

  @Query(
      "select p.runId from RunPerson p where p.clientId = :client order by p.onDate, p.createdAt")
  List<UUID> runsOf(UUID client);

  /** The day of the newest run of a client; null when there is none. */
  @Query("select max(p.onDate) from RunPerson p where p.clientId = :client")
  @Nullable LocalDate newest(UUID client);

  /** The day of the first; null when there is none. */
  @Query("select min(p.onDate) from RunPerson p where p.clientId = :client")
  @Nullable LocalDate first(UUID client);

  int countByClientId(UUID clientId);

  long countByClientIdAndOnDateAfter(UUID clientId, LocalDate day);

  String LINE =
      "select new riposo.server.run.Runs$Summary(r.id, p.clientId, r.planId, r.planName, r.onDate, r.status, r.leftOpen,"
          + " case when p.effortAfter is null then false else true end)"
          + " from RunPerson p join Run r on r.id = p.runId ";

  @Query(
      value = LINE + "where p.clientId = :client order by p.onDate desc, p.createdAt desc",
      countQuery = "select count(p) from RunPerson p where p.clientId = :client")
  Page<Runs.Summary> newestFirst(UUID client, Pageable page);

  /** Runs of a client that are not ended. */
  @Query(
      "select r from RunPerson p join Run r on r.id = p.runId"
          + " where p.clientId = :client and r.status in (READY, RUNNING, PAUSED) order by r.createdAt")
  List<RunRow> open(UUID client);

  @Query(
      "select new riposo.server.run.Runs$SessionLine(p.runId, p.onDate, r.planName, r.status, p.effortAfter,"
          + " coalesce(p.minutes, r.minutes), p.dose, p.note) from RunPerson p join Run r on r.id = p.runId"
          + " where p.clientId = :client and p.onDate >= :since order by p.onDate, p.createdAt")
  List<Runs.SessionLine> lines(UUID client, LocalDate since);

  @Query("select p.onDate from RunPerson p where p.runId = :run and p.clientId = :client")
  @Nullable LocalDate day(UUID run, UUID client);

  @Query(
      "select new riposo.server.run.Runs$Trained(p.clientId, min(p.onDate), max(p.onDate))"
          + " from RunPerson p where p.clientId in :clients group by p.studioId, p.clientId")
  List<Runs.Trained> trainedOf(Collection<UUID> clients);

  /** Those of these clients who had a session; of one the ends of the index tell. */
  default List<Runs.Trained> trained(Collection<UUID> clients) {
    if (clients.size() != 1) {
      return clients.isEmpty() ? List.of() : trainedOf(clients);
    }
    UUID client = clients.iterator().next();
    LocalDate first = first(client);
    LocalDate newest = newest(client);
    return first == null || newest == null
        ? List.of()
        : List.of(new Runs.Trained(client, first, newest));
  }

  @Query(
      "select new riposo.server.run.Runs$Trained(p.clientId, min(p.onDate), max(p.onDate))"
          + " from RunPerson p where p.clientId in :clients and p.onDate < :day group by p.studioId, p.clientId")
  List<Runs.Trained> lastBefore(Collection<UUID> clients, LocalDate day);

  /** The same of one; null when there is none. */
  @Query("select max(p.onDate) from RunPerson p where p.clientId = :client and p.onDate < :day")
  @Nullable LocalDate lastBefore(UUID client, LocalDate day);

  @Query(LINE + "where p.clientId in :clients and p.onDate = :day order by r.createdAt")
  List<Runs.Summary> on(Collection<UUID> clients, LocalDate day);

  List<PersonRow> findByClientIdAndOnDateBetweenOrderByOnDateAscCreatedAtAsc(
      UUID client, LocalDate since, LocalDate until);

  @Query(LINE + "where p.effortAfter is null order by r.onDate, r.createdAt")
  List<Runs.Summary> unclosed();
}
