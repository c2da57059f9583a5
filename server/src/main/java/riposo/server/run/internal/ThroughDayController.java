package riposo.server.run.internal;

import jakarta.validation.Valid;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Small doses spread over a day, ticked off on the client's page, over HTTP. */
@RestController
@RequestMapping(value = "/api/clients/{clientId}/day-plans", produces = "application/json")
class ThroughDayController {
  private final ThroughDayService service;

  ThroughDayController(ThroughDayService service) {
    this.service = service;
  }

  @GetMapping
  List<ThroughDayService.DayPlanView> of(
      @PathVariable UUID clientId, @RequestParam(required = false) @Nullable LocalDate date) {
    return service.of(clientId, date);
  }

  @PostMapping
  List<ThroughDayService.DayPlanView> give(
      @PathVariable UUID clientId, @Valid @RequestBody ThroughDayService.Give body) {
    return service.give(clientId, body);
  }

  /** Ends a plan yesterday: today nothing is asked any more; what was ticked stays. */
  @DeleteMapping("/{id}")
  List<ThroughDayService.DayPlanView> end(@PathVariable UUID clientId, @PathVariable UUID id) {
    return service.end(clientId, id);
  }

  @PutMapping("/{id}/ticks")
  ThroughDayService.DayPlanView tick(
      @PathVariable UUID clientId,
      @PathVariable UUID id,
      @Valid @RequestBody ThroughDayService.TickForm body) {
    return service.tick(clientId, id, body);
  }
}
