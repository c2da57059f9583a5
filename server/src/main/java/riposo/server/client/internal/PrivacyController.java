package riposo.server.client.internal;

import jakarta.validation.Valid;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.Heavy;

/** Everything kept of a client, to take away or to erase, over HTTP. */
@RestController
@RequestMapping(value = "/api/clients/{id}", produces = "application/json")
class PrivacyController {
  private final PrivacyService service;

  PrivacyController(PrivacyService service) {
    this.service = service;
  }

  /** The full export, as a file. */
  @Heavy
  @GetMapping("/export")
  ResponseEntity<PrivacyService.Export> export(@PathVariable UUID id) {
    return service.export(id).answer();
  }

  /**
   * Erases everything kept of the client, files and the words of the record of changes included.
   */
  @PostMapping("/erase")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void erase(@PathVariable UUID id, @Valid @RequestBody PrivacyService.Erase body) {
    service.erase(id, body);
  }
}
