package riposo.server.tolerance.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.tolerance.Verdict;
import riposo.server.client.Clients;
import riposo.server.platform.Problems;
import riposo.server.platform.Versions;

/** Tolerance over time over HTTP: verdicts per family, decided by the professional. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
class ToleranceController {
  /** A recorded word that ends a stop and refer: a clinician's, or one's own for a false alarm. */
  record EndForm(
      @NotBlank(message = "Say whose word it is.")
          @Size(max = 160, message = "At most 160 characters.")
          String by,
      @NotNull(message = "Give the date of the word.") LocalDate on,
      @NotBlank(message = "Say what was cleared.")
          @Size(max = 400, message = "At most 400 characters.")
          String reason) {}

  /** Accept the verdict, or decide otherwise with a reason. */
  record VerdictDecision(
      @NotNull(message = "Choose a verdict.") Verdict verdict,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String reason) {}

  private final ToleranceService service;
  private final ToleranceViews views;
  private final Clients clients;

  ToleranceController(ToleranceService service, ToleranceViews views, Clients clients) {
    this.service = service;
    this.views = views;
    this.clients = clients;
  }

  @GetMapping("/clients/{clientId}/tolerance")
  @Transactional(readOnly = true)
  public ToleranceViews.ToleranceView show(@PathVariable UUID clientId) {
    return views.view(clientId);
  }

  /** Decides a verdict. Step up is refused while limits, kit or the client's flag rule it out. */
  @PostMapping("/verdicts/{id}/decision")
  @Transactional
  public ToleranceViews.ToleranceView decide(
      @PathVariable UUID id,
      @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
      @Valid @RequestBody VerdictDecision body) {
    VerdictRow row = current(id, ifMatch, body);
    String reason = body.reason() == null || body.reason().isBlank() ? null : body.reason().trim();
    service.decide(row, body.verdict(), reason);
    return views.view(row.clientId);
  }

  /**
   * Ends a stop and refer by a recorded word. The family opens again a step below where it was
   * stopped.
   */
  @PostMapping("/verdicts/{id}/end")
  @Transactional
  public ToleranceViews.ToleranceView end(
      @PathVariable UUID id,
      @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
      @Valid @RequestBody EndForm body) {
    VerdictRow row = current(id, ifMatch, body);
    service.end(row, body.by(), body.on(), body.reason());
    return views.view(row.clientId);
  }

  private VerdictRow current(UUID id, @Nullable String ifMatch, Object yours) {
    VerdictRow row = service.require(id);
    if (row.version != Versions.of(ifMatch)) {
      throw Problems.stale(views.view(row), yours);
    }
    return row;
  }

  /** Accepts all that waits; what a recorded word must end stays. */
  @PostMapping("/clients/{clientId}/verdicts/accept")
  @Transactional
  public ToleranceViews.ToleranceView accept(@PathVariable UUID clientId) {
    clients.require(clientId);
    service.acceptAll(clientId);
    return views.view(clientId);
  }
}
