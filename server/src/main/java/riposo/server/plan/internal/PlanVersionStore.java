package riposo.server.plan.internal;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import riposo.server.platform.Store;

interface PlanVersionStore extends Store<PlanVersionRow> {
  List<PlanVersionRow> findByPlanIdOrderByNumberDesc(UUID planId);

  Optional<PlanVersionRow> findByPlanIdAndNumber(UUID planId, int number);
}
