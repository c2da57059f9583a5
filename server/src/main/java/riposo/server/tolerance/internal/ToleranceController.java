package riposo.server.tolerance.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.Heavy;
import riposo.server.platform.IfMatch;

/** Tolerance over time over HTTP: verdicts per family, decided by the professional. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
class ToleranceController {
  private final DecisionService service;

  ToleranceController(DecisionService service) {
    this.service = service;
  }

  /** A client's tolerance over so many weeks up to today, or all of it. */
  @Heavy
  @GetMapping("/clients/{clientId}/tolerance")
  ToleranceViews.ToleranceView show(
      @PathVariable UUID clientId,
      @RequestParam(required = false) @Min(1) @Max(520) @Nullable Integer weeks) {
    return service.show(clientId, weeks);
  }

  /** One family of it large. */
  @Heavy
  @GetMapping("/clients/{clientId}/tolerance/{familyId}")
  FamilyViews.FamilyView family(
      @PathVariable UUID clientId,
      @PathVariable String familyId,
      @RequestParam(required = false) @Min(1) @Max(520) @Nullable Integer weeks) {
    return service.family(clientId, familyId, weeks);
  }

  /** Decides a verdict. Step up is refused while limits, kit or the client's flag rule it out. */
  @PostMapping("/verdicts/{id}/decision")
  ToleranceViews.ToleranceView decide(
      @PathVariable UUID id,
      @IfMatch long version,
      @Valid @RequestBody DecisionService.VerdictDecision body) {
    return service.decide(id, version, body);
  }

  /**
   * Ends a stop and refer by a recorded word. The family opens again a step below where it was
   * stopped.
   */
  @PostMapping("/verdicts/{id}/end")
  ToleranceViews.ToleranceView end(
      @PathVariable UUID id,
      @IfMatch long version,
      @Valid @RequestBody DecisionService.EndForm body) {
    return service.end(id, version, body);
  }

  /** Accepts all that waits; what a recorded word must end stays. */
  @PostMapping("/clients/{clientId}/verdicts/accept")
  ToleranceViews.ToleranceView accept(@PathVariable UUID clientId) {
    return service.accept(clientId);
  }
}
