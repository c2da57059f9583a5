package riposo.server.day.internal;

import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.server.platform.Audit;
import riposo.server.platform.Studios;
import riposo.server.review.Reviews;

/** Has coming sessions go by another plan. */
@Component
@Transactional
class ComingPlans implements Reviews.PlanChange {
  private final AppointmentStore store;
  private final Audit audit;
  private final Studios studios;

  ComingPlans(AppointmentStore store, Audit audit, Studios studios) {
    this.store = store;
    this.audit = audit;
    this.studios = studios;
  }

  /** Sessions from tomorrow on: today's may have been prepared, or begun. */
  @Override
  public int change(UUID clientId, UUID planId) {
    int changed = 0;
    for (AppointmentRow a :
        store.findByClientIdAndOnDateGreaterThanEqualOrderByOnDate(
            clientId, studios.today().plusDays(1))) {
      a.planId = planId;
      store.saveAndFlush(a);
      audit.changed("changed", "appointment", a.id, "by another plan", clientId);
      changed++;
    }
    return changed;
  }
}
