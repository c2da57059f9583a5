package riposo.server.day.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.query.Param;
import riposo.server.platform.Store;

interface AppointmentStore extends Store<AppointmentRow> {
  List<AppointmentRow> findByOnDateOrderByAtTime(LocalDate day);

  List<AppointmentRow> findByClientId(UUID clientId);

  List<AppointmentRow> findByOnDateGreaterThanEqualOrderByOnDate(LocalDate first);

  /** The days of a client's appointments, both ends included, each once, in order. */
  @Query(
      "select distinct a.onDate from Appointment a where a.clientId = :client"
          + " and a.onDate between :from and :until order by a.onDate")
  List<LocalDate> days(
      @Param("client") UUID client, @Param("from") LocalDate from, @Param("until") LocalDate until);

  List<AppointmentRow> findByClientIdAndOnDateGreaterThanEqualOrderByOnDate(
      UUID clientId, LocalDate first);
}
