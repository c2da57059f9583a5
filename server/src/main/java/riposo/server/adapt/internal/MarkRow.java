package riposo.server.adapt.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import riposo.server.platform.Owned;

/** An adapted plan as it was last seen on a day. */
@Entity(name = "AdaptedMark")
@Table(name = "adapted_mark")
class MarkRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Column(name = "plan_id")
  UUID planId;

  @Column(name = "on_date")
  LocalDate onDate;

  @Column(columnDefinition = "longtext")
  String body;
}
