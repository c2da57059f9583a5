package riposo.server.tolerance.internal;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.data.jpa.repository.Query;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.VerdictStatus;
import riposo.server.platform.Store;
import riposo.server.tolerance.Verdicts;

interface VerdictStore extends Store<VerdictRow> {
  List<VerdictRow> findByClientIdOrderByOnDateAscCreatedAtAsc(UUID clientId);

  List<VerdictRow> findByRunIdAndClientIdOrderByFamilyId(UUID run, UUID client);

  /** The newest from a day on of each family that leaves a standing. */
  @Query(
      "from FamilyVerdict v where v.id in (select t.id from (select w.id as id, row_number() over"
          + " (partition by w.familyId order by w.onDate desc, w.createdAt desc) as place"
          + " from FamilyVerdict w where w.clientId = :client and w.outcome is not null"
          + " and w.onDate >= :since) t where t.place = 1)")
  List<VerdictRow> newestOutcomes(UUID client, LocalDate since);

  /** The newest verdict from a day on of each family. */
  @Query(
      "from FamilyVerdict v where v.id in (select t.id from (select w.id as id, row_number() over"
          + " (partition by w.familyId order by w.onDate desc, w.createdAt desc) as place"
          + " from FamilyVerdict w where w.clientId = :client and w.onDate >= :since) t"
          + " where t.place = 1)")
  List<VerdictRow> newest(UUID client, LocalDate since);

  /** A change that was decided after a run and is no weight and no rung. */
  record Taken(String familyId, UUID runId, Change.Kind kind) {}

  /** Those of a client's runs from a day on. */
  default List<Taken> taken(UUID client, LocalDate since) {
    return taken(
        client,
        since,
        Stream.of(Change.Kind.values())
            .filter(k -> k.gentle || k == Change.Kind.TWO_IN_ONE)
            .toList());
  }

  @Query(
      "select new riposo.server.tolerance.internal.VerdictStore$Taken(v.familyId, v.runId, v.taken)"
          + " from FamilyVerdict v where v.clientId = :client and v.onDate >= :since"
          + " and v.taken in :kinds")
  List<Taken> taken(UUID client, LocalDate since, Collection<Change.Kind> kinds);

  @Query("select distinct v.familyId from FamilyVerdict v where v.clientId = :client")
  List<String> families(UUID client);

  /** The newest that leaves a standing, of every family: of late first, as years are long. */
  default List<VerdictRow> standing(UUID client, LocalDate late) {
    List<VerdictRow> found = newestOutcomes(client, late);
    return found.size() == families(client).size()
        ? found
        : newestOutcomes(client, LocalDate.EPOCH);
  }

  List<VerdictRow> findByClientIdAndOnDateGreaterThanEqual(UUID client, LocalDate since);

  List<VerdictRow> findByClientIdAndStatusIn(UUID client, List<VerdictStatus> states);

  /** Stops and refers that stand, decided or not, in time order. */
  @Query(
      "from FamilyVerdict v where v.clientId = :client and (v.verdict = STOP_AND_REFER and v.status = WAITING"
          + " or v.decided = STOP_AND_REFER and v.status <> ENDED) order by v.onDate, v.createdAt")
  List<VerdictRow> stops(UUID client);

  /** How many verdicts wait, a client a row, those with a stop first. */
  @Query(
      "select new riposo.server.tolerance.Verdicts$Waiting(v.clientId, cast(count(v) as integer),"
          + " cast(sum(case when v.verdict = STOP_AND_REFER then 1 else 0 end) as integer))"
          + " from FamilyVerdict v where v.status = WAITING group by v.clientId"
          + " order by max(case when v.verdict = STOP_AND_REFER then 1 else 0 end) desc, min(v.createdAt)")
  List<Verdicts.Waiting> waiting();
}
