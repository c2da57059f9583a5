package riposo.server.adapt.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.server.platform.Owned;

/** A pinned choice as stored. */
@Entity(name = "PinnedChoice")
@Table(name = "pinned_choice")
class PinRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Column(name = "plan_id")
  UUID planId;

  @Column(name = "slot_key")
  String slotKey;

  @Column(columnDefinition = "longtext")
  String parts;

  @Column(columnDefinition = "longtext")
  String overridden;

  @Nullable String reason;
}
