package riposo.server.limit.internal;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import riposo.server.platform.Store;

interface FloorWayStore extends Store<FloorWayRow> {
  List<FloorWayRow> findByClientIdOrderBySeenOnDesc(UUID clientId);

  List<FloorWayRow> findByClientIdInOrderBySeenOnDesc(Collection<UUID> clients);
}
