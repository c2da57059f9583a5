package riposo.server.diary.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import riposo.server.client.ClientData;
import riposo.server.diary.Diary;

/** What this module keeps of a client. */
@Component
class DiaryData implements ClientData {
  /** An entry of the diary's own. */
  record DiaryExport(
      Diary.Kind kind,
      LocalDate on,
      @Nullable LocalDate until,
      @Nullable String words,
      String toldBy) {}

  private final DiaryStore store;

  DiaryData(DiaryStore store) {
    this.store = store;
  }

  @Override
  public String part() {
    return "diary";
  }

  @Override
  public int order() {
    return 100;
  }

  @Override
  public Object export(UUID clientId) {
    return store.findByClientIdOrderByOnDate(clientId).stream()
        .map(r -> new DiaryExport(r.kind, r.onDate, r.untilDate, r.words, r.toldBy))
        .toList();
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    return store.erase(store.findByClientIdOrderByOnDate(clientId));
  }
}
