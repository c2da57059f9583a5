package riposo.server.adapt.internal;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import riposo.server.platform.Store;

interface PinStore extends Store<PinRow> {
  List<PinRow> findByClientId(UUID clientId);

  List<PinRow> findByClientIdInOrderById(Collection<UUID> clients);

  Optional<PinRow> findByClientIdAndPlanIdAndSlotKey(UUID clientId, UUID planId, String slotKey);
}
