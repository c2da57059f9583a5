package riposo.server.limit.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import riposo.core.limit.WaySeen;
import riposo.server.client.ClientData;

/** The limits of a client. */
@Component
class LimitData implements ClientData {
  private final LimitStore store;
  private final FloorWayStore ways;
  private final FloorWishStore wishes;
  private final LimitViews service;

  LimitData(LimitStore store, FloorWayStore ways, FloorWishStore wishes, LimitViews service) {
    this.store = store;
    this.wishes = wishes;
    this.ways = ways;
    this.service = service;
  }

  /** All there is: limits, and the ways to the floor seen to go well. */
  record Exported(List<LimitViews.LimitView> limits, List<Way> floor, boolean onceUp) {}

  /** A way to the floor as it was recorded. */
  record Way(
      WaySeen seen,
      String recordedBy,
      @Nullable LocalDate withdrawnOn,
      @Nullable String withdrawnBy) {}

  @Override
  public String part() {
    return "limits";
  }

  @Override
  public int order() {
    return 500;
  }

  @Override
  public Object export(UUID clientId) {
    return new Exported(
        service.list(clientId),
        ways.findByClientIdOrderBySeenOnDesc(clientId).stream()
            .map(w -> new Way(w.toCore(), w.recordedBy, w.withdrawnOn, w.withdrawnBy))
            .toList(),
        wishes.findByClientId(clientId).map(w -> w.onceUp).orElse(false));
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    List<UUID> gone = new ArrayList<>(store.erase(store.findByClientId(clientId)));
    gone.addAll(ways.erase(ways.findByClientIdOrderBySeenOnDesc(clientId)));
    gone.addAll(wishes.erase(wishes.findByClientId(clientId).stream().toList()));
    return gone;
  }
}
