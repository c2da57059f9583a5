package riposo.server.client.internal;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.client.Attachments;

/**
 * Letters and notes kept with a client: PDF, PNG, JPEG up to 10 MB. The type is what the content
 * is, never what its name says; a file is only ever handed out as a download.
 */
@RestController
@RequestMapping("/api")
class AttachmentController {
  private final AttachmentService service;

  AttachmentController(AttachmentService service) {
    this.service = service;
  }

  /** Keeps a file; the body is the file itself. */
  @PostMapping(
      value = "/clients/{clientId}/attachments",
      consumes = "application/octet-stream",
      produces = "application/json")
  @ResponseStatus(HttpStatus.CREATED)
  Attachments.Attachment keep(
      @PathVariable UUID clientId, @RequestParam String name, @RequestBody byte[] content) {
    return service.keep(clientId, name, content);
  }

  @GetMapping(value = "/clients/{clientId}/attachments", produces = "application/json")
  List<Attachments.Attachment> list(@PathVariable UUID clientId) {
    return service.list(clientId);
  }

  /** The file, always as a download. */
  @GetMapping("/attachments/{id}")
  ResponseEntity<byte[]> file(@PathVariable UUID id) {
    AttachmentService.Kept f = service.file(id);
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_TYPE, f.type())
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(f.name(), StandardCharsets.UTF_8)
                .build()
                .toString())
        .header("X-Content-Type-Options", "nosniff")
        .header("Content-Security-Policy", "default-src 'none'; sandbox")
        .body(f.content());
  }
}
