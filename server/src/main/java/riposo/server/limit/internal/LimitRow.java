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
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.server.platform.Owned;

/** A limit as stored; never deleted: lifted, or replaced by a new one. */
@Entity(name = "ClientLimit")
@Table(name = "client_limit")
class LimitRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  String axis;

  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  Side side;

  int cap;

  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  Strength strength;

  String source;
  @Nullable String why;

  @Column(name = "from_date")
  LocalDate from;

  @Column(name = "until_date")
  @Nullable LocalDate until;

  @Column(name = "review_date")
  @Nullable LocalDate review;

  @Column(name = "lifted_from")
  @Nullable LocalDate liftedFrom;

  @Column(name = "lifted_reason")
  @Nullable String liftedReason;

  @Nullable UUID replaces;

  @Column(name = "attachment_id")
  @Nullable UUID attachmentId;

  /** The clearance that set it, or that lifted it. */
  @Column(name = "clearance_id")
  @Nullable UUID clearanceId;

  Limit toCore() {
    return new Limit(id, axis, side, cap, strength, source, from, until, liftedFrom);
  }
}
