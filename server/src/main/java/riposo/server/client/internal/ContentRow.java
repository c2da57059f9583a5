package riposo.server.client.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;
import org.hibernate.annotations.TenantId;
import riposo.server.platform.Unstamped;

/** The bytes of a file, apart from what is listed. */
@Unstamped("a file")
@Entity(name = "AttachmentContent")
@Table(name = "attachment_content")
class ContentRow {
  @Id UUID id;

  @TenantId
  @Column(name = "studio_id", nullable = false)
  UUID studioId;

  @Column(columnDefinition = "longblob")
  byte[] content;

  @SuppressWarnings("NullAway.Init")
  protected ContentRow() {}

  @SuppressWarnings("NullAway.Init")
  ContentRow(UUID id, byte[] content) {
    this.id = id;
    this.content = content;
  }
}
