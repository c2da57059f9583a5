package riposo.server.day.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.UUID;
import riposo.server.platform.Owned;

/** A session on the day sheet. */
@Entity(name = "Appointment")
@Table(name = "appointment")
class AppointmentRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Column(name = "plan_id")
  UUID planId;

  @Column(name = "on_date")
  LocalDate onDate;

  @Column(name = "at_time")
  LocalTime atTime;
}
