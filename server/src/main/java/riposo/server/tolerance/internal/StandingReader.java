package riposo.server.tolerance.internal;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.Standing;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.Verdict;
import riposo.server.adapt.StandingSource;
import riposo.server.platform.Json;

/** Reads where decided verdicts leave a client. */
@Component
class StandingReader implements StandingSource {
  private final VerdictStore store;
  private final Json json;

  StandingReader(VerdictStore store, Json json) {
    this.store = store;
    this.json = json;
  }

  @Override
  @Transactional(readOnly = true)
  public Map<String, Standing> standings(UUID clientId) {
    Map<String, Standing> all = new HashMap<>();
    for (VerdictRow v : store.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId)) {
      if (v.status == VerdictRow.Status.WAITING && v.verdict == Verdict.STOP_AND_REFER) {
        // a stop holds at once; only the professional's decision can set it aside
        String at = json.read(v.judgement, Judgement.class).change().movementId();
        all.put(
            v.familyId,
            new Standing(
                v.familyId, v.askedId, at, null, null, null, v.verdict.name(), true, v.onDate));
      } else if (v.outcome != null) {
        all.put(v.familyId, json.read(v.outcome, Standing.class));
      }
    }
    return all;
  }
}
