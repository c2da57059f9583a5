package riposo.server.screening.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import riposo.server.platform.Owned;
import riposo.server.platform.Unstamped;

/** A screening half done: kept until it is signed or thrown away. */
@Unstamped("not signed yet")
@Entity(name = "ScreeningDraft")
@Table(name = "screening_draft")
class DraftRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Column(columnDefinition = "longtext")
  String answers;

  @Column(name = "changed_at")
  Instant changedAt;

  @Column(name = "changed_by")
  String changedBy;
}
