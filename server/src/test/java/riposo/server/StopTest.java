package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import riposo.server.platform.Professional;
import tools.jackson.databind.JsonNode;

/** A stop is final: what a tap on the stop panel does, however it arrives, and its withdrawal. */
class StopTest extends ApiDesk {
  private static final ZoneId OSLO = ZoneId.of("Europe/Oslo");

  @Autowired JdbcTemplate sql;

  private UUID client;
  private UUID plan;
  private UUID run;
  private Duration noon;

  /** From noon on, so that no test meets midnight. */
  @BeforeEach
  void aRun() throws Exception {
    noon = to(12);
    later(Duration.ZERO);
    client = screened();
    plan = post("/plans", PLAN).id();
    run = start(client, plan, "").id();
  }

  private void later(Duration after) {
    clock.shift(noon.plus(after));
  }

  private Answer send(String... events) throws Exception {
    Answer a = post("/runs/" + run + "/events", "{\"events\":[" + String.join(",", events) + "]}");
    assertThat(a.status()).as(a.text()).isEqualTo(200);
    return a;
  }

  private String stop(long at, String sign) {
    return event("STOP", at, 9, ",\"sign\":\"" + sign + "\",\"device\":\"tablet\"");
  }

  private String entry(long at, int effort) {
    return event(
        "ENTRY",
        at,
        2,
        ",\"entry\":{\"slotKey\":\"s1\",\"round\":1,\"side\":\"BOTH\",\"effort\":"
            + effort
            + ",\"pain\":0,\"reps\":12}");
  }

  private String outcome() throws Exception {
    return get("/clients/" + client + "/readiness").body().path("outcome").asString();
  }

  /** The outcome the list of clients shows. */
  private String listed() throws Exception {
    return get("/client-list?size=200")
        .body()
        .path("lines")
        .valueStream()
        .filter(l -> l.path("id").asString().equals(client.toString()))
        .map(l -> l.path("outcome").asString())
        .findFirst()
        .orElseThrow();
  }

  private JsonNode shown() throws Exception {
    return get("/runs/" + run).body();
  }

  private Answer withdraw(JsonNode stop, String reason) throws Exception {
    return post(
        "/runs/" + run + "/stops/" + stop.path("id").asString() + "/withdrawal",
        "{\"reason\":\"" + reason + "\"}");
  }

  private List<String> replies(Answer a) {
    return a.body().path("answers").valueStream().map(x -> x.path("reply").asString()).toList();
  }

  @Test
  void twoHundredEventsWithABadOneAmongThemAndAStopLastCountInOneSending() throws Exception {
    long t = clock.millis();
    List<String> events = new ArrayList<>();
    events.add(event("START", t, 0, ""));
    IntStream.range(1, 199).forEach(i -> events.add(entry(t + i, i == 77 ? 99 : 4)));
    events.add(stop(t + 500, "FAINT"));

    Answer a = send(events.toArray(String[]::new));

    assertThat(replies(a)).hasSize(200).filteredOn("KEPT"::equals).hasSize(199);
    assertThat(a.body().path("answers").get(77).path("why").asString())
        .isEqualTo("Effort must lie between 0 and 10, was 99.");
    assertThat(a.body().path("state").path("status").asString()).isEqualTo("STOPPED");
    assertThat(outcome()).isEqualTo("CLEARANCE_ONLY");
    assertThat(replies(send(events.toArray(String[]::new))))
        .as("sent again")
        .filteredOn("KNOWN"::equals)
        .hasSize(199);
  }

