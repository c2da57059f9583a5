package riposo.server.group.internal;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import riposo.server.platform.Store;

interface SessionStore extends Store<SessionRow> {
  Optional<SessionRow> findByGroupIdAndOnDate(UUID groupId, LocalDate onDate);

  List<SessionRow> findByGroupIdInAndOnDateGreaterThanEqual(
      Collection<UUID> groups, LocalDate since);
}
