package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import riposo.server.platform.Professional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A stranger's session over every operation of the API document, with the ids of another studio in
 * every address and body: nothing is found, nothing is told, nothing is changed.
 */
class StrangerTest extends ApiDesk {
  private static final List<String> METHODS = List.of("get", "post", "put", "delete", "patch");

  private final Map<String, String> ids = new HashMap<>();
  private JsonNode document;

  /** One of everything that has an address. */
  private void one() throws Exception {
    UUID client = screened("joint.any", "yes", "shoulder.pain", "yes", "shoulder.side", "left");
    UUID plan = post("/plans", PLAN).id();
    UUID run = start(client, plan, "").id();
    String stop = event("STOP", clock.millis(), 1, ",\"sign\":\"JOINT\"");
    String set =
        event(
            "ENTRY",
            clock.millis(),
            0,
            ",\"entry\":{\"slotKey\":\"s1\",\"round\":1,\"side\":\"BOTH\",\"effort\":4,\"pain\":0}");
    post("/runs/" + run + "/events", "{\"events\":[" + set + "," + stop + "]}");
    post("/runs/" + run + "/after", "{\"effort\":5,\"feel\":\"GOOD\"}");
    String room =
        "{\"name\":\"Quill hall\",\"room\":{\"chairs\":[],\"dumbbells\":[],\"standIns\":[],\"bands\":[],\"stepCm\":[],\"wall\":true,\"things\":[],\"machines\":[]}}";
    ids.put("clientId", client.toString());
    ids.put("planId", plan.toString());
    ids.put("runId", run.toString());
    ids.put("eventId", json.readTree(stop).path("id").asString());
    ids.put("clients", client.toString());
    ids.put("plans", plan.toString());
    ids.put("runs", run.toString());
    ids.put("rooms", post("/rooms", room).id().toString());
    ids.put("roomId", ids.get("rooms"));
    ids.put("limits", first("/clients/" + client + "/limits"));
    ids.put("screenings", first("/clients/" + client + "/screenings"));
    ids.put("today-checks", first("/clients/" + client + "/today-checks"));
    ids.put(
        "verdicts",
        get("/clients/" + client + "/tolerance")
            .body()
            .path("families")
            .get(0)
            .path("verdict")
            .path("id")
            .asString());
    Answer group =
        post(
            "/groups",
            "{\"name\":\"Quills\",\"roomId\":\"%s\",\"planId\":\"%s\",\"lanes\":3,\"weekday\":2,\"time\":\"10:00\",\"members\":[\"%s\"]}"
                .formatted(ids.get("rooms"), plan, client));
    ids.put("groups", group.id().toString());
    ids.put("groupId", group.id().toString());
    ids.put("key", "s1");
    ids.put("slotKey", "s1");
    ids.put("familyId", "push");
  }

  private String first(String list) throws Exception {
    return get(list).body().get(0).path("id").asString();
  }

  private String address(String path) {
    String[] parts = path.split("/");
    for (int i = 0; i < parts.length; i++) {
      if (parts[i].startsWith("{")) {
        String name = parts[i].substring(1, parts[i].length() - 1);
        String before = parts[i - 1];
        parts[i] =
            ids.getOrDefault(
                before, ids.getOrDefault(name, name.contains("date") ? "2026-11-26" : null));
        if (parts[i] == null) {
          parts[i] = ids.get("clientId");
        }
      }
    }
    return String.join("/", parts);
  }

