package riposo.server.tolerance.internal;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.History;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.Verdict;
import riposo.core.tolerance.VerdictStatus;
import riposo.core.wording.VerdictWords;
import riposo.server.adapt.ProposalSource;
import riposo.server.movement.Movements;
import riposo.server.platform.Stamped;
import riposo.server.platform.Stamps;
import riposo.server.platform.Studios;

/** Tells what stands proposed or newly decided, where there is any. */
@Component
@Transactional(readOnly = true)
class Proposals implements ProposalSource {
  private final VerdictStore store;
  private final Reckoner reckoner;
  private final Movements movements;
  private final Stamps stamps;
  private final Studios studios;

  Proposals(
      VerdictStore store, Reckoner reckoner, Movements movements, Stamps stamps, Studios studios) {
    this.stamps = stamps;
    this.studios = studios;
    this.store = store;
    this.reckoner = reckoner;
    this.movements = movements;
  }

  /** What it rests on. */
  private record Under(Map<UUID, Long> stamps, LocalDate today) {}

  /** Shown beside a plan; what is decided is reckoned anew. */
  private final Stamped<UUID, Under, Map<String, Proposal>> known = new Stamped<>(5_000);

  @Override
  public Map<String, Proposal> proposals(UUID clientId) {
    Under now = new Under(stamps.of(List.of(clientId)), studios.today());
    return known.of(clientId, now, () -> Map.copyOf(reckoned(clientId)));
  }

  private Map<String, Proposal> reckoned(UUID clientId) {
    Map<String, Proposal> all = new HashMap<>();
    VerdictWords words = new VerdictWords(movements.wording());
    boolean waits = false;
    for (VerdictRow v : store.newest(clientId)) {
      if (v.status == VerdictStatus.WAITING) {
        waits = true;
      } else if (v.decided != null && v.decided != Verdict.STAY && v.decidedBy != null) {
        Judgement j = v.judgement();
        Change taken = v.taken == null ? null : j.way(v.taken);
        boolean overridden = v.status == VerdictStatus.OVERRIDDEN;
        all.put(
            v.familyId,
            new Proposal(
                v.id,
                v.version,
                v.onDate,
                v.decided,
                overridden
                    ? "Decided by " + v.decidedBy + ": " + (v.reason == null ? "" : v.reason)
                    : taken == null ? words.judgement(j) : words.taken(j, taken),
                false,
                false));
      }
    }
    if (waits) {
      Reckoner.Case of = reckoner.of(clientId);
      History history = of.history();
      for (VerdictRow v : of.rows) {
        if (v.status == VerdictStatus.WAITING
            && of.newest(v.familyId).filter(n -> n.id.equals(v.id)).isPresent()) {
          Judgement j = of.proposal(v, history);
          all.put(
              v.familyId,
              new Proposal(
                  v.id,
                  v.version,
                  v.onDate,
                  j.verdict(),
                  words.judgement(j),
                  true,
                  j.verdict() == v.verdict && v.verdict != Verdict.STOP_AND_REFER));
        }
      }
    }
    return all;
  }
}