  static Stream<Arguments> oddStops() {
    return Stream.of(
            "{\"kind\":\"STOP\"}",
            "{\"kind\":\"stop\",\"id\":\"none\",\"at\":\"now\",\"seq\":1.5}",
            "{\"kind\":\"STOP\",\"id\":\"" + UUID.randomUUID() + "\",\"at\":0,\"seq\":0}",
            "{\"kind\":\"STOP\",\"id\":\""
                + UUID.randomUUID()
                + "\",\"at\":99999999999999999999,\"seq\":0}",
            "{\"kind\":\"STOP\",\"id\":\""
                + UUID.randomUUID()
                + "\",\"at\":4102444800000,\"segment\":\"x\"}",
            "{\"kind\":\"STOP\",\"text\":\"" + "a".repeat(2000) + "\",\"sign\":\"WHAT\"}",
            "{\"kind\":\"STOP\",\"entry\":{\"effort\":99},\"extra\":[1,2]}",
            "{\"kind\":\"STOP\",\"sign\":{\"a\":1},\"device\":\"" + "d".repeat(90) + "\"}")
        .map(Arguments::of);
  }

  @ParameterizedTest
  @MethodSource("oddStops")
  void aStopIsRefusedForNothingThatIsWrongWithIt(String odd) throws Exception {
    assertThat(replies(send(event("START", clock.millis(), 0, ""), odd)))
        .containsExactly("KEPT", "KEPT");
    assertThat(replies(send(odd))).as("the same again").containsExactly("KNOWN");
    assertThat(shown().path("state").path("status").asString()).isEqualTo("STOPPED");
    assertThat(shown().path("stops")).hasSize(1);
    JsonNode kept =
        get("/runs/" + run + "/events")
            .body()
            .valueStream()
            .filter(e -> e.path("kind").asString().equals("STOP"))
            .findFirst()
            .orElseThrow();
    assertThat(kept.path("deviceAt").isIntegralNumber()).as("marked").isTrue();
    assertThat(kept.path("at").asLong()).isBetween(clock.millis() - 60_000, clock.millis());
    assertThat(outcome()).isEqualTo("CLEARANCE_ONLY");
    assertThat(get("/audit").text()).contains("the device's clock was wrong");
  }

  @ParameterizedTest
  @ValueSource(strings = {"null", "5", "\"x\"", "[]", "{}", "{\"kind\":\"PAUSE\"}"})
  void nothingUnreadableHoldsBackTheStopBehindIt(String odd) throws Exception {
    assertThat(replies(send(odd, stop(clock.millis(), "CHEST"))))
        .containsExactly("REFUSED", "KEPT");
    assertThat(outcome()).isEqualTo("CLEARANCE_ONLY");
  }

  @ParameterizedTest
  @ValueSource(strings = {"null", "\"x\"", "{}", "1e400", "1795824710409.15"})
  void noClockHoldsBackAStop(String clocks) throws Exception {
    Answer a =
        post(
            "/runs/" + run + "/events",
            "{\"clock\":%s,\"events\":[%s]}".formatted(clocks, stop(clock.millis(), "CHEST")));
    assertThat(a.status()).as(a.text()).isEqualTo(200);
    assertThat(outcome()).isEqualTo("CLEARANCE_ONLY");
  }

  @Test
  void anIdThatAnotherStudioHoldsHoldsBackNothing() throws Exception {
    String stop = stop(clock.millis(), "CHEST");
    String pause = event("PAUSE", clock.millis(), 3, "");
    send(pause, stop);
    UUID theirs = run;
    Professional first = me;
    me = stranger;
    client = screened();
    run = start(client, post("/plans", PLAN).id(), "").id();
    assertThat(replies(send(pause, stop))).containsExactly("REFUSED", "KEPT");
    assertThat(replies(send(pause, stop))).containsExactly("REFUSED", "KNOWN");
    assertThat(outcome()).isEqualTo("CLEARANCE_ONLY");
    me = first;
    assertThat(get("/runs/" + theirs + "/events").body()).hasSize(2);
  }

  @Test
  void onlyAnUnknownRunRefusesAStopNotAnIdOfAnotherRun() throws Exception {
    String stop = stop(clock.millis(), "CHEST");
    UUID first = run;
    send(stop);
    client = screened();
    run = start(client, plan, "").id();
    assertThat(replies(send(stop))).containsExactly("KEPT");
    assertThat(replies(send(stop))).containsExactly("KNOWN");
    assertThat(outcome()).isEqualTo("CLEARANCE_ONLY");
    assertThat(get("/runs/" + first + "/events").body()).hasSize(1);
    assertThat(
            post("/runs/" + UUID.randomUUID() + "/events", "{\"events\":[" + stop + "]}").status())
        .isEqualTo(404);
  }

