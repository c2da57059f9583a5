package riposo.server.screening.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import riposo.server.platform.Store;

/** The repositories of this module. */
final class ScreeningStores {
  private ScreeningStores() {}

  interface Screenings extends Store<ScreeningRow> {
    List<ScreeningRow> findByClientIdOrderByNumberDesc(UUID clientId);
  }

  interface Drafts extends Store<DraftRow> {
    Optional<DraftRow> findByClientId(UUID clientId);
  }

  interface Decisions extends Store<DecisionRow> {
    List<DecisionRow> findByScreeningId(UUID screeningId);
  }

  interface Clearances extends Store<ClearanceRow> {
    List<ClearanceRow> findByClientIdOrderByGivenOnDesc(UUID clientId);
  }

  interface Events extends Store<HappenedRow> {
    List<HappenedRow> findByClientIdOrderByOnDateDesc(UUID clientId);
  }

  interface Checks extends Store<CheckRow> {
    List<CheckRow> findByClientIdOrderByCreatedAtDesc(UUID clientId);

    List<CheckRow> findByClientIdAndOnDateOrderByCreatedAtDesc(UUID clientId, LocalDate day);

    List<CheckRow> findByClientIdAndOnDateGreaterThanEqualAndWithdrawnOnIsNullOrderByCreatedAt(
        UUID clientId, LocalDate since);

    List<CheckRow> findByClientIdAndLeavesIsNotNullAndWithdrawnOnIsNull(UUID clientId);
  }
}
