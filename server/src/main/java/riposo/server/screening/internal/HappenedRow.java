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
import riposo.core.screening.Happened;
import riposo.server.platform.Owned;

/** Something that happened to a client between screenings. */
@Entity(name = "Happened")
@Table(name = "happened")
class HappenedRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  Happened kind;

  @Column(name = "on_date")
  LocalDate onDate;

  @Nullable String note;

  @Column(name = "recorded_by")
  String recordedBy;
}
