package riposo.server.review.internal;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import riposo.server.platform.Store;

interface ReviewStore extends Store<ReviewRow> {
  /** A review of a client without what was found in it. */
  record Line(
      UUID clientId,
      java.time.LocalDate on,
      java.time.@org.jspecify.annotations.Nullable LocalDate closedOn) {}

  List<ReviewRow> findByClientIdOrderByOnDateDescCreatedAtDesc(UUID clientId);

  @Query(
      "select new riposo.server.review.internal.ReviewStore$Line(r.clientId, r.onDate, r.closedOn)"
          + " from Review r where r.clientId in :clients")
  List<Line> lines(Collection<UUID> clients);
}
