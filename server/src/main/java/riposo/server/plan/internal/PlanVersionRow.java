package riposo.server.plan.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.UUID;
import riposo.server.platform.Owned;
import riposo.server.platform.Unstamped;

/** A plan as it was after one change; never changed itself. */
@Unstamped("the plan itself tells")
@Entity(name = "PlanVersion")
@Table(name = "plan_version")
class PlanVersionRow extends Owned {
  @Column(name = "plan_id")
  UUID planId;

  int number;

  String name;

  @Column(columnDefinition = "longtext")
  String body;

  @Column(name = "changed_by")
  String changedBy;
}
