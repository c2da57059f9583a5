package riposo.server.run.internal;

import jakarta.validation.Valid;
import java.util.UUID;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/**
 * Taps on the stop panel: what they say to the other modules, and the withdrawal of one. What
 * follows from a STOP follows from its event being there, never from how the run stands.
 */
@RestController
@RequestMapping(value = "/api/runs/{runId}/stops", produces = "application/json")
class StopController {
  private final StopService service;

  StopController(StopService service) {
    this.service = service;
  }

  /**
   * Withdraws one STOP as tapped in error, with a reason and on its own day only. The run stays
   * ended and the sign is kept; only what this STOP closed opens again.
   */
  @PostMapping("/{eventId}/withdrawal")
  RunViews.RunView withdraw(
      @PathVariable UUID runId,
      @PathVariable UUID eventId,
      @Valid @RequestBody StopService.Error body) {
    return service.withdraw(runId, eventId, body);
  }
}
