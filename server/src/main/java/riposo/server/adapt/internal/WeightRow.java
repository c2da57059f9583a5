package riposo.server.adapt.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.SetWeight;
import riposo.server.platform.Owned;

/** A weight set by hand, as stored. */
@Entity(name = "SetWeight")
@Table(name = "set_weight")
class WeightRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Column(name = "plan_id")
  UUID planId;

  @Column(name = "slot_key")
  String slotKey;

  @Column(name = "movement_id")
  String movementId;

  int grams;

  @Column(name = "on_date")
  LocalDate onDate;

  boolean today;

  @Nullable String reason;

  SetWeight fact() {
    return new SetWeight(movementId, grams, onDate, today);
  }
}
