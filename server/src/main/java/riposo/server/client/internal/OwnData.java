package riposo.server.client.internal;

import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.core.kit.Room;
import riposo.server.client.ClientData;
import riposo.server.client.Clients;
import riposo.server.platform.Json;

/** The client itself, its home, its files. */
@Component
class OwnData implements ClientData {
  private final ClientStore store;
  private final RoomStore rooms;
  private final AttachmentStore files;
  private final Clients clients;
  private final EntityManager em;
  private final Json json;

  OwnData(
      ClientStore store,
      RoomStore rooms,
      AttachmentStore files,
      Clients clients,
      EntityManager em,
      Json json) {
    this.store = store;
    this.rooms = rooms;
    this.files = files;
    this.clients = clients;
    this.em = em;
    this.json = json;
  }

  @Override
  public String part() {
    return "client";
  }

  @Override
  public int order() {
    return 1000;
  }

  @Override
  public Object export(UUID clientId) {
    Map<String, Object> all = new LinkedHashMap<>();
    all.put("client", clients.require(clientId));
    all.put(
        "homes",
        rooms.findByClientId(clientId).stream()
            .map(r -> Map.of("name", r.name, "room", json.read(r.body, Room.class)))
            .toList());
    all.put(
        "files",
        files.findByClientIdOrderByCreatedAt(clientId).stream()
            .map(
                f ->
                    Map.of(
                        "name",
                        f.name,
                        "type",
                        f.type,
                        "contentBase64",
                        java.util.Base64.getEncoder().encodeToString(content(f.id))))
            .toList());
    return all;
  }

  private byte[] content(UUID id) {
    return em.find(ContentRow.class, id).content;
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    ClientRow row = store.require(clientId, "client");
    row.roomId = null;
    store.saveAndFlush(row);
    List<AttachmentRow> kept = files.findByClientIdOrderByCreatedAt(clientId);
    kept.forEach(f -> em.remove(em.find(ContentRow.class, f.id)));
    em.flush();
    List<UUID> gone = new ArrayList<>(files.erase(kept));
    gone.addAll(rooms.erase(rooms.findByClientId(clientId)));
    gone.addAll(store.erase(List.of(row)));
    return gone;
  }
}
