package riposo.server.client.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.server.platform.Owned;

/** A studio room, or a client's home. */
@Entity(name = "Room")
@Table(name = "room")
class RoomRow extends Owned {
  String name;

  @Column(name = "client_id")
  @Nullable UUID clientId;

  @Column(columnDefinition = "longtext")
  String body;
}
