package riposo.server.tolerance.internal;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.Standing;
import riposo.core.tolerance.Verdict;
import riposo.server.adapt.StandingSource;
import riposo.server.platform.Json;
import riposo.server.platform.ReadAhead;
import riposo.server.platform.RowsOf;
import riposo.server.platform.Stamped;
import riposo.server.platform.Stamps;

/** Reads where decided verdicts leave a client. */
@Component
class StandingReader implements StandingSource, ReadAhead.Part {
  private final Json json;
  private final RowsOf<VerdictRow> newest;
  private final RowsOf<VerdictRow> stops;

  /** Where somebody stands follows from their verdicts alone. */
  private final Stamped<UUID, Long, Map<String, Standing>> known = new Stamped<>(5_000);

  private final Stamps stamps;

  StandingReader(VerdictStore store, Json json, Stamps stamps) {
    this.json = json;
    this.stamps = stamps;
    this.newest = new RowsOf<>(store::standing, v -> v.clientId);
    this.stops = new RowsOf<>(store::stops, v -> v.clientId);
  }

  @Override
  public void readAhead(Collection<UUID> clients, ReadAhead.For what) {
    if (what == ReadAhead.For.TRAINING && Stamped.reads()) {
      stamps.ahead(clients);
      List<UUID> missing =
          clients.stream().filter(c -> known.get(c, stamps.of(c)) == null).toList();
      newest.ahead(missing);
      stops.ahead(missing);
    }
  }

  @Override
  @Transactional(readOnly = true)
  public Map<String, Standing> standings(UUID clientId) {
    return Stamped.reads()
        ? known.of(clientId, stamps.of(clientId), () -> Map.copyOf(read(clientId)))
        : read(clientId);
  }

  private Map<String, Standing> read(UUID clientId) {
    Map<String, Standing> all = new HashMap<>();
    for (VerdictRow v : newest.of(clientId)) {
      all.put(
          v.familyId, json.read(Objects.requireNonNull(v.outcome), Standing.class).of(v.onDate));
    }
    // a stop holds at once, and until a recorded word ends it: no later verdict opens the family
    for (VerdictRow v : stops.of(clientId)) {
      all.put(
          v.familyId,
          new Standing(
              v.familyId,
              v.askedId,
              v.judgement().change().movementId(),
              null,
              null,
              null,
              Verdict.STOP_AND_REFER.name(),
              true,
              v.onDate));
    }
    return all;
  }
}
