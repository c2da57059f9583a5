package riposo.server.run.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.TenantId;
import org.jspecify.annotations.Nullable;
import riposo.server.platform.Unstamped;

/** One event of a run, under the id its device made. */
@Unstamped("its sets tell; a stop, and what comes late, touches by hand")
@Entity(name = "RunEvent")
@Table(name = "run_event")
class EventRow {
  @Id UUID id;

  @TenantId
  @Column(name = "studio_id", nullable = false)
  UUID studioId;

  @Column(name = "run_id")
  UUID runId;

  /** Whose set or sign; null for what is everybody's. */
  @Column(name = "person_id")
  @Nullable UUID personId;

  String device;

  @Column(name = "at_ms")
  long at;

  int seq;
  String kind;

  @Column(columnDefinition = "longtext")
  String body;

  /** SHA-256 of the event as it was sent; null in older runs. */
  @Column(columnDefinition = "char(64)")
  @Nullable String sent;

  @Column(name = "received_at")
  Instant receivedAt;

  /** When it happened, never later than it was received. */
  Instant moment() {
    Instant device = Instant.ofEpochMilli(at);
    return device.isAfter(receivedAt) ? receivedAt : device;
  }
}
