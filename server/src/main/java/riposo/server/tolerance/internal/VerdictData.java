package riposo.server.tolerance.internal;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.time.Period;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import riposo.core.tolerance.History;
import riposo.server.client.ClientData;
import riposo.server.platform.OncePerRead;

/** What this module keeps of a client. */
@Component
class VerdictData implements ClientData {
  /**
   * A client's tolerance and every verdict.
   *
   * @param verdicts the oldest first, each worded as it is written
   */
  record Exported(
      ToleranceViews.ToleranceView tolerance, Iterable<VerdictViews.VerdictView> verdicts) {}

  /** Verdicts of so many days are worded at once. */
  private static final int DAYS = 120;

  private final EntityManager em;
  private final VerdictStore store;
  private final ToleranceViews views;
  private final VerdictViews verdicts;
  private final Reckoner reckoner;

  VerdictData(
      EntityManager em,
      VerdictStore store,
      ToleranceViews views,
      VerdictViews verdicts,
      Reckoner reckoner) {
    this.em = em;
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
    return new Exported(
        views.view(clientId, null),
        () -> spans(store.span(clientId)).flatMap(day -> verdicts(clientId, day)).iterator());
  }

  private static Stream<LocalDate> spans(VerdictStore.Span all) {
    return all.first() == null || all.newest() == null
        ? Stream.empty()
        : all.first().datesUntil(all.newest().plusDays(1), Period.ofDays(DAYS));
  }

  /** Those of so many days from one on; what was read of those before is let go of. */
  private Stream<VerdictViews.VerdictView> verdicts(UUID clientId, LocalDate first) {
    em.clear();
    OncePerRead.letGo();
    LocalDate last = first.plusDays(DAYS - 1);
    Reckoner.Case of = reckoner.between(clientId, first, last);
    History history = of.history();
    return of.rows.stream()
        .filter(v -> !v.onDate.isBefore(first) && !v.onDate.isAfter(last))
        .map(v -> verdicts.view(v, of, history));
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    List<UUID> gone = store.idsOf(clientId);
    store.eraseAll(clientId);
    return gone;
  }
}
