package riposo.server.run.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import riposo.server.platform.Owned;

/** A tap on the stop panel said to be an error: a record on that one STOP, beside the run. */
@Entity(name = "StopWithdrawal")
@Table(name = "stop_withdrawal")
class WithdrawalRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Column(name = "run_id")
  UUID runId;

  @Column(name = "event_id")
  UUID eventId;

  @Column(name = "on_date")
  LocalDate onDate;

  @Column(name = "withdrawn_by")
  String by;

  String reason;
}
