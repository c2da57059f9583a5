package riposo.server.run.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import riposo.server.platform.Owned;

/** A dose ticked off, with the movement that was shown. */
@Entity(name = "DayTick")
@Table(name = "day_tick")
class TickRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Column(name = "plan_id")
  UUID planId;

  @Column(name = "slot_key")
  String slotKey;

  @Column(name = "on_date")
  LocalDate onDate;

  int number;

  String movement;
}
