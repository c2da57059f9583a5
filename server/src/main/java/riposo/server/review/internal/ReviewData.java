package riposo.server.review.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import riposo.server.client.ClientData;

/** What this module keeps of a client. */
@Component
class ReviewData implements ClientData {
  /** A review as kept: what was found and decided as JSON. */
  record ReviewExport(
      LocalDate from,
      LocalDate on,
      @Nullable LocalDate closedOn,
      @Nullable String closedBy,
      @Nullable String words,
      @Nullable String facts,
      String points) {}

  private final ReviewStore store;

  ReviewData(ReviewStore store) {
    this.store = store;
  }

  @Override
  public String part() {
    return "reviews";
  }

  @Override
  public int order() {
    return 100;
  }

  @Override
  public Object export(UUID clientId) {
    return store.findByClientIdOrderByOnDateDescCreatedAtDesc(clientId).stream()
        .map(
            r ->
                new ReviewExport(
                    r.fromDate, r.onDate, r.closedOn, r.closedBy, r.words, r.facts, r.points))
        .toList();
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    return store.erase(store.findByClientIdOrderByOnDateDescCreatedAtDesc(clientId));
  }
}
