package riposo.server.run.internal;

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
import riposo.core.run.RunState;
import riposo.server.platform.Owned;

/** A run as stored: the adapted plan it was started with, and what was said after. */
@Entity(name = "Run")
@Table(name = "run")
class RunRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Column(name = "plan_id")
  UUID planId;

  @Column(name = "plan_name")
  String planName;

  @Column(name = "on_date")
  LocalDate onDate;

  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  RunState.Status status = RunState.Status.READY;

  @Column(columnDefinition = "longtext")
  String adapted;

  @Column(columnDefinition = "longtext")
  String today;

  @Nullable String reason;

  @Column(name = "check_id")
  @Nullable UUID checkId;

  @Column(name = "effort_after")
  @Nullable Integer effortAfter;

  @Nullable String feel;
  @Nullable String note;
  @Nullable Integer minutes;
  boolean reviewed;
}
