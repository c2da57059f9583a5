package riposo.server.adapt.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.Heavy;

/**
 * What changes: between dates, clients, with today's check, without a limit, over a week, over
 * HTTP.
 */
@RestController
@RequestMapping(value = "/api/clients/{clientId}/adapted/{planId}", produces = "application/json")
class CompareController {
  private final CompareService service;

  CompareController(CompareService service) {
    this.service = service;
  }

  /**
   * Notes the adapted plan as seen today and says what changed since it was seen on a day before.
   */
  @PostMapping("/seen")
  CompareService.SinceView seen(@PathVariable UUID clientId, @PathVariable UUID planId) {
    return service.seen(clientId, planId);
  }

  @Heavy
  @GetMapping("/compare")
  CompareService.ComparisonView dates(
      @PathVariable UUID clientId,
      @PathVariable UUID planId,
      @RequestParam LocalDate from,
      @RequestParam LocalDate to) {
    return service.dates(clientId, planId, from, to);
  }

  @Heavy
  @GetMapping("/compare/client")
  CompareService.ComparisonView people(
      @PathVariable UUID clientId, @PathVariable UUID planId, @RequestParam UUID other) {
    return service.people(clientId, planId, other);
  }

  /** The plan with what today's check leaves of it; a 409 problem without a check today. */
  @Heavy
  @GetMapping("/compare/today")
  CompareService.ComparisonView today(@PathVariable UUID clientId, @PathVariable UUID planId) {
    return service.today(clientId, planId);
  }

  /** What lifting limits would change. Nothing is lifted by asking. */
  @Heavy
  @GetMapping("/compare/what-if")
  CompareService.ComparisonView whatIf(
      @PathVariable UUID clientId, @PathVariable UUID planId, @RequestParam List<UUID> lift) {
    return service.whatIf(clientId, planId, lift);
  }

  /** Seven days from a date, each against the day before. */
  @Heavy
  @GetMapping("/week")
  List<CompareService.DayColumn> week(
      @PathVariable UUID clientId,
      @PathVariable UUID planId,
      @RequestParam(required = false) @Nullable LocalDate from) {
    return service.week(clientId, planId, from);
  }
}
