package riposo.server.group.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import riposo.server.platform.Owned;
import riposo.server.platform.Unstamped;

/** What is decided for one meeting of a group. */
@Unstamped("read whenever it is shown")
@Entity(name = "GroupSession")
@Table(name = "group_session")
class SessionRow extends Owned {
  @Column(name = "group_id")
  UUID groupId;

  @Column(name = "on_date")
  LocalDate onDate;

  @Column(columnDefinition = "longtext")
  String body;
}
