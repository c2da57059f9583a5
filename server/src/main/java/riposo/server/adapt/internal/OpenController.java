package riposo.server.adapt.internal;

import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.Heavy;

/** What is open to a client on a date, and what a plan needs where the client trains, over HTTP. */
@RestController
@RequestMapping(value = "/api/clients/{clientId}", produces = "application/json")
class OpenController {
  private final OpenService service;

  OpenController(OpenService service) {
    this.service = service;
  }

  @Heavy
  @GetMapping("/open")
  OpenService.OpenView open(
      @PathVariable UUID clientId, @RequestParam(required = false) @Nullable LocalDate date) {
    return service.open(clientId, date);
  }

  /** What the plan as stated needs, what serves for it here, and what is missing. */
  @Heavy
  @GetMapping("/plans/{planId}/needs")
  OpenService.NeedsView needs(@PathVariable UUID clientId, @PathVariable UUID planId) {
    return service.needs(clientId, planId);
  }
}
