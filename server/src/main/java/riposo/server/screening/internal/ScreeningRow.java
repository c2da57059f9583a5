package riposo.server.screening.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import riposo.server.platform.Owned;

/** A screening: dated, signed, never edited; a change is a new version. */
@Entity(name = "Screening")
@Table(name = "screening")
class ScreeningRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  int number;

  @Column(name = "taken_on")
  LocalDate takenOn;

  @Column(columnDefinition = "longtext")
  String answers;

  @Column(columnDefinition = "longtext")
  String assessment;

  @Column(name = "question_set")
  int questionSet;

  @Column(name = "signed_client")
  String signedClient;

  @Column(name = "signed_professional")
  String signedProfessional;
}
