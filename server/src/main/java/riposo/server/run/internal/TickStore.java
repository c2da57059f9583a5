package riposo.server.run.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import riposo.server.platform.Store;

interface TickStore extends Store<TickRow> {
  List<TickRow> findByClientId(UUID clientId);

  List<TickRow> findByClientIdAndPlanIdAndOnDateBetween(
      UUID clientId, UUID planId, LocalDate from, LocalDate to);

  Optional<TickRow> findByClientIdAndPlanIdAndSlotKeyAndOnDateAndNumber(
      UUID clientId, UUID planId, String slotKey, LocalDate onDate, int number);
}
