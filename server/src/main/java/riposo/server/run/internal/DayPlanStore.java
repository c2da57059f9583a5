package riposo.server.run.internal;

import java.util.List;
import java.util.UUID;
import riposo.server.platform.Store;

interface DayPlanStore extends Store<DayPlanRow> {
  List<DayPlanRow> findByClientId(UUID clientId);
}
