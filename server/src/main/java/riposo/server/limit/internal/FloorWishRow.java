package riposo.server.limit.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.UUID;
import riposo.server.platform.Owned;

/** The wish of a client to stay up for the rest of a session once up from the floor. */
@Entity(name = "FloorWish")
@Table(name = "floor_wish")
class FloorWishRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Column(name = "once_up")
  boolean onceUp;
}
