package riposo.server.group.internal;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import riposo.server.platform.Store;

interface MemberStore extends Store<MemberRow> {
  List<MemberRow> findByGroupId(UUID groupId);

  List<MemberRow> findByClientId(UUID clientId);

  List<MemberRow> findByGroupIdIn(Collection<UUID> groups);
}
