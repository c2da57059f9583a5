package riposo.server.run.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.TenantId;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;
import riposo.catalogue.RunDocument;
import riposo.core.limit.Side;
import riposo.core.run.DoneSet;
import riposo.server.platform.Owned;

/** A set as the events of its run leave it: what is read over weeks and months. */
@Entity(name = "RunSet")
@Table(name = "run_set")
class SetRow {
  @Id UUID id = Owned.newId();

  @TenantId
  @Column(name = "studio_id", nullable = false)
  UUID studioId;

  @Column(name = "run_id")
  UUID runId;

  @Column(name = "client_id")
  UUID clientId;

  @Column(name = "on_date")
  LocalDate onDate;

  @Column(name = "family_id")
  String familyId;

  @Column(name = "movement_id")
  String movementId;

  @Column(name = "slot_key")
  String slotKey;

  int round;

  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  Side side;

  /** In the order they were first told. */
  int place;

  /** The movement, where it was done with a weight; the database tells. */
  @Column(name = "weighted_id", insertable = false, updatable = false)
  @Nullable String weightedId;

  @Nullable Integer effort;
  @Nullable Integer pain;
  @Nullable Integer reps;
  @Nullable Integer grams;

  @Column(columnDefinition = "longtext")
  String body;

  /** The same set of the same person in the same run. */
  record Key(UUID clientId, String slotKey, int round, Side side) {}

  static Key key(DoneSet s) {
    return new Key(s.person(), s.slotKey(), s.round(), s.side());
  }

  Key key() {
    return new Key(clientId, slotKey, round, side);
  }

  void write(RunRow run, DoneSet s, int at) {
    runId = run.id;
    clientId = s.person();
    onDate = run.onDate;
    familyId = s.familyId();
    movementId = s.movementId();
    slotKey = s.slotKey();
    round = s.round();
    side = s.side();
    place = at;
    effort = s.effort();
    pain = s.pain();
    reps = s.reps();
    grams = s.grams();
    body = RunDocument.write(s);
  }
}
