package riposo.server.platform;

import jakarta.persistence.Column;
import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.TenantId;
import org.hibernate.id.uuid.UuidVersion7Strategy;

/**
 * A row owned by a studio. Hibernate adds the studio to every query and load, so another studio's
 * row is never found, whoever asks.
 */
@MappedSuperclass
public abstract class Owned {
  @Id public UUID id = newId();

  @TenantId
  @Column(name = "studio_id", nullable = false)
  public UUID studioId;

  @Version public long version;

  @Column(name = "created_at", nullable = false, updatable = false)
  public Instant createdAt = Instant.EPOCH;

  @SuppressWarnings("NullAway.Init")
  protected Owned() {}

  /** A new time-ordered id (UUIDv7). */
  public static UUID newId() {
    return UuidVersion7Strategy.INSTANCE.generateUuid(null);
  }
}
