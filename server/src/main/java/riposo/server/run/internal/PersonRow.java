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
import riposo.core.run.AfterSymptom;
import riposo.core.today.TodayCheck;
import riposo.server.platform.Owned;

/** One person of a run: what was asked and told before it, and what was said after. */
@Entity(name = "RunPerson")
@Table(name = "run_person")
class PersonRow extends Owned {
  @Column(name = "run_id")
  UUID runId;

  @Column(name = "client_id")
  UUID clientId;

  @Column(name = "on_date")
  LocalDate onDate;

  @Column(name = "check_id")
  @Nullable UUID checkId;

  @Nullable String reason;

  @Column(name = "pain_before")
  @Nullable Integer painBefore;

  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  TodayCheck.@Nullable Dose dose;

  /** The dose picked by hand; null where it was the check's, and in older runs. */
  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  TodayCheck.@Nullable Dose picked;

  /** What the professional was told before the start, word for word: part of the record. */
  @Column(columnDefinition = "longtext")
  String told;

  @Column(name = "effort_cap")
  @Nullable Integer effortCap;

  @Column(name = "effort_after")
  @Nullable Integer effortAfter;

  /** How long they were in it; null where it is as long as the run. */
  @Nullable Integer minutes;

  @Nullable String feel;

  /** What was felt after it; null where it was not asked. */
  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  @Nullable AfterSymptom symptom;

  @Nullable String note;

  boolean closed() {
    return effortAfter != null;
  }
}
