package riposo.server.limit.internal;

import java.util.Optional;
import java.util.UUID;
import riposo.server.platform.Store;

interface FloorWishStore extends Store<FloorWishRow> {
  Optional<FloorWishRow> findByClientId(UUID clientId);
}
