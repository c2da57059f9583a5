package riposo.server.platform;

import java.io.Serializable;
import java.security.Principal;
import java.util.UUID;

/** The signed-in person, as kept in the session. */
public record Professional(UUID accountId, UUID studioId, String email, String displayName)
    implements Principal, Serializable {
  @Override
  public String getName() {
    return email;
  }
}
