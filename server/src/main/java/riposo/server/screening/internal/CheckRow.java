package riposo.server.screening.internal;

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
import riposo.core.screening.Outcome;
import riposo.server.platform.Owned;

/** Today's check as given and judged; kept whatever it came to. */
@Entity(name = "TodayCheck")
@Table(name = "today_check")
class CheckRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Column(name = "on_date")
  LocalDate onDate;

  @Column(columnDefinition = "longtext")
  String given;

  @Column(columnDefinition = "longtext")
  String result;

  String outcome;

  /** CLEARANCE_ONLY or ASK_FIRST where it outlives its day; null otherwise. */
  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  @Nullable Outcome leaves;

  @Column(name = "withdrawn_on")
  @Nullable LocalDate withdrawnOn;

  @Column(name = "withdrawn_by")
  @Nullable String withdrawnBy;

  @Column(name = "withdrawn_reason")
  @Nullable String withdrawnReason;
}
