package riposo.server.platform;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.TenantId;
import org.jspecify.annotations.Nullable;

/** One recorded change. */
@Unstamped("a record of what was done")
@Entity(name = "AuditEntry")
@jakarta.persistence.Table(name = "audit_entry")
public class AuditEntry {
  @Id public UUID id = Owned.newId();

  @TenantId
  @Column(name = "studio_id", nullable = false)
  public UUID studioId;

  public Instant at;
  public String who;
  public String action;
  public String subject;

  @Column(name = "subject_id")
  public UUID subjectId;

  /** The client it is about; null for what concerns none. */
  @Column(name = "client_id")
  public @Nullable UUID clientId;

  @Column(length = 1000)
  public @Nullable String detail;

  @SuppressWarnings("NullAway.Init")
  protected AuditEntry() {}
}
