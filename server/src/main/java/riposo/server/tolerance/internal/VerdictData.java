package riposo.server.tolerance.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.core.tolerance.History;
import riposo.server.client.ClientData;

/** What this module keeps of a client. */
@Component
class VerdictData implements ClientData {
  /** A client's tolerance and every verdict, the oldest first. */
  record Exported(
      ToleranceViews.ToleranceView tolerance, List<VerdictViews.VerdictView> verdicts) {}

  private final VerdictStore store;
  private final ToleranceViews views;
  private final VerdictViews verdicts;
  private final Reckoner reckoner;

  VerdictData(VerdictStore store, ToleranceViews views, VerdictViews verdicts, Reckoner reckoner) {
    this.store = store;
    this.views = views;
    this.verdicts = verdicts;
    this.reckoner = reckoner;
  }

  @Override
  public String part() {
    return "tolerance";
  }

  @Override
  public int order() {
    return 200;
  }

  @Override
  public Object export(UUID clientId) {
    Reckoner.Case of = reckoner.since(clientId, LocalDate.EPOCH);
    History history = of.history();
    return new Exported(
        views.view(clientId, null),
        of.rows.stream().map(v -> verdicts.view(v, of, history)).toList());
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    return store.erase(store.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId));
  }
}
