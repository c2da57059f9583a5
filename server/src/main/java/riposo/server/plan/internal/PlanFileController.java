package riposo.server.plan.internal;

import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.plan.Plans;

/** Plans out and in as open documents, over HTTP. */
@RestController
@RequestMapping("/api/plans")
class PlanFileController {
  private final PlanFiles files;

  PlanFileController(PlanFiles files) {
    this.files = files;
  }

  /** The JSON schema of the document. */
  @GetMapping(value = "/schema", produces = MediaType.APPLICATION_JSON_VALUE)
  String schema() {
    return files.schema();
  }

  @GetMapping(value = "/{id}/document", produces = MediaType.APPLICATION_JSON_VALUE)
  ResponseEntity<String> document(@PathVariable UUID id) {
    return files.document(id).answer();
  }

  /** Reads a document, all or nothing; every problem is named. */
  @PostMapping(
      value = "/import",
      consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  Plans.Plan importDocument(@RequestBody byte[] body) {
    return files.importDocument(body);
  }
}
