package riposo.server.screening.internal;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.screening.Readiness;

/** Where a client stands today, and the pulse guide that rests on it, over HTTP. */
@RestController
@RequestMapping(value = "/api/clients/{clientId}", produces = "application/json")
class StandingController {
  private final StandingService service;

  StandingController(StandingService service) {
    this.service = service;
  }

  /**
   * Where the client stands. The newest answers are judged anew on the day, so that what depends on
   * a date, such as week 28, does; what the screening itself found is kept beside it, the worse
   * wins.
   */
  @GetMapping("/readiness")
  Readiness.ClientStanding of(@PathVariable UUID clientId) {
    return service.of(clientId);
  }

  /** Maxima, ranges, caps; with a reading shown on both scales where {@code bpm} is sent. */
  @GetMapping("/pulse")
  StandingService.PulseView pulse(
      @PathVariable UUID clientId, @RequestParam(required = false) @Nullable Integer bpm) {
    return service.pulse(clientId, bpm);
  }
}
