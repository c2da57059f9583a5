package riposo.server.tolerance.internal;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.Standing;
import riposo.core.tolerance.Verdict;
import riposo.server.adapt.StandingSource;
import riposo.server.platform.Json;
import riposo.server.platform.Studios;

/** Reads where decided verdicts leave a client. */
@Component
class StandingReader implements StandingSource {
  private final VerdictStore store;
  private final Json json;
  private final Studios studios;

  StandingReader(VerdictStore store, Json json, Studios studios) {
    this.store = store;
    this.json = json;
    this.studios = studios;
  }

  @Override
  @Transactional(readOnly = true)
  public Map<String, Standing> standings(UUID clientId) {
    Map<String, Standing> all = new HashMap<>();
    for (VerdictRow v : store.standing(clientId, studios.today().minusDays(Reckoner.WINDOW))) {
      all.put(
          v.familyId, json.read(Objects.requireNonNull(v.outcome), Standing.class).of(v.onDate));
    }
    // a stop holds at once, and until a recorded word ends it: no later verdict opens the family
    for (VerdictRow v : store.stops(clientId)) {
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
