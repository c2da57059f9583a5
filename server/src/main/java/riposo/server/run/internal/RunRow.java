package riposo.server.run.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;
import riposo.catalogue.RunDocument;
import riposo.core.run.RunSheet;
import riposo.core.run.RunState;
import riposo.server.platform.Owned;
import riposo.server.platform.Unstamped;

/** A run: the sheet it was started with, and where its events have brought it. */
@Unstamped("its people and sets tell")
@Entity(name = "Run")
@Table(name = "run")
class RunRow extends Owned {
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
  String sheet;

  @Nullable Integer minutes;

  /** Whose run it is; null where one person trains alone. */
  @Column(name = "group_id")
  @Nullable UUID groupId;

  /** When an event last came in, or the run was made. */
  @Column(name = "heard_at")
  Instant heardAt;

  /** Ended because nothing was heard of it any more. */
  @Column(name = "left_open")
  boolean leftOpen;

  /** Brings a run to where its events leave it. */
  void bring(RunState state) {
    status = state.status();
    leftOpen = state.leftOpen();
    if (state.endedAt() != null) {
      minutes = (int) Math.round(state.activeMs() / 60000.0);
    }
  }

  /** What was started. */
  RunSheet sheet() {
    return RunDocument.sheet(sheet);
  }
}
