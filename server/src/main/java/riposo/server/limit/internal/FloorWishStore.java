package riposo.server.limit.internal;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import riposo.server.platform.Store;

interface FloorWishStore extends Store<FloorWishRow> {
  Optional<FloorWishRow> findByClientId(UUID clientId);

  List<FloorWishRow> findByClientIdIn(Collection<UUID> clients);
}
