package riposo.server.platform;

import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;

/**
 * A document to take away.
 *
 * @param filename the name it is saved under
 */
public record Download<T>(String filename, T content) {
  /** It as an answer, always saved and never opened in place. */
  public ResponseEntity<T> answer() {
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(filename, StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(content);
  }
}
