package riposo.server.adapt.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.server.client.ClientData;

/** The adapted plans last seen for a client. */
@Component
class MarkData implements ClientData {
  private final MarkStore store;

  MarkData(MarkStore store) {
    this.store = store;
  }

  @Override
  public String part() {
    return "adaptedPlansSeen";
  }

  @Override
  public int order() {
    return 410;
  }

  /** One adapted plan as it stood on a day. */
  record Seen(UUID planId, LocalDate date, String body) {}

  @Override
  public Object export(UUID clientId) {
    return store.findByClientId(clientId).stream()
        .map(m -> new Seen(m.planId, m.onDate, m.body))
        .toList();
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    return store.erase(store.findByClientId(clientId));
  }
}
