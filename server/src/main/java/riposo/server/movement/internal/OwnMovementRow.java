package riposo.server.movement.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import riposo.server.platform.Owned;

/** A movement of the studio's own, as its document. */
@Entity(name = "OwnMovement")
@Table(name = "own_movement")
class OwnMovementRow extends Owned {
  @Column(name = "movement_id")
  String movementId;

  @Column(columnDefinition = "longtext")
  String document;

  @Column(name = "changed_at")
  Instant changedAt = Instant.EPOCH;

  @Column(name = "retired_on")
  @Nullable LocalDate retiredOn;
}
