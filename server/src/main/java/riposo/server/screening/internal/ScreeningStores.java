package riposo.server.screening.internal;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import riposo.server.platform.Store;

/** The repositories of this module. */
final class ScreeningStores {
  private ScreeningStores() {}

  interface Screenings extends Store<ScreeningRow> {
    List<ScreeningRow> findByClientIdOrderByNumberDesc(UUID clientId);

    List<ScreeningRow> findByClientIdInOrderByNumberDesc(Collection<UUID> clients);
  }

  interface Drafts extends Store<DraftRow> {
    Optional<DraftRow> findByClientId(UUID clientId);
  }

  interface Decisions extends Store<DecisionRow> {
    List<DecisionRow> findByScreeningId(UUID screeningId);

    /** How many proposals of a screening are decided. */
    record Decided(UUID screeningId, long count) {}

    @Query(
        "select new riposo.server.screening.internal.ScreeningStores$Decisions$Decided(d.screeningId, count(d))"
            + " from ProposalDecision d where d.screeningId in :screenings group by d.screeningId")
    List<Decided> decided(Collection<UUID> screenings);
  }

  interface Clearances extends Store<ClearanceRow> {
    List<ClearanceRow> findByClientIdOrderByGivenOnDesc(UUID clientId);

    List<ClearanceRow> findByClientIdInOrderByGivenOnDesc(Collection<UUID> clients);
  }

  interface Events extends Store<HappenedRow> {
    List<HappenedRow> findByClientIdOrderByOnDateDesc(UUID clientId);

    List<HappenedRow> findByClientIdInOrderByOnDateDesc(Collection<UUID> clients);
  }

  interface Checks extends Store<CheckRow> {
    List<CheckRow> findByClientIdOrderByCreatedAtDesc(UUID clientId);

    List<CheckRow> findByClientIdAndOnDateOrderByCreatedAtDesc(UUID clientId, LocalDate day);

    List<CheckRow> findByClientIdAndOnDateGreaterThanEqualAndWithdrawnOnIsNullOrderByCreatedAt(
        UUID clientId, LocalDate since);

    List<CheckRow> findByClientIdAndLeavesIsNotNullAndWithdrawnOnIsNull(UUID clientId);

    List<CheckRow> findByClientIdInAndLeavesIsNotNullAndWithdrawnOnIsNullOrderById(
        Collection<UUID> clients);

    /** Those that stand and may have told of this sign. */
    @Query(
        "from TodayCheck c where c.clientId = :client and c.withdrawnOn is null"
            + " and c.given like concat('%', :sign, '%')")
    List<CheckRow> telling(UUID client, String sign);
  }
}
