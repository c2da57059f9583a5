package riposo.server.screening.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
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
}
