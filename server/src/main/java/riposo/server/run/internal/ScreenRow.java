package riposo.server.run.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import riposo.server.platform.Unstamped;

/** Which run a code shows. Only the hash of the code is here; read before the studio is known. */
@Unstamped("a second screen")
@Entity(name = "RunScreen")
@Table(name = "run_screen")
class ScreenRow {
  @Id
  @Column(name = "code_hash", columnDefinition = "char(64)")
  String hash;

  @Column(name = "studio_id")
  UUID studioId;

  @Column(name = "run_id")
  UUID runId;

  @Column(name = "opens_until")
  Instant opensUntil;
}
