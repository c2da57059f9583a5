package riposo.server.movement.internal;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.Query;
import riposo.server.platform.Store;

interface OwnMovementStore extends Store<OwnMovementRow> {
  /** Changes with every change of any of the studio's movements. */
  record Stamp(long count, @Nullable Long versions, @Nullable Instant changedAt) {}

  Optional<OwnMovementRow> findByMovementId(String movementId);

  List<OwnMovementRow> findAllByOrderByMovementId();

  @Query(
      "select count(m) as count, sum(m.version) as versions, max(m.changedAt) as changedAt from OwnMovement m")
  Stamp stamp();
}
