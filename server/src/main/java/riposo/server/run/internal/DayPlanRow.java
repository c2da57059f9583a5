package riposo.server.run.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.server.platform.Owned;

/** A plan through the day given to a client. */
@Entity(name = "DayPlan")
@Table(name = "day_plan")
class DayPlanRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Column(name = "plan_id")
  UUID planId;

  @Column(name = "from_date")
  LocalDate from;

  /** The last day; null while it goes on. */
  @Column(name = "until_date")
  @Nullable LocalDate until;
}
