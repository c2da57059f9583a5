package riposo.server.tolerance.internal;

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
import riposo.catalogue.JudgementDocument;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.Rejudging;
import riposo.core.tolerance.Verdict;
import riposo.core.tolerance.VerdictStatus;
import riposo.server.platform.Owned;

/** The verdict on one family after one run, and what the professional made of it. */
@Entity(name = "FamilyVerdict")
@Table(name = "family_verdict")
class VerdictRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Column(name = "run_id")
  UUID runId;

  @Column(name = "family_id")
  String familyId;

  @Column(name = "on_date")
  LocalDate onDate;

  @Column(name = "asked_id")
  String askedId;

  @Column(columnDefinition = "longtext")
  String judgement;

  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  Verdict verdict;

  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  VerdictStatus status = VerdictStatus.WAITING;

  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  @Nullable Verdict decided;

  @Nullable String reason;

  /** The family, where it leaves a standing; the database tells. */
  @Column(name = "leaves_id", insertable = false, updatable = false)
  @Nullable String leavesId;

  /** The kind of change that was taken; null while undecided and in older rows. */
  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  Change.@Nullable Kind taken;

  @Column(name = "decided_on")
  @Nullable LocalDate decidedOn;

  @Column(name = "decided_by")
  @Nullable String decidedBy;

  /** Whose word ended a stop and refer; null while it stands. */
  @Column(name = "ended_by")
  @Nullable String endedBy;

  @Column(name = "ended_on")
  @Nullable LocalDate endedOn;

  @Column(name = "ended_reason")
  @Nullable String endedReason;

  /** Why it was reckoned anew after it had been reached; null where it was not. */
  @Nullable String again;

  /** What it was before the morning was told; null where the morning changed nothing. */
  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  @Column(name = "before_morning")
  @Nullable Verdict beforeMorning;

  /** Why a verdict is no more: what it rested on was taken back. */
  static final String TAKEN_BACK = "every set of it was taken back";

  /** Nothing is left that it rests on; what is told again is judged as if for the first time. */
  boolean takenBack() {
    return TAKEN_BACK.equals(again);
  }

  /** Whether one is of a later run than another. */
  static boolean after(VerdictRow a, VerdictRow b) {
    return !a.id.equals(b.id)
        && (a.onDate.isAfter(b.onDate)
            || a.onDate.equals(b.onDate) && a.createdAt.isAfter(b.createdAt));
  }

  /** The verdict with its rule and numbers. */
  Judgement judgement() {
    return JudgementDocument.read(judgement);
  }

  /** What is known of it when its run is judged again. */
  Rejudging.Known known() {
    return new Rejudging.Known(status, verdict, decided, judgement().rule());
  }

  /** A stop and refer that stands, decided or not. */
  boolean stops() {
    return verdict == Verdict.STOP_AND_REFER && status == VerdictStatus.WAITING
        || decided == Verdict.STOP_AND_REFER && status != VerdictStatus.ENDED;
  }

  /** The standing it leaves, once decided; null where it leaves what stood before. */
  @Column(columnDefinition = "longtext")
  @Nullable String outcome;
}
