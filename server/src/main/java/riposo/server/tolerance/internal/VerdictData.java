package riposo.server.tolerance.internal;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.server.client.ClientData;

/** What this module keeps of a client. */
@Component
class VerdictData implements ClientData {
  private final VerdictStore store;
  private final ToleranceService service;

  VerdictData(VerdictStore store, ToleranceService service) {
    this.store = store;
    this.service = service;
  }

  @Override
  public String part() {
    return "tolerance";
  }

  @Override
  public int order() {
    return 200;
  }

  @Override
  public Object export(UUID clientId) {
    return service.view(clientId);
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    List<UUID> gone = new ArrayList<>();
    for (VerdictRow r : store.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId)) {
      gone.add(r.id);
      store.delete(r);
    }
    store.flush();
    return gone;
  }
}
