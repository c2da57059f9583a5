package riposo.server.client.internal;

import jakarta.validation.constraints.NotBlank;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.server.client.ClientData;
import riposo.server.platform.Audit;
import riposo.server.platform.Download;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;

/** Everything kept of a client, to take away or to erase. */
@Service
@Transactional
class PrivacyService {
  /**
   * Everything kept of a client.
   *
   * @param format names this layout
   * @param parts by module: client, screenings, limits, runs and so on
   */
  record Export(String format, Instant at, UUID clientId, Map<String, Object> parts) {}

  /** The client's name typed out, so that no slip erases. */
  record Erase(@NotBlank(message = "Type the client's name to erase.") String name) {}

  private final ClientStore store;
  private final List<ClientData> parts;
  private final Audit audit;
  private final Studios studios;

  PrivacyService(ClientStore store, List<ClientData> parts, Audit audit, Studios studios) {
    this.store = store;
    this.parts = parts.stream().sorted(Comparator.comparingInt(ClientData::order)).toList();
    this.audit = audit;
    this.studios = studios;
  }

  /** The full export, as a file. */
  Download<Export> export(UUID id) {
    store.require(id, "client");
    Map<String, Object> all = new LinkedHashMap<>();
    for (int i = parts.size() - 1; i >= 0; i--) {
      all.put(parts.get(i).part(), parts.get(i).export(id));
    }
    audit.changed("exported", "client", id, null, id);
    return new Download<>(
        "riposo-client-" + id + ".json", new Export("riposo-client-1", studios.now(), id, all));
  }

  /**
   * Erases everything kept of the client, files and the words of the record of changes included.
   */
  void erase(UUID id, Erase body) {
    ClientRow row = store.require(id, "client");
    if (!row.name.equals(body.name().trim())) {
      throw Problems.field("/name", "That is not the client's name; nothing was erased.");
    }
    List<UUID> gone = new ArrayList<>();
    for (ClientData part : parts) {
      gone.addAll(part.erase(id));
    }
    audit.forget(id, gone);
    audit.changed("erased", "client", id, null, id);
  }
}
