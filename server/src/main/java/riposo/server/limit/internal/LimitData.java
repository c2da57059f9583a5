package riposo.server.limit.internal;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.server.client.ClientData;

/** The limits of a client. */
@Component
class LimitData implements ClientData {
  private final LimitStore store;
  private final LimitService service;

  LimitData(LimitStore store, LimitService service) {
    this.store = store;
    this.service = service;
  }

  @Override
  public String part() {
    return "limits";
  }

  @Override
  public int order() {
    return 500;
  }

  @Override
  public Object export(UUID clientId) {
    return service.list(clientId);
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    List<UUID> gone = new ArrayList<>();
    for (LimitRow r : store.findByClientId(clientId)) {
      gone.add(r.id);
      store.delete(r);
    }
    store.flush();
    return gone;
  }
}
