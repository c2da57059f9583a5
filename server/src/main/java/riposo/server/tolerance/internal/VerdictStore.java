package riposo.server.tolerance.internal;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import riposo.server.platform.Store;
import riposo.server.tolerance.Verdicts;

interface VerdictStore extends Store<VerdictRow> {
  List<VerdictRow> findByClientIdOrderByOnDateAscCreatedAtAsc(UUID clientId);

  /** The newest of each family that leaves a standing. */
  @Query(
      "from FamilyVerdict v where v.clientId = :client and v.outcome is not null and not exists ("
          + "select 1 from FamilyVerdict w where w.clientId = v.clientId and w.familyId = v.familyId"
          + " and w.outcome is not null and (w.onDate > v.onDate or w.onDate = v.onDate and w.createdAt > v.createdAt))")
  List<VerdictRow> newestOutcomes(UUID client);

  /** The newest verdict of each family. */
  @Query(
      "from FamilyVerdict v where v.clientId = :client and not exists ("
          + "select 1 from FamilyVerdict w where w.clientId = v.clientId and w.familyId = v.familyId"
          + " and (w.onDate > v.onDate or w.onDate = v.onDate and w.createdAt > v.createdAt))")
  List<VerdictRow> newest(UUID client);

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
