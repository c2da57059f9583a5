package riposo.server.plan.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.jspecify.annotations.Nullable;
import riposo.server.platform.Archivable;

/** A session plan as stored. */
@Entity(name = "SessionPlan")
@Table(name = "session_plan")
class PlanRow extends Archivable {

  @Column(columnDefinition = "longtext")
  String body;

  String tags = "[]";

  @Nullable String note;
}
