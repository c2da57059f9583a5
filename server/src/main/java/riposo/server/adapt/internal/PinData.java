package riposo.server.adapt.internal;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import riposo.server.client.ClientData;

/** The choices pinned for a client. */
@Component
class PinData implements ClientData {
  private final PinStore store;

  PinData(PinStore store) {
    this.store = store;
  }

  @Override
  public String part() {
    return "choices";
  }

  @Override
  public int order() {
    return 400;
  }

  /** One choice. */
  record Choice(UUID planId, String slot, String parts, @Nullable String reason) {}

  @Override
  public Object export(UUID clientId) {
    return store.findByClientId(clientId).stream()
        .map(p -> new Choice(p.planId, p.slotKey, p.parts, p.reason))
        .toList();
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    return store.erase(store.findByClientId(clientId));
  }
}
