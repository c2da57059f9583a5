package riposo.server.client;

import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Files kept with a client. */
public interface Attachments {
  /** A file without its content. */
  record Attachment(UUID id, String name, String type, int size, String sha256) {}

  /** The file when it belongs to that client, or a 422 problem at /attachmentId; null for null. */
  @Nullable Attachment of(UUID clientId, @Nullable UUID attachmentId);
}
