package riposo.server.tolerance.internal;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.Verdict;
import riposo.server.client.Clients;
import riposo.server.platform.Versions;

/** Verdicts per family, decided by the professional, and what stands after. */
@Service
@Transactional
class DecisionService {
  /** A recorded word that ends a stop and refer: a clinician's, or one's own for a false alarm. */
  record EndForm(
      @NotBlank(message = "Say whose word it is.")
          @Size(max = 160, message = "At most 160 characters.")
          String by,
      @NotNull(message = "Give the date of the word.") LocalDate on,
      @NotBlank(message = "Say what was cleared.")
          @Size(max = 400, message = "At most 400 characters.")
          String reason) {}

  /**
   * Accept the verdict, or decide otherwise with a reason.
   *
   * @param way another of the changes it offers; null for the one it proposes
   */
  record VerdictDecision(
      @NotNull(message = "Choose a verdict.") Verdict verdict,
      Change.@Nullable Kind way,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String reason) {}

  /** Weeks shown where nothing else is asked for. */
  static final int WEEKS = 12;

  private final ToleranceService service;
  private final ToleranceViews views;
  private final FamilyViews families;
  private final VerdictViews verdicts;
  private final Reckoner reckoner;
  private final Clients clients;

  DecisionService(
      ToleranceService service,
      ToleranceViews views,
      FamilyViews families,
      VerdictViews verdicts,
      Reckoner reckoner,
      Clients clients) {
    this.service = service;
    this.views = views;
    this.families = families;
    this.verdicts = verdicts;
    this.reckoner = reckoner;
    this.clients = clients;
  }

  @Transactional(readOnly = true)
  ToleranceViews.ToleranceView show(UUID clientId, @Nullable Integer weeks) {
    return views.view(clientId, weeks);
  }

  @Transactional(readOnly = true)
  FamilyViews.FamilyView family(UUID clientId, String family, @Nullable Integer weeks) {
    return families.view(clientId, family, weeks);
  }

  /** Decides a verdict. Step up is refused while limits, kit or the client's flag rule it out. */
  ToleranceViews.ToleranceView decide(UUID id, long version, VerdictDecision body) {
    VerdictRow row = current(id, version, body);
    String reason = body.reason() == null || body.reason().isBlank() ? null : body.reason().trim();
    service.decide(row, body.verdict(), body.way(), reason);
    return views.view(row.clientId, WEEKS);
  }

  /**
   * Ends a stop and refer by a recorded word. The family opens again a step below where it was
   * stopped.
   */
  ToleranceViews.ToleranceView end(UUID id, long version, EndForm body) {
    VerdictRow row = current(id, version, body);
    service.end(row, body.by(), body.on(), body.reason());
    return views.view(row.clientId, WEEKS);
  }

  private VerdictRow current(UUID id, long version, Object yours) {
    VerdictRow row = service.require(id);
    Versions.same(row, version, () -> now(row), yours);
    return row;
  }

  private VerdictViews.VerdictView now(VerdictRow row) {
    Reckoner.Case of = reckoner.around(row.clientId, row.runId);
    return verdicts.view(row, of, of.history());
  }

  /** Accepts all that waits; what a recorded word must end stays. */
  ToleranceViews.ToleranceView accept(UUID clientId) {
    clients.require(clientId);
    service.acceptAll(clientId);
    return views.view(clientId, WEEKS);
  }
}
