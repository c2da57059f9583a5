package riposo.server.day.internal;

import java.time.LocalDate;
import java.util.List;
import riposo.server.platform.Store;

interface AppointmentStore extends Store<AppointmentRow> {
  List<AppointmentRow> findByOnDateOrderByAtTime(LocalDate day);

  List<AppointmentRow> findByClientId(java.util.UUID clientId);
}
