package riposo.server.day.internal;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.query.Param;
import riposo.server.platform.Store;

interface AppointmentStore extends Store<AppointmentRow> {
  List<AppointmentRow> findByOnDateOrderByAtTime(LocalDate day);

  List<AppointmentRow> findByClientId(UUID clientId);

  List<AppointmentRow> findByOnDateBetween(LocalDate first, LocalDate last);

  List<AppointmentRow> findByClientIdInAndOnDateBetween(
      Collection<UUID> clients, LocalDate first, LocalDate last);

  /** The next session of each of these clients from a day on. */
  @Query(
      "select new riposo.server.day.internal.AppointmentStore$Line(t.client, t.plan, t.day, t.time) from"
          + " (select b.clientId as client, b.planId as plan, b.onDate as day, b.atTime as time,"
          + " row_number() over (partition by b.clientId order by b.onDate, b.atTime) as place"
          + " from Appointment b where b.onDate >= :first and b.clientId in :clients) t where t.place = 1")
  List<Line> next(LocalDate first, Collection<UUID> clients);

  /** A session in a line. */
  record Line(UUID clientId, UUID planId, LocalDate on, LocalTime at) {}

  /** The days of a client's appointments, both ends included, each once, in order. */
  @Query(
      "select distinct a.onDate from Appointment a where a.clientId = :client"
          + " and a.onDate between :from and :until order by a.onDate")
  List<LocalDate> days(
      @Param("client") UUID client, @Param("from") LocalDate from, @Param("until") LocalDate until);

  List<AppointmentRow> findByClientIdAndOnDateGreaterThanEqualOrderByOnDate(
      UUID clientId, LocalDate first);
}