  @Test
  void aStopThatArrivesAfterTheFinishAndTheWordsAfterIsNotHidden() throws Exception {
    long t = clock.millis();
    send(event("START", t, 0, ""), entry(t + 10, 5), event("FINISH", t + 900, 3, ""));
    assertThat(post("/runs/" + run + "/after", "{\"effort\":5,\"feel\":\"GOOD\"}").status())
        .isEqualTo(200);
    assertThat(outcome()).isEqualTo("READY");

    send(stop(t + 20, "CHEST"));

    assertThat(shown().path("state").path("status").asString()).isEqualTo("STOPPED");
    assertThat(shown().path("state").path("endedAt").asLong()).isEqualTo(t + 20);
    assertThat(outcome()).isEqualTo("CLEARANCE_ONLY");
    assertThat(get("/audit").text()).contains("stop panel: Chest pressure or pain");
    assertThat(
            get("/clients/" + client + "/tolerance")
                .body()
                .path("families")
                .get(0)
                .path("verdict")
                .path("verdict")
                .asString())
        .isEqualTo("STOP_AND_REFER");
  }

  @Test
  void aTapInErrorIsWithdrawnWithAReasonOnItsDayAndOnlyWhatItClosedOpens() throws Exception {
    long t = clock.millis();
    send(event("START", t, 0, ""), entry(t + 10, 5), stop(t + 20, "FAINT"));
    JsonNode first = shown().path("stops").get(0);
    assertThat(first.path("open").asBoolean()).isTrue();
    assertThat(withdraw(first, " ").pointers()).contains("/reason");
    assertThat(outcome()).isEqualTo("CLEARANCE_ONLY");

    Answer a = withdraw(first, "leant on the tablet");

    assertThat(a.status()).as(a.text()).isEqualTo(200);
    assertThat(a.body().path("state").path("status").asString())
        .as("stays ended")
        .isEqualTo("STOPPED");
    assertThat(a.body().path("stops").get(0).path("withdrawn").path("reason").asString())
        .isEqualTo("leant on the tablet");
    assertThat(a.body().path("stops").get(0).path("words").asString()).as("kept").contains("Faint");
    assertThat(outcome()).isEqualTo("READY");
    assertThat(get("/clients/" + client + "/tolerance").text()).doesNotContain("STOP_AND_REFER");
    assertThat(withdraw(first, "again").code()).isEqualTo("already-withdrawn");
    assertThat(start(client, plan, "").status()).as("may start again").isEqualTo(201);

    // another STOP of the same run, older and arriving later, stands
    send(stop(t + 5, "CHEST"));
    assertThat(outcome()).isEqualTo("CLEARANCE_ONLY");
    JsonNode second = shown().path("stops").get(0);
    assertThat(second.path("withdrawn").isMissingNode() || second.path("withdrawn").isNull())
        .isTrue();
    later(Duration.ofDays(1));
    assertThat(shown().path("stops").get(0).path("open").asBoolean()).isFalse();
    assertThat(withdraw(second, "too late").code()).isEqualTo("too-late");
    assertThat(outcome()).isEqualTo("CLEARANCE_ONLY");
  }

  /** Whatever goes wrong while verdicts are reached, the stop is on file. */
  @Test
  void aStopIsKeptThoughWhatFollowsFromItFails() throws Exception {
    send(event("START", clock.millis(), 0, ""), entry(clock.millis(), 5));
    assertThat(listed()).as("seen, and kept").isEqualTo("READY");
    sql.update("update client set school = 'NONE' where id = ?", client.toString());
    assertThat(replies(send(stop(clock.millis(), "SEIZURE")))).containsExactly("KEPT");
    sql.update("update client set school = 'PAIN_FREE' where id = ?", client.toString());
    assertThat(outcome()).isEqualTo("CLEARANCE_ONLY");
    assertThat(listed()).as("what was kept is good no more").isEqualTo("CLEARANCE_ONLY");
    assertThat(shown().path("state").path("status").asString()).isEqualTo("STOPPED");
  }

