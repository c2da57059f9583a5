package riposo.server.screening.internal;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.today.TodayCheck.Needs;
import riposo.server.screening.TodayChecks;

/** Today's check: what to ask, what it comes to, kept whatever the answer, over HTTP. */
@RestController
@RequestMapping(value = "/api/clients/{clientId}/today-checks", produces = "application/json")
class TodayController {
  private final TodayService service;

  TodayController(TodayService service) {
    this.service = service;
  }

  /** What the client's conditions ask for today. */
  @GetMapping("/needs")
  Needs needs(@PathVariable UUID clientId) {
    return service.needs(clientId);
  }

  /** What the answers so far come to; nothing is stored. */
  @PostMapping("/preview")
  TodayService.CheckView preview(
      @PathVariable UUID clientId, @Valid @RequestBody TodayService.CheckForm f) {
    return service.preview(clientId, f);
  }

  /** Judges and keeps a check, whatever it comes to. */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  TodayService.CheckView keep(
      @PathVariable UUID clientId, @Valid @RequestBody TodayService.CheckForm f) {
    return service.keep(clientId, f);
  }

  /** Withdraws a check as a mistaken tap, with a reason and on its own day; both are kept. */
  @PostMapping("/{id}/withdrawal")
  List<TodayChecks.Checked> withdraw(
      @PathVariable UUID clientId,
      @PathVariable UUID id,
      @Valid @RequestBody TodayService.Mistake body) {
    return service.withdraw(clientId, id, body);
  }

  @GetMapping
  List<TodayChecks.Checked> of(@PathVariable UUID clientId) {
    return service.of(clientId);
  }
}
