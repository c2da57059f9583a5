package riposo.server.screening.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.server.platform.Owned;

/** A clearance as stored. */
@Entity(name = "Clearance")
@Table(name = "clearance")
class ClearanceRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  String role;
  String name;

  @Column(name = "given_on")
  LocalDate givenOn;

  @Column(name = "valid_until")
  LocalDate validUntil;

  @Column(columnDefinition = "longtext")
  String covers;

  @Nullable String note;

  @Column(name = "attachment_id")
  @Nullable UUID attachmentId;
}
