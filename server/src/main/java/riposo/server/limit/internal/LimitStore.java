package riposo.server.limit.internal;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import riposo.server.platform.Store;

interface LimitStore extends Store<LimitRow> {
  List<LimitRow> findByClientId(UUID clientId);

  List<LimitRow> findByClientIdInOrderById(Collection<UUID> clients);
}
