package riposo.server.checkin.internal;

import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import riposo.server.checkin.CheckIns;
import riposo.server.client.ClientData;

/** What this module keeps of a client. */
@Component
class CheckInData implements ClientData {
  private final CheckInRows.CheckInStore store;
  private final CheckInRows.MessageStore messages;
  private final EntityManager em;

  CheckInData(CheckInRows.CheckInStore store, CheckInRows.MessageStore messages, EntityManager em) {
    this.store = store;
    this.messages = messages;
    this.em = em;
  }

  @Override
  public String part() {
    return "check-ins";
  }

  @Override
  public int order() {
    return 100;
  }

  /** A check-in, asked and answered. */
  record CheckInExport(
      UUID runId,
      java.time.LocalDate opensOn,
      CheckIns.Kind kind,
      java.time.@Nullable Instant answeredAt,
      CheckInRows.@Nullable How toldHow,
      @Nullable String askedBy,
      @Nullable String answer) {}

  @Override
  public Object export(UUID clientId) {
    return store.findByClientId(clientId).stream()
        .map(
            c ->
                new CheckInExport(
                    c.runId, c.opensOn, c.kind, c.answeredAt, c.toldHow, c.askedBy, c.answer))
        .toList();
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    em.createQuery(
            "delete from CheckInToken t where t.checkInId in"
                + " (select c.id from CheckIn c where c.clientId = :client)")
        .setParameter("client", clientId)
        .executeUpdate();
    List<UUID> gone = new ArrayList<>(store.erase(store.findByClientId(clientId)));
    gone.addAll(messages.erase(messages.findByClientId(clientId)));
    return gone;
  }
}
