package riposo.server.client.internal;

import java.util.List;
import java.util.UUID;
import riposo.server.platform.Store;

interface RoomStore extends Store<RoomRow> {
  List<RoomRow> findByClientId(UUID clientId);
}
