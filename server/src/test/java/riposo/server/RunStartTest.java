package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** One start, one open run: whoever asks, however often, from however many devices at once. */
class RunStartTest extends ApiDesk {

  @Autowired JdbcTemplate sql;

  private UUID client;
  private UUID plan;
  private Duration morning;

  @BeforeEach
  void someone() throws Exception {
    morning = to(6);
    clock.shift(morning);
    client = screened();
    plan = post("/plans", PLAN).id();
  }

  private void later(Duration after) {
    clock.shift(morning.plus(after));
  }

  private UUID checked() throws Exception {
    return post("/clients/" + client + "/today-checks", check("")).id();
  }

  private String body(UUID id, UUID check) {
    return "{\"id\":\"%s\",\"clientId\":\"%s\",\"planId\":\"%s\",\"checkId\":\"%s\"}"
        .formatted(id, client, plan, check);
  }

  private JsonNode send(UUID run, String... events) throws Exception {
    Answer a = post("/runs/" + run + "/events", "{\"events\":[" + String.join(",", events) + "]}");
    assertThat(a.status()).as(a.text()).isEqualTo(200);
    return a.body();
  }

  private JsonNode shown(UUID run) throws Exception {
    return get("/runs/" + run).body();
  }

  private static String status(JsonNode run) {
    return run.path("state").path("status").asString();
  }

  @Test
  void theSameStartSentTwiceIsOneRun() throws Exception {
    UUID id = UUID.randomUUID();
    UUID check = checked();
    Answer first = post("/runs", body(id, check));
    Answer again = post("/runs", body(id, check));
    assertThat(List.of(first.status(), again.status())).as(again.text()).containsOnly(201);
    assertThat(List.of(first.id(), again.id())).containsOnly(id);
    assertThat(get("/clients/" + client + "/runs").body().path("lines")).hasSize(1);
    // once it is over the same start still finds it, and starts nothing
    send(id, event("FINISH", clock.millis(), 0, ""));
    assertThat(post("/runs", body(id, check)).id()).isEqualTo(id);
    assertThat(get("/clients/" + client + "/runs").body().path("lines")).hasSize(1);
  }

  /** Sent again after a newer check, or with another dose, it never gets the session of before. */
  @Test
  void aStartThatAsksForSomethingElseIsNotTheSameStart() throws Exception {
    UUID id = UUID.randomUUID();
    UUID check = checked();
    post("/runs", body(id, check));
    String eased = body(id, check).replace("}", ",\"dose\":\"EASED\",\"reason\":\"tired\"}");
    Answer other = post("/runs", eased);
    assertThat(other.code()).isEqualTo("run-open");
    assertThat(other.body().path("run").asString()).isEqualTo(id.toString());
    UUID newer =
        post(
                "/clients/" + client + "/today-checks",
                check("").replace("\"energy\":7", "\"energy\":3"))
            .id();
    assertThat(post("/runs", body(id, newer)).code()).isEqualTo("run-open");
    send(id, event("FINISH", clock.millis(), 0, ""));
    assertThat(post("/runs", body(id, newer)).code()).isEqualTo("id-taken");
    assertThat(get("/clients/" + client + "/runs").body().path("lines")).hasSize(1);
  }

  @Test
  void anIdThatIsAnothersStartsNothing() throws Exception {
    UUID id = UUID.randomUUID();
    post("/runs", body(id, checked()));
    UUID first = client;
    client = screened();
    assertThat(post("/runs", body(id, checked())).code()).isEqualTo("id-taken");
    client = first;
    var mine = me;
    me = stranger;
    client = screened();
    plan = post("/plans", PLAN).id();
    Answer theirs = post("/runs", body(id, checked()));
    assertThat(theirs.code()).isEqualTo("id-taken");
    assertThat(theirs.text()).doesNotContain(first.toString());
    me = mine;
    assertThat(get("/clients/" + first + "/runs").body().path("lines")).hasSize(1);
  }

  @Test
  void aSecondRunWhileOneIsOpenIsRefusedWithTheWayBack() throws Exception {
    UUID first = start(client, plan, "").id();
    Answer second = start(client, plan, "", "I insist");
    assertThat(second.code()).isEqualTo("run-open");
    assertThat(second.body().path("run").asString()).isEqualTo(first.toString());
    assertThat(second.body().path("planName").asString()).isNotBlank();
    send(first, event("FINISH", clock.millis(), 0, ""));
    assertThat(start(client, plan, "").status()).isEqualTo(201);
  }

