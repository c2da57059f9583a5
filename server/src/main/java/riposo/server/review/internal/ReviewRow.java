package riposo.server.review.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.server.platform.Owned;

/** A review of a client. */
@Entity(name = "Review")
@Table(name = "review")
class ReviewRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  /** The first day looked at. */
  @Column(name = "from_date")
  LocalDate fromDate;

  /** The day it was begun, and once closed the last day looked at. */
  @Column(name = "on_date")
  LocalDate onDate;

  /** Asked for before it was due. */
  boolean asked;

  @Column(name = "opened_by")
  String openedBy;

  @Column(name = "closed_on")
  @Nullable LocalDate closedOn;

  @Column(name = "closed_by")
  @Nullable String closedBy;

  /** For the client, in plain words. */
  @Nullable String words;

  /** What was found, as it was when it closed; null while it is open. */
  @Column(columnDefinition = "longtext")
  @Nullable String facts;

  @Column(columnDefinition = "longtext")
  String points = "[]";
}
