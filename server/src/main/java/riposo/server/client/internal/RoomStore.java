package riposo.server.client.internal;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import riposo.server.platform.Store;

interface RoomStore extends Store<RoomRow> {
  List<RoomRow> findByClientId(UUID clientId);

  List<RoomRow> findByIdIn(Collection<UUID> ids);
}
