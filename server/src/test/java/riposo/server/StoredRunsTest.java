package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import riposo.catalogue.RunDocument;
import riposo.core.plan.FormatKind;
import riposo.core.run.DoneSet;
import riposo.core.wording.Wording;
import riposo.server.platform.StudioContext;
import riposo.server.platform.internal.CarriedRuns;
import riposo.server.run.Runs;
import tools.jackson.databind.JsonNode;

/**
 * Runs as the first version stored them, of every format with a clock, split and swapped, eased and
 * short, paused, stopped and never ended: what it read of them is read for ever.
 */
class StoredRunsTest extends ApiDesk {
  private static final Path DIR = Path.of("../catalogue/src/test/resources/runs/old");

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
        "insert into old_run (id, studio_id, version, created_at, client_id, plan_id, plan_name, on_date, status, adapted, today, minutes, reviewed)"
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
          "insert into old_run_event (id, studio_id, run_id, at_ms, seq, kind, body, received_at) values (?, ?, ?, ?, ?, ?, ?, now(6))",
          UUID.randomUUID().toString(),
          me.studioId().toString(),
          run.toString(),
          e.path("at").asLong(),
          e.path("seq").asInt(),
          e.path("kind").asString(),
          e.toString());
    }

    carry();

    Answer shown = get("/runs/" + run);

    assertThat(shown.status()).as(shown.text()).isEqualTo(200);
    JsonNode then = stored.path("state");
    JsonNode now = shown.body().path("state");
    for (String field : List.of("status", "holdMs", "pausedAt", "startedAt", "endedAt")) {
      assertThat(now.path(field)).as(field).isEqualTo(then.path(field));
    }
    assertThat(now.path("entries").valueStream().map(e -> e.path("entry")).toList())
        .isEqualTo(then.path("entries").valueStream().toList());
    if (!stored.path("status").asString().equals("RUNNING")) {
      assertThat(now.path("positionMs")).isEqualTo(then.path("positionMs"));
      assertThat(now.path("activeMs")).isEqualTo(then.path("activeMs"));
    }
    assertThat(shown.body().path("timeline")).isEqualTo(adapted.path("timeline"));
    assertThat(shown.body().path("beat")).isEqualTo(adapted.path("beat"));
    JsonNode person = shown.body().path("people").get(0);
    assertThat(person.path("effortCap")).isEqualTo(adapted.path("effortCap"));
    JsonNode before = person.path("before");
    for (String field : List.of("painBefore", "dose", "cautions", "reasons")) {
      assertThat(before.path(field)).as(field).isEqualTo(stored.path("today").path(field));
    }
    // what was on the screen of the run is on it again, sentence by sentence
    assertThat(person.path("slots")).hasSameSizeAs(adapted.path("slots"));
    for (int i = 0; i < adapted.path("slots").size(); i++) {
      JsonNode was = adapted.path("slots").get(i);
      JsonNode is = person.path("slots").get(i);
      assertThat(is.path("key")).isEqualTo(was.path("key"));
      assertThat(is.path("stages").toString())
          .isEqualTo(was.path("stages").isMissingNode() ? "[]" : was.path("stages").toString());
      for (int k = 0; k < was.path("parts").size(); k++) {
        for (String field :
            List.of("side", "movementId", "familyId", "title", "cues", "breathe", "dose")) {
          assertThat(is.path("parts").get(k).path(field))
              .as(was.path("key") + " " + field)
              .isEqualTo(was.path("parts").get(k).path(field));
        }
        // a dose was written "2 × 8 · 2 kg each", "0.88 bw" then; its numbers are compared above
        JsonNode dose = was.path("parts").get(k).path("dose");
        assertThat(is.path("parts").get(k).path("doseText").asString())
            .isEqualTo(
                Pattern.compile("(\\d\\.\\d+) bw")
                    .matcher(was.path("parts").get(k).path("doseText").asString())
                    .replaceAll(m -> Wording.share(Double.parseDouble(m.group(1))))
                    .replace(" · ", ", ")
                    .replaceFirst("(× (?:\\d+ s, about )?\\d+)(?=,|$| each side)", "$1 reps")
                    .replaceFirst(", band$", ", with the band")
                    .replaceFirst("kg( each)?(?=$| \\()", hands(dose)));
      }
    }
    JsonNode stops = shown.body().path("stops");
    assertThat(stops).hasSize(stored.path("status").asString().equals("STOPPED") ? 1 : 0);
    if (then.hasNonNull("stopSign")) {
      assertThat(stops.get(0).path("words")).isEqualTo(then.path("stopSign"));
    }

    List<DoneSet> sets =
        StudioContext.within(me.studioId(), "tester", () -> runs.history(client)).get(0).sets();
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
      assertThat(sets.get(i).form().support()).hasSameSizeAs(part.path("modifiers"));
      assertThat(sets.get(i).side().name()).isEqualTo(wanted.get(i).path("side").asString());
    }
  }

  @Test
  void erasingAClientErasesWhatTheTablesOfBeforeStillHold() throws Exception {
    UUID client = anyClient();
    UUID neighbour = anyClient();
    UUID plan = post("/plans", PLAN).id();
    OldRuns old = new OldRuns();
    List<OldRuns.Made> made = old.of(900 + clock.millis(), 3);
    List<OldRuns.Made> theirs = old.of(901 + clock.millis(), 2);
    OldRuns.insert(sql, "old_", me.studioId(), client, plan, made);
    OldRuns.insert(sql, "old_", me.studioId(), neighbour, plan, theirs);
    UUID check = post("/clients/" + client + "/today-checks", check("")).id();
    sql.update(
        "update old_run set check_id = ? where client_id = ?", check.toString(), client.toString());
    try (Connection c = Objects.requireNonNull(sql.getDataSource()).getConnection()) {
      assertThat(new CarriedRuns(c).carry()).isEqualTo(5);
    }
    Answer export = get("/clients/" + client + "/export");
    assertThat(export.text()).contains(made.get(0).id().toString());
    // each run is in it as the open document, which reads
    List<JsonNode> documents = export.body().findValues("document");
    assertThat(documents.stream().filter(JsonNode::isObject)).hasSize(3);
    documents.stream()
        .filter(JsonNode::isObject)
        .forEach(
            d ->
                assertThat(RunDocument.read(d.toString()).events())
                    .isNotEmpty()
                    .allMatch(e -> e.at() > 0));

    Answer erased = post("/clients/" + client + "/erase", "{\"name\":\"Ada Test\"}");

    assertThat(erased.status()).as(erased.text()).isEqualTo(204);
    for (OldRuns.Made m : made) {
      for (String table : List.of("old_run_event", "run_event", "run_set", "run_person")) {
        assertThat(count(table + " where run_id = '" + m.id() + "'")).as(table).isZero();
      }
      assertThat(count("old_run where id = '" + m.id() + "'")).isZero();
      assertThat(count("run where id = '" + m.id() + "'")).isZero();
    }
    assertThat(count("old_run where client_id = '" + neighbour + "'")).isEqualTo(2);
    assertThat(get("/clients/" + neighbour + "/runs").body().path("lines")).hasSize(2);
  }

  private int count(String where) {
    return Objects.requireNonNull(
        sql.queryForObject("select count(*) from " + where, Integer.class));
  }

  private void carry() throws SQLException {
    try (Connection c = Objects.requireNonNull(sql.getDataSource()).getConnection()) {
      assertThat(new CarriedRuns(c).carry()).isEqualTo(1);
      assertThat(new CarriedRuns(c).carry()).as("a second time there is nothing left").isZero();
    }
  }

  /** "kg in each hand": how the weight of a dose is said to be held. */
  private static String hands(JsonNode dose) {
    return dose.path("hands").asInt() == 2 ? "kg in each hand" : "kg in one hand";
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
