package riposo.server.adapt.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import riposo.server.client.ClientData;

/** The weights set by hand for a client. */
@Component
class WeightData implements ClientData {
  private final WeightStore store;

  WeightData(WeightStore store) {
    this.store = store;
  }

  @Override
  public String part() {
    return "weights";
  }

  @Override
  public int order() {
    return 405;
  }

  /** One weight; today: it counted on that day only. */
  record Weight(
      UUID planId,
      String slot,
      String movement,
      int grams,
      LocalDate on,
      boolean today,
      @Nullable String reason) {}

  @Override
  public Object export(UUID clientId) {
    return store.findByClientId(clientId).stream()
        .map(
            w ->
                new Weight(w.planId, w.slotKey, w.movementId, w.grams, w.onDate, w.today, w.reason))
        .toList();
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    return store.erase(store.findByClientId(clientId));
  }
}
