package riposo.server.adapt.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import riposo.server.platform.Store;

interface MarkStore extends Store<MarkRow> {
  List<MarkRow> findByClientId(UUID clientId);

  Optional<MarkRow> findByClientIdAndPlanIdAndOnDate(UUID clientId, UUID planId, LocalDate day);

  Optional<MarkRow> findFirstByClientIdAndPlanIdAndOnDateBeforeOrderByOnDateDesc(
      UUID clientId, UUID planId, LocalDate day);
}
