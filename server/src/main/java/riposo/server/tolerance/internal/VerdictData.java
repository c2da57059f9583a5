package riposo.server.tolerance.internal;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.server.client.ClientData;

/** What this module keeps of a client. */
@Component
class VerdictData implements ClientData {
  private final VerdictStore store;
  private final ToleranceViews views;

  VerdictData(VerdictStore store, ToleranceViews views) {
    this.store = store;
    this.views = views;
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
    return views.view(clientId);
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    return store.erase(store.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId));
  }
}
