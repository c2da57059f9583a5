package riposo.server.tolerance.internal;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.wording.MorningWords;
import riposo.server.checkin.CheckIns;

/** What mornings changed of verdicts. */
@Component
@Transactional(readOnly = true)
class MorningEffects implements CheckIns.Effects {
  private final VerdictStore store;
  private final VerdictViews verdicts;

  MorningEffects(VerdictStore store, VerdictViews verdicts) {
    this.store = store;
    this.verdicts = verdicts;
  }

  @Override
  public List<String> of(UUID runId, UUID clientId) {
    return store.findByRunIdAndClientIdOrderByFamilyId(runId, clientId).stream()
        .filter(v -> v.beforeMorning != null && !v.takenBack())
        .map(
            v ->
                MorningWords.did(
                    verdicts.family(v.familyId),
                    java.util.Objects.requireNonNull(v.beforeMorning),
                    v.verdict))
        .toList();
  }
}
