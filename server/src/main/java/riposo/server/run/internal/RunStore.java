package riposo.server.run.internal;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import riposo.server.platform.Problems;
import riposo.server.platform.Store;

interface RunStore extends Store<RunRow> {
  /** Runs that are not ended and of which nothing was heard since. */
  @Query(
      "select r.id from Run r where r.status in (READY, RUNNING, PAUSED) and r.heardAt <= :since")
  List<UUID> silent(Instant since);

  @Query(
      "select r.id from Run r where r.groupId = :group and r.status in (READY, RUNNING, PAUSED)"
          + " order by r.createdAt")
  List<UUID> openOf(UUID group);

  /** Those of a group, and any other that names somebody else too. */
  @Query(
      "select r from Run r where r.id in :runs and (r.groupId is not null or exists"
          + " (select 1 from RunPerson p where p.runId = r.id and p.clientId <> :client))")
  List<RunRow> maybeShared(Collection<UUID> runs, UUID client);

  /** The run, held until the transaction ends, so that two devices' events are folded in turn. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("from Run r where r.id = :id")
  Optional<RunRow> lock(UUID id);

  /** The run, held until the transaction ends; a 404 problem where there is none. */
  default RunRow hold(UUID id) {
    return lock(id).orElseThrow(() -> Problems.notFound("run", id));
  }
}