  @Test
  void aSignThatIsNoEmergencyEndsTheDayAndAsksFirst() throws Exception {
    send(event("START", clock.millis(), 0, ""), stop(clock.millis(), "JOINT"));
    assertThat(outcome()).isEqualTo("ASK_FIRST");
    assertThat(start(client, plan, "", "feels fine").code()).isEqualTo("stopped-today");
    later(Duration.ofDays(1));
    assertThat(start(client, plan, "").code()).isEqualTo("reason-wanted");
  }

  @Test
  void aLowSettledBySugarWaitsForAReadingOverFiveAfterFifteenMinutes() throws Exception {
    send(event("START", clock.millis(), 0, ""), stop(clock.millis(), "LOW_SUGAR"));
    assertThat(outcome()).isEqualTo("READY");
    assertThat(start(client, plan, ",\"glucose\":\"6.0\"").code()).isEqualTo("wait-after-low");
    later(Duration.ofMinutes(16));
    assertThat(start(client, plan, ",\"glucose\":\"5.0\"").code()).isEqualTo("wait-after-low");
    assertThat(start(client, plan, "").code()).as("not measured").isEqualTo("wait-after-low");
    assertThat(start(client, plan, ",\"glucose\":\"5.1\"").status()).isEqualTo(201);
  }

  @Test
  void theStairShowsAStoppedFamilyClosedAsThePlanDoesAndARecordedWordOpensItBelow()
      throws Exception {
    send(event("START", clock.millis(), 0, ""), entry(clock.millis(), 5));
    send(stop(clock.millis(), "JOINT"));
    JsonNode verdict = verdict();
    Answer stair =
        get("/clients/" + client + "/adapted/" + plan + "/slots/s1/stair?family=sit-stand");
    assertThat(stair.body().path("rungs")).isNotEmpty();
    for (JsonNode r : stair.body().path("rungs")) {
      assertThat(r.path("open").asBoolean()).as(r.path("name").asString()).isFalse();
      assertThat(r.path("closedBy").toString()).contains("stopped");
    }
    String path = "/verdicts/" + verdict.path("id").asString();
    Answer up =
        call(me, "POST", path + "/decision", "{\"verdict\":\"STAY\",\"reason\":\"fine\"}", 0);
    assertThat(up.code()).isEqualTo("stop-stays");
    assertThat(call(me, "POST", path + "/end", "{\"by\":\"\",\"reason\":\"\"}", 0).pointers())
        .contains("/by", "/on", "/reason");
    String word = "{\"by\":\"physio Ek\",\"on\":\"%s\",\"reason\":\"strain, settled\"}";
    assertThat(call(me, "POST", path + "/end", word.formatted("2020-01-01"), 0).pointers())
        .contains("/on");
    Answer ended =
        call(
            me,
            "POST",
            path + "/end",
            word.formatted(LocalDate.ofInstant(clock.instant(), OSLO)),
            0);
    assertThat(ended.status()).as(ended.text()).isEqualTo(200);
    assertThat(verdict().path("ended").path("by").asString()).isEqualTo("physio Ek");
    JsonNode rungs =
        get("/clients/" + client + "/adapted/" + plan + "/slots/s1/stair?family=sit-stand")
            .body()
            .path("rungs");
    assertThat(rungs.valueStream().anyMatch(r -> r.path("open").asBoolean())).isTrue();
    assertThat(rungs.get(0).path("open").asBoolean()).as("the top stays closed").isFalse();
  }

  private JsonNode verdict() throws Exception {
    return get("/clients/" + client + "/tolerance")
        .body()
        .path("families")
        .valueStream()
        .filter(f -> f.path("familyId").asString().equals("sit-stand"))
        .findFirst()
        .orElseThrow()
        .path("verdict");
  }
}
