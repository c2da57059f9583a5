package riposo.server.client.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.UUID;
import riposo.server.platform.Owned;

/** A file kept with a client; its content is in a table of its own. */
@Entity(name = "Attachment")
@Table(name = "attachment")
class AttachmentRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  String name;
  String type;
  int size;
  String sha256;
}
