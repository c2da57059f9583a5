package riposo.server.screening.internal;

import java.util.List;
import java.util.UUID;
import riposo.server.platform.Store;

/** The repositories of this module. */
final class ScreeningStores {
  private ScreeningStores() {}

  interface Screenings extends Store<ScreeningRow> {
    List<ScreeningRow> findByClientIdOrderByNumberDesc(UUID clientId);
  }

  interface Decisions extends Store<DecisionRow> {
    List<DecisionRow> findByScreeningId(UUID screeningId);
  }

  interface Clearances extends Store<ClearanceRow> {
    List<ClearanceRow> findByClientIdOrderByGivenOnDesc(UUID clientId);
  }
}