  /** Eight devices start the same client at once: one run, seven are told of it. */
  @Test
  void ofManyStartsAtOnceOneRunComes() throws Exception {
    UUID check = checked();
    ExecutorService devices = Executors.newFixedThreadPool(8);
    try {
      List<Future<Answer>> asked = new ArrayList<>();
      for (int i = 0; i < 8; i++) {
        asked.add(devices.submit(() -> post("/runs", body(UUID.randomUUID(), check))));
      }
      List<String> answers = new ArrayList<>();
      for (Future<Answer> f : asked) {
        answers.add(f.get().status() == 201 ? "started" : f.get().code());
      }
      assertThat(answers).filteredOn("started"::equals).hasSize(1);
      assertThat(answers).filteredOn("run-open"::equals).hasSize(7);
    } finally {
      devices.shutdownNow();
    }
    assertThat(
            sql.queryForObject(
                "select count(*) from run_person where client_id = ?",
                Integer.class,
                client.toString()))
        .isEqualTo(1);
  }

  @Test
  void anOpenRunWithoutAWordForTwelveHoursIsEndedAsLeftOpenAndFreesTheClient() throws Exception {
    UUID run = start(client, plan, "").id();
    long t = clock.millis();
    send(run, event("START", t, 0, ",\"device\":\"a\""));
    later(Duration.ofHours(1));
    send(run, event("PAUSE", t + 600_000, 1, ",\"device\":\"a\""));
    later(Duration.ofHours(12));
    assertThat(status(shown(run))).as("an hour too early").isEqualTo("PAUSED");
    assertThat(start(client, plan, "").code()).isEqualTo("run-open");
    later(Duration.ofHours(13));
    JsonNode ended = shown(run);
    assertThat(status(ended)).isEqualTo("FINISHED");
    assertThat(ended.path("leftOpen").asBoolean()).isTrue();
    assertThat(ended.path("minutes").asInt()).as("as of the last event").isEqualTo(10);
    assertThat(get("/day").text()).contains("left open and ended by itself");
    assertThat(get("/audit").text()).contains("nothing was heard of it for 12 h");
    assertThat(start(client, plan, "").status()).isEqualTo(201);
  }

  @Test
  void whatIsSentLateOfARunLeftOpenIsTakenAStopToo() throws Exception {
    UUID run = start(client, plan, "").id();
    long t = clock.millis();
    send(run, event("START", t, 0, ",\"device\":\"a\""));
    later(Duration.ofHours(13));
    assertThat(status(shown(run))).isEqualTo("FINISHED");
    String set =
        event(
            "ENTRY",
            t + 40_000,
            1,
            ",\"device\":\"a\",\"entry\":{\"slotKey\":\"s1\",\"round\":1,\"side\":\"BOTH\",\"effort\":5}");
    send(run, set);
    assertThat(shown(run).path("state").path("entries")).hasSize(1);
    assertThat(shown(run).path("leftOpen").asBoolean()).isTrue();
    // the device had gone on: its own end counts, not the server's
    send(run, event("FINISH", t + 1_200_000, 2, ",\"device\":\"a\""));
    assertThat(shown(run).path("leftOpen").asBoolean()).isFalse();
    assertThat(shown(run).path("minutes").asInt()).isEqualTo(20);
    send(run, event("STOP", t + 900_000, 3, ",\"device\":\"b\",\"sign\":\"CHEST\""));
    assertThat(status(shown(run))).isEqualTo("STOPPED");
    assertThat(get("/clients/" + client + "/readiness").body().path("outcome").asString())
        .isEqualTo("CLEARANCE_ONLY");
  }

  @Test
  void noDeviceSpeaksForTheServer() throws Exception {
    UUID run = start(client, plan, "").id();
    JsonNode a = send(run, event("FINISH", clock.millis(), 0, ",\"device\":\"server\""));
    assertThat(a.path("answers").get(0).path("reply").asString()).isEqualTo("REFUSED");
    send(run, event("STOP", clock.millis(), 0, ",\"device\":\"server\",\"sign\":\"FAINT\""));
    assertThat(status(shown(run))).isEqualTo("STOPPED");
  }
}
