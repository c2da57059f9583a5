package riposo.server.plan.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import riposo.server.platform.Owned;

/** A session plan as stored. */
@Entity(name = "SessionPlan")
@Table(name = "session_plan")
class PlanRow extends Owned {
  String name;

  @Column(columnDefinition = "longtext")
  String body;

  String tags = "[]";

  @Nullable String note;

  @Column(name = "archived_on")
  @Nullable LocalDate archivedOn;
}
