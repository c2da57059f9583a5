package riposo.server.group.internal;

import java.util.List;
import java.util.UUID;
import riposo.server.platform.Store;

interface GroupStore extends Store<GroupRow> {
  List<GroupRow> findByWeekdayAndArchivedOnIsNull(int weekday);

  List<GroupRow> findByWeekdayIsNotNullAndArchivedOnIsNull();

  List<GroupRow> findByRoomIdOrderByName(UUID roomId);
}
