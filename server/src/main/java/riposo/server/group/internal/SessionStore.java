package riposo.server.group.internal;

import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import riposo.server.platform.Store;

interface SessionStore extends Store<SessionRow> {
  Optional<SessionRow> findByGroupIdAndOnDate(UUID groupId, LocalDate onDate);
}
