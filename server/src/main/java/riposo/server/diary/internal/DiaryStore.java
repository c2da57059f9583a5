package riposo.server.diary.internal;

import java.util.List;
import java.util.UUID;
import riposo.server.platform.Store;

interface DiaryStore extends Store<DiaryRow> {
  List<DiaryRow> findByClientIdOrderByOnDate(UUID clientId);
}
