package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import riposo.core.plan.FormatKind;
import riposo.core.run.DoneSet;
import riposo.server.platform.StudioContext;
import riposo.server.run.Runs;
import tools.jackson.databind.JsonNode;

/**
 * Runs as the first version stored them, of every format with a clock, split and swapped, eased and
 * short, paused, stopped and never ended: what it read of them is read for ever.
 */
class StoredRunsTest extends ApiDesk {
  private static final Path DIR = Path.of("src/test/resources/runs");

  @Autowired JdbcTemplate sql;
  @Autowired Runs runs;

  static Stream<String> names() throws IOException {
    try (Stream<Path> files = Files.list(DIR)) {
      return files
          .map(f -> f.getFileName().toString().replace(".json", ""))
          .sorted()
          .toList()
          .stream();
    }
  }

  @Test
  void everyFormatWithAClockIsAmongThem() throws IOException {
    List<String> names = names().toList();
    for (FormatKind kind : FormatKind.values()) {
      if (kind != FormatKind.THROUGH_DAY) {
        assertThat(names).contains(kind.id());
      }
    }
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("names")
  void aStoredRunIsReadAsItWas(String name) throws Exception {
    JsonNode stored = json.readTree(Files.readString(DIR.resolve(name + ".json")));
    UUID client = anyClient();
    UUID plan = post("/plans", PLAN).id();
    UUID run = UUID.randomUUID();
    JsonNode adapted = stored.path("adapted");
    sql.update(
        "insert into run (id, studio_id, version, created_at, client_id, plan_id, plan_name, on_date, status, adapted, today, minutes, reviewed)"
            + " values (?, ?, 0, now(6), ?, ?, ?, ?, ?, ?, ?, ?, false)",
        run.toString(),
        me.studioId().toString(),
        client.toString(),
        plan.toString(),
        stored.path("planName").asString(),
        adapted.path("date").asString(),
        stored.path("status").asString(),
        adapted.toString(),
        stored.path("today").toString(),
        stored.path("minutes").isNull() ? null : stored.path("minutes").asInt());
    for (JsonNode e : stored.path("events")) {
      sql.update(
          "insert into run_event (id, studio_id, run_id, at_ms, seq, kind, body, received_at) values (?, ?, ?, ?, ?, ?, ?, now(6))",
          UUID.randomUUID().toString(),
          me.studioId().toString(),
          run.toString(),
          e.path("at").asLong(),
          e.path("seq").asInt(),
          e.path("kind").asString(),
          e.toString());
    }

    Answer shown = get("/runs/" + run);

    assertThat(shown.status()).as(shown.text()).isEqualTo(200);
    JsonNode then = stored.path("state");
    JsonNode now = shown.body().path("state");
    for (String field :
        List.of("status", "holdMs", "pausedAt", "startedAt", "endedAt", "stopSign", "entries")) {
      assertThat(now.path(field)).as(field).isEqualTo(then.path(field));
    }
    if (!stored.path("status").asString().equals("RUNNING")) {
      assertThat(now.path("positionMs")).isEqualTo(then.path("positionMs"));
      assertThat(now.path("activeMs")).isEqualTo(then.path("activeMs"));
    }
    assertThat(shown.body().path("adapted")).isEqualTo(adapted);
    assertThat(shown.body().path("stops"))
        .hasSize(stored.path("status").asString().equals("STOPPED") ? 1 : 0);

    List<DoneSet> sets =
        StudioContext.within(me.studioId(), "tester", () -> runs.require(run)).sets();
    List<JsonNode> wanted = new ArrayList<>();
    then.path("entries")
        .forEach(
            e -> {
              if (part(adapted, e).hasNonNull("movementId")) {
                wanted.add(e);
              }
            });
    assertThat(sets).hasSameSizeAs(wanted);
    for (int i = 0; i < sets.size(); i++) {
      JsonNode part = part(adapted, wanted.get(i));
      assertThat(sets.get(i).movementId()).isEqualTo(part.path("movementId").asString());
      assertThat(sets.get(i).familyId()).isEqualTo(part.path("familyId").asString());
      assertThat(sets.get(i).support()).hasSameSizeAs(part.path("modifiers"));
      assertThat(sets.get(i).side().name()).isEqualTo(wanted.get(i).path("side").asString());
    }
  }

  private static JsonNode part(JsonNode adapted, JsonNode entry) {
    for (JsonNode s : adapted.path("slots")) {
      if (s.path("key").equals(entry.path("slotKey"))) {
        for (JsonNode p : s.path("parts")) {
          String side = p.path("side").asString();
          if (side.equals("BOTH") || Objects.equals(side, entry.path("side").asString())) {
            return p;
          }
        }
        return s.path("parts").path(0);
      }
    }
    throw new AssertionError("no slot of " + entry);
  }
}
