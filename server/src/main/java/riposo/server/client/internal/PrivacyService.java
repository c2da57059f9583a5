package riposo.server.client.internal;

import jakarta.validation.constraints.NotBlank;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.server.client.ClientData;
import riposo.server.platform.Audit;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.json.JsonMapper;

/** Everything kept of a client, to take away or to erase. */
@Service
@Transactional
class PrivacyService {
  /** The client's name typed out, so that no slip erases. */
  record Erase(@NotBlank(message = "Type the client's name to erase.") String name) {}

  private final ClientStore store;
  private final List<ClientData> parts;
  private final Audit audit;
  private final Studios studios;
  private final JsonMapper json;

  PrivacyService(
      ClientStore store, List<ClientData> parts, Audit audit, Studios studios, JsonMapper json) {
    this.json = json;
    this.store = store;
    this.parts = parts.stream().sorted(Comparator.comparingInt(ClientData::order)).toList();
    this.audit = audit;
    this.studios = studios;
  }

  /** Puts on record that everything of the client was taken away. */
  void exported(UUID id) {
    store.require(id, "client");
    audit.changed("exported", "client", id, null, id);
  }

  /**
   * Writes the full export, "riposo-client-1": what is kept of the client by module (client,
   * screenings, limits, runs and so on), of any length with the same memory.
   */
  @Transactional(readOnly = true)
  void export(UUID id, OutputStream out) {
    try (JsonGenerator g = json.createGenerator(out)) {
      g.writeStartObject();
      g.writeStringProperty("format", "riposo-client-1");
      g.writePOJOProperty("at", studios.now());
      g.writePOJOProperty("clientId", id);
      g.writeObjectPropertyStart("parts");
      for (int i = parts.size() - 1; i >= 0; i--) {
        Object part = parts.get(i).export(id);
        if (part instanceof Iterable<?> all) {
          g.writeArrayPropertyStart(parts.get(i).part());
          for (Object one : all) {
            g.writePOJO(one);
          }
          g.writeEndArray();
        } else {
          g.writePOJOProperty(parts.get(i).part(), part);
        }
      }
      g.writeEndObject();
      g.writeEndObject();
    }
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
