package riposo.server.screening.internal;

import jakarta.validation.Valid;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.screening.Readiness.ClientStanding;

/**
 * Clearances with what they cover, set and lift; what happens to a client; the letter that asks.
 */
@RestController
@RequestMapping(value = "/api/clients/{clientId}", produces = "application/json")
class ClearanceController {
  private final ClearanceService service;
  private final LetterService letters;

  ClearanceController(ClearanceService service, LetterService letters) {
    this.letters = letters;
    this.service = service;
  }

  @GetMapping("/clearances")
  List<ClearanceService.ClearanceView> list(@PathVariable UUID clientId) {
    return service.list(clientId);
  }

  /** The last day a clearance of that date is good for by default. */
  @GetMapping("/clearances/default")
  ClearanceService.DefaultUntil standard(
      @PathVariable UUID clientId,
      @RequestParam LocalDate givenOn,
      @RequestParam(required = false) @Nullable Set<String> covers) {
    return service.standard(clientId, givenOn, covers);
  }

  /** Records a clearance: what it covers, what it sets, what it lifts. */
  @PostMapping("/clearances")
  @ResponseStatus(HttpStatus.CREATED)
  ClientStanding record(
      @PathVariable UUID clientId, @Valid @RequestBody ClearanceService.ClearanceForm f) {
    return service.record(clientId, f);
  }

  @GetMapping("/happened")
  List<ClearanceService.HappenedView> happened(@PathVariable UUID clientId) {
    return service.happened(clientId);
  }

  /**
   * Records that something happened: an event voids clearances, an illness asks for a screening.
   */
  @PostMapping("/happened")
  @ResponseStatus(HttpStatus.CREATED)
  ClientStanding happen(
      @PathVariable UUID clientId, @Valid @RequestBody ClearanceService.HappenedForm f) {
    return service.happen(clientId, f);
  }

  /** The words of a letter to doctor, midwife or physiotherapist. */
  @GetMapping("/letter")
  LetterService.Letter letter(@PathVariable UUID clientId) {
    return letters.letter(clientId);
  }
}