  private JsonNode sample(JsonNode schema, String name, int depth) {
    if (schema.has("$ref")) {
      String ref = schema.path("$ref").asString();
      return sample(
          document.path("components").path("schemas").path(ref.substring(ref.lastIndexOf('/') + 1)),
          name,
          depth + 1);
    }
    if (depth > 6) {
      return json.nullNode();
    }
    if (schema.has("enum")) {
      return schema.path("enum").get(0);
    }
    String type = schema.path("type").asString("");
    if (type.equals("object") || schema.has("properties")) {
      ObjectNode o = json.createObjectNode();
      schema
          .path("properties")
          .propertyStream()
          .forEach(p -> o.set(p.getKey(), sample(p.getValue(), p.getKey(), depth + 1)));
      return o;
    }
    return switch (type) {
      case "array" -> {
        ArrayNode a = json.createArrayNode();
        a.add(sample(schema.path("items"), name, depth + 1));
        yield a;
      }
      case "integer", "number" -> json.readTree(schema.path("minimum").asString("1"));
      case "boolean" -> json.readTree("false");
      default -> json.readTree("\"" + text(schema, name) + "\"");
    };
  }

  private String text(JsonNode schema, String name) {
    return switch (schema.path("format").asString("")) {
      case "uuid" -> ids.getOrDefault(name, ids.get("clientId"));
      case "date" -> java.time.LocalDate.now(clock).plusDays(1).toString();
      case "date-time" -> clock.instant().toString();
      case "partial-time", "time", "local-time" -> "10:00:00";
      default -> name.equals("email") ? "a@b.example" : name.equals("time") ? "10:00:00" : "x";
    };
  }

  /** What a studio's own session reads of everything that has an address. */
  private Map<String, String> all(Professional who) throws Exception {
    Map<String, String> all = new LinkedHashMap<>();
    for (var p : document.path("paths").propertyStream().toList()) {
      if (p.getValue().has("get") && p.getKey().contains("{") && !p.getKey().contains("token")) {
        String path = address(p.getKey().substring("/api".length()));
        Answer a = call(who, "GET", path, null, null);
        if (a.status() == 200 && !path.contains("pdf") && !path.contains("export")) {
          all.put(path, a.text());
        }
      }
    }
    return all;
  }

  @Test
  void everyOperationIsClosedToAStrangerAndChangesNothing() throws Exception {
    document = json.readTree(Files.readString(Path.of("../docs/openapi.json")));
    one();
    Map<String, String> before = all(me);
    assertThat(before).hasSizeGreaterThan(25);
    List<String> open = new ArrayList<>();
    List<String> refused = new ArrayList<>();
    int tried = 0;
    for (var p : document.path("paths").propertyStream().toList()) {
      String path = p.getKey();
      if (path.contains("{token}") || !path.startsWith("/api/")) {
        continue;
      }
      for (String method : METHODS) {
        JsonNode operation = p.getValue().path(method);
        JsonNode schema =
            operation.path("requestBody").path("content").path("application/json").path("schema");
        String body = schema.isMissingNode() ? null : sample(schema, "", 0).toString();
        boolean mine =
            path.contains("{") && !ofTheCatalogue(path)
                || body != null && ids.values().stream().anyMatch(body::contains);
        if (operation.isMissingNode() || !mine) {
          continue;
        }
        Answer a = call(stranger, method.toUpperCase(), address(path.substring(4)), body, 0);
        tried++;
        String line = method + " " + path + ": " + a.status() + " " + a.code();
        if (a.status() < 400 || a.status() >= 500) {
          open.add(line);
        } else if (a.status() != 404) {
          refused.add(line);
        }
        assertThat(a.text()).as(line).doesNotContain("Ada Test", "Quill");
      }
    }
    assertThat(open).as("answered a stranger").isEmpty();
    assertThat(tried).isGreaterThan(80);
    // what is wrong with what was sent may be told before it is looked for
    assertThat(refused)
        .allMatch(l -> l.contains(": 422 ") || l.contains(": 415 ") || l.contains(": 400 "));
    assertThat(refused.size()).as("%s", refused).isLessThan(tried / 3);
    assertThat(all(me)).isEqualTo(before);
  }

  /** Addresses that name what everybody has. */
  private static boolean ofTheCatalogue(String path) {
    return path.startsWith("/api/movements")
        || path.startsWith("/api/families")
        || path.startsWith("/api/rules")
        || path.startsWith("/api/figures");
  }
}
