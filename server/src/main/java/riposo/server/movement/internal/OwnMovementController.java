package riposo.server.movement.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.IfMatch;

/** The studio's own movements: added, changed, retired, brought in and taken out, over HTTP. */
@RestController
@RequestMapping(value = "/api/movements", produces = "application/json")
class OwnMovementController {
  private final OwnMovementService service;

  OwnMovementController(OwnMovementService service) {
    this.service = service;
  }

  /** The document of a movement: one's own to change, or a shipped one to start a copy from. */
  @GetMapping("/{id}/document")
  OwnMovementService.OwnDocument document(@PathVariable String id) {
    return service.document(id);
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  OwnMovementService.OwnDocument create(
      @Valid @RequestBody OwnMovementService.OwnMovementForm form) {
    return service.create(form);
  }

  @PutMapping("/{id}")
  OwnMovementService.OwnDocument change(
      @PathVariable String id,
      @IfMatch long version,
      @Valid @RequestBody OwnMovementService.OwnMovementForm form) {
    return service.change(id, version, form);
  }

  /** Offers it no more; plans and records that name it still know it. */
  @DeleteMapping("/{id}")
  OwnMovementService.OwnDocument retire(@PathVariable String id) {
    return service.retire(id);
  }

  /** Offers a retired one again. */
  @PostMapping("/{id}/restore")
  OwnMovementService.OwnDocument restore(@PathVariable String id) {
    return service.restore(id);
  }

  /** The studio's own movements as a document, or the shipped ones to read. */
  @GetMapping("/export")
  ResponseEntity<String> export(@RequestParam(defaultValue = "false") boolean all) {
    return service.export(all).answer();
  }

  @GetMapping("/schema")
  String schema() {
    return service.schema();
  }

  /** Brings in a document, all or nothing; every problem is named with its line and field. */
  @PostMapping(value = "/import", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  OwnMovementService.Imported bring(
      @RequestBody byte[] body,
      @RequestParam(defaultValue = "the file") @Size(max = 120) String file) {
    return service.bring(body, file);
  }
}
