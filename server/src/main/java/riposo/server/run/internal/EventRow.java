package riposo.server.run.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.TenantId;

/** One event of a run, under the id its device made. */
@Entity(name = "RunEvent")
@Table(name = "run_event")
class EventRow {
  @Id UUID id;

  @TenantId
  @Column(name = "studio_id", nullable = false)
  UUID studioId;

  @Column(name = "run_id")
  UUID runId;

  @Column(name = "at_ms")
  long at;

  int seq;
  String kind;

  @Column(columnDefinition = "longtext")
  String body;

  @Column(name = "received_at")
  Instant receivedAt;

  /** When it happened, never later than it was received. */
  Instant moment() {
    Instant device = Instant.ofEpochMilli(at);
    return device.isAfter(receivedAt) ? receivedAt : device;
  }
}
