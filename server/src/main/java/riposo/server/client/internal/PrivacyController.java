package riposo.server.client.internal;

import jakarta.validation.Valid;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.UUID;
import org.springframework.core.io.InputStreamResource;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.util.StreamUtils;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.Download;
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
  ResponseEntity<Resource> export(@PathVariable UUID id) throws IOException {
    service.exported(id);
    // written whole before any of it is sent: half a file would be saved as one
    Path file = Files.createTempFile("riposo-export", ".json");
    // it has no name from here on: nothing of a client is left where the server ends meanwhile
    FileChannel whole =
        FileChannel.open(
            file,
            StandardOpenOption.READ,
            StandardOpenOption.WRITE,
            StandardOpenOption.DELETE_ON_CLOSE);
    try {
      OutputStream out = new BufferedOutputStream(Channels.newOutputStream(whole), 1 << 16);
      service.export(id, StreamUtils.nonClosing(out));
      out.flush();
      whole.position(0);
      return new Download<Resource>(
              "riposo-client-" + id + ".json",
              new InputStreamResource(Channels.newInputStream(whole)))
          .answer();
    } catch (IOException | RuntimeException e) {
      whole.close();
      throw e;
    }
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
