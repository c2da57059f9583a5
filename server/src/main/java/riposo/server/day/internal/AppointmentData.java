package riposo.server.day.internal;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.server.client.ClientData;

/** What this module keeps of a client. */
@Component
class AppointmentData implements ClientData {
  private final AppointmentStore store;

  AppointmentData(AppointmentStore store) {
    this.store = store;
  }

  @Override
  public String part() {
    return "appointments";
  }

  @Override
  public int order() {
    return 50;
  }

  /** A session set for a day. */
  record AppointmentExport(UUID planId, java.time.LocalDate date, java.time.LocalTime time) {}

  @Override
  public Object export(UUID clientId) {
    return store.findByClientId(clientId).stream()
        .map(a -> new AppointmentExport(a.planId, a.onDate, a.atTime))
        .toList();
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    return store.erase(store.findByClientId(clientId));
  }
}
