package riposo.server.tolerance.internal;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.wording.MorningWords;
import riposo.server.checkin.CheckIns;
import riposo.server.platform.RowsOf;

/** What mornings changed of verdicts. */
@Component
@Transactional(readOnly = true)
class MorningEffects implements CheckIns.Effects {
  private final RowsOf<VerdictRow> ofRun;
  private final VerdictViews verdicts;

  MorningEffects(VerdictStore store, VerdictViews verdicts) {
    this.ofRun = new RowsOf<>(store::findByRunIdInOrderByFamilyId, v -> v.runId);
    this.verdicts = verdicts;
  }

  @Override
  public void readAhead(Collection<UUID> runs) {
    ofRun.ahead(runs);
  }

  @Override
  public List<String> of(UUID runId, UUID clientId) {
    return ofRun.of(runId).stream()
        .filter(v -> v.clientId.equals(clientId) && v.beforeMorning != null && !v.takenBack())
        .map(
            v ->
                MorningWords.did(
                    verdicts.family(v.familyId),
                    java.util.Objects.requireNonNull(v.beforeMorning),
                    v.verdict))
        .toList();
  }
}
