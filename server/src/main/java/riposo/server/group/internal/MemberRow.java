package riposo.server.group.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.UUID;
import riposo.server.platform.Owned;
import riposo.server.platform.Unstamped;

/** Somebody of a group. */
@Unstamped("read whenever it is shown")
@Entity(name = "GroupMember")
@Table(name = "group_member")
class MemberRow extends Owned {
  @Column(name = "group_id")
  UUID groupId;

  @Column(name = "client_id")
  UUID clientId;
}
