package riposo.server.adapt.internal;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import riposo.server.platform.Store;

interface WeightStore extends Store<WeightRow> {
  List<WeightRow> findByClientId(UUID clientId);

  List<WeightRow> findByClientIdInOrderById(Collection<UUID> clients);

  Optional<WeightRow> findByClientIdAndPlanIdAndSlotKey(UUID clientId, UUID planId, String slotKey);
}
