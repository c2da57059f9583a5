package riposo.server.group.internal;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.server.client.ClientData;
import riposo.server.platform.Json;

/** The groups a client belongs to. */
@Component
class GroupData implements ClientData {
  private final MemberStore members;
  private final SessionStore sessions;
  private final GroupStore groups;
  private final Json json;

  GroupData(MemberStore members, SessionStore sessions, GroupStore groups, Json json) {
    this.members = members;
    this.sessions = sessions;
    this.groups = groups;
    this.json = json;
  }

  @Override
  public String part() {
    return "groups";
  }

  @Override
  public int order() {
    return 60;
  }

  /** A membership. */
  record Membership(UUID groupId, String name) {}

  @Override
  public Object export(UUID clientId) {
    return members.findByClientId(clientId).stream()
        .map(m -> new Membership(m.groupId, groups.require(m.groupId, "group").name))
        .toList();
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    for (SessionRow s : sessions.findAll()) {
      Meeting m = json.read(s.body, Meeting.class);
      if (m.names(clientId)) {
        s.body = json.write(m.without(clientId));
        sessions.save(s);
      }
    }
    return members.erase(members.findByClientId(clientId));
  }
}
