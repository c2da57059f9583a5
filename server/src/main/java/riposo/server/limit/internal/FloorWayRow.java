package riposo.server.limit.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.FloorWay;
import riposo.core.limit.WaySeen;
import riposo.server.platform.Owned;

/** A way to the floor seen to go well; taken back, never deleted. */
@Entity(name = "FloorWay")
@Table(name = "floor_way")
class FloorWayRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  FloorWay way;

  @Column(name = "seen_on")
  LocalDate seenOn;

  /** What help was needed; empty for none. */
  String help;

  @Column(name = "recorded_by")
  String recordedBy;

  @Column(name = "withdrawn_on")
  @Nullable LocalDate withdrawnOn;

  @Column(name = "withdrawn_by")
  @Nullable String withdrawnBy;

  WaySeen toCore() {
    return new WaySeen(way, seenOn, help);
  }
}
