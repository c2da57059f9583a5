package riposo.server.day.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import riposo.server.platform.Store;

interface AppointmentStore extends Store<AppointmentRow> {
  List<AppointmentRow> findByOnDateOrderByAtTime(LocalDate day);

  List<AppointmentRow> findByClientId(UUID clientId);

  List<AppointmentRow> findByOnDateGreaterThanEqualOrderByOnDate(LocalDate first);

  List<AppointmentRow> findByClientIdAndOnDateGreaterThanEqualOrderByOnDate(
      UUID clientId, LocalDate first);
}
