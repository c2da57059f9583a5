package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import riposo.core.run.DoneSet;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.run.Runs;
import tools.jackson.databind.JsonNode;

/** A run done otherwise than asked: what is sent with it, what is taken, what is made of it. */
class RunChangeTest extends ApiDesk {
  @Autowired Runs runs;

  private UUID client;
  private UUID run;
  private JsonNode row;

  @BeforeEach
  void started() throws Exception {
    client = screened();
    Answer limit =
        post(
            "/clients/" + client + "/limits",
            "{\"axisId\":\"load.hand\",\"side\":\"LEFT\",\"cap\":1000,\"strength\":\"FIRM\",\"source\":\"physio\",\"from\":\"2026-01-01\"}");
    assertThat(limit.status()).as(limit.text()).isEqualTo(201);
    run = start(client, post("/plans", PLAN).id(), "").id();
    row = shown().path("people").get(0).path("slots").get(2);
    assertThat(row.path("key").asString()).isEqualTo("s2");
  }

  private JsonNode shown() throws Exception {
    return get("/runs/" + run).body();
  }

  private JsonNode send(String... events) throws Exception {
    Answer a = post("/runs/" + run + "/events", "{\"events\":[" + String.join(",", events) + "]}");
    assertThat(a.status()).as(a.text()).isEqualTo(200);
    return a.body().path("answers");
  }

  private String told(long at, int seq, int round, String more) {
    return event(
        "ENTRY",
        at,
        seq,
        ",\"device\":\"a\",\"entry\":{\"slotKey\":\"s2\",\"round\":%d,\"side\":\"BOTH\"%s}"
            .formatted(round, more));
  }

  private String changed(long at, int seq, int round, String to, String more) {
    return event(
        "CHANGE",
        at,
        seq,
        ",\"device\":\"a\",\"change\":{\"slotKey\":\"s2\",\"round\":%d,\"to\":\"%s\",\"onward\":true%s}"
            .formatted(round, to, more));
  }

  private List<DoneSet> sets() {
    return StudioContext.within(me.studioId(), "test", () -> runs.history(client).get(0).sets());
  }

  @Test
  void aSetIsOfTheFormItWasDoneInAndTheOneBeforeStaysWhatItWas() throws Exception {
    JsonNode easier = row.path("options").get(0);
    assertThat(easier.path("kind").asString()).isEqualTo("EASIER");
    long now = clock.millis();
    send(
        told(now, 0, 1, ",\"effort\":6"),
        changed(now + 1, 1, 2, "OPTION", ",\"option\":\"" + easier.path("id").asString() + "\""),
        told(now + 2, 2, 2, ",\"effort\":4"));
    assertThat(sets().stream().map(DoneSet::movementId))
        .containsExactly(
            row.path("parts").get(0).path("movementId").asString(),
            easier.path("parts").get(0).path("movementId").asString());
    JsonNode entries = shown().path("state").path("entries");
    assertThat(entries.get(0).path("doing").hasNonNull("option")).isFalse();
    assertThat(entries.get(1).path("doing").path("option").asString())
        .isEqualTo(easier.path("id").asString());
  }

  /** A change that comes late still decides of which form the sets told after it are. */
  @Test
  void aChangeThatArrivesAfterTheSetsToldAfterItIsMadeOfThem() throws Exception {
    String id = row.path("options").get(0).path("id").asString();
    long now = clock.millis();
    send(told(now + 5, 3, 2, ",\"effort\":4"));
    String asked = sets().get(0).movementId();
    send(changed(now, 1, 1, "OPTION", ",\"option\":\"" + id + "\""));
    assertThat(sets().get(0).movementId()).isNotEqualTo(asked);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "OPTION | ,'option':'o99' | This slot has no such option.",
        "OPTION | ,'option':'o1','slotKey':'zz' | This run has no such slot.",
        "WEIGHT | ,'grams':2000 | This weight is over what the limits leave.",
        "WEIGHT | ,'grams':2000,'side':'LEFT' | This weight is over what the limits leave.",
        "WEIGHT | ,'grams':1000000 | Grams must lie between 0 and 100000, was 1000000.",
        "WEIGHT | ,'grams':-1 | Grams must lie between 0 and 100000, was -1.",
        "WEIGHT | ,'grams':1000 | ",
        "WEIGHT | ,'grams':2000,'side':'RIGHT' | ",
        "LEAVE | | ",
      })
  void noChangePassesALimit(String to, String more, String why) throws Exception {
    JsonNode answer =
        send(changed(clock.millis(), 0, 2, to, more == null ? "" : more.replace('\'', '"'))).get(0);
    assertThat(answer.path("why").asString("")).isEqualTo(why == null ? "" : why);
    assertThat(answer.path("reply").asString()).isEqualTo(why == null ? "KEPT" : "REFUSED");
  }

  @Test
  void whatWasHeldOverALimitIsKeptAsToldAndMarked() throws Exception {
    long now = clock.millis();
    send(told(now, 0, 1, ",\"left\":2000,\"right\":2000"), told(now + 1, 1, 2, ",\"grams\":1000"));
    assertThat(sets()).extracting(DoneSet::overCap).containsExactly(true, false);
    assertThat(sets().get(0).grams()).isEqualTo(2000);
  }

  @Test
  void theSecondSetOverTheLineLeavesTheMovementForTheScreenOfTheClientsToo() throws Exception {
    assertThat(shown().path("people").get(0).path("painLine").asInt(-1)).isZero();
    long now = clock.millis();
    send(event("START", now, 0, ""), told(now + 1, 1, 1, ",\"pain\":1"));
    String code = post("/runs/" + run + "/screen", null).body().path("code").asString();
    assertThat(leftOn(code)).isEmpty();
    send(told(now + 2, 2, 2, ",\"pain\":2"));
    assertThat(leftOn(code)).isNotEmpty();
  }

  private List<JsonNode> leftOn(String code) throws Exception {
    Answer a = call(null, "GET", "/screens/" + code, null, null);
    assertThat(a.status()).as(a.text()).isEqualTo(200);
    return a.body().path("work").valueStream().filter(w -> w.path("left").asBoolean()).toList();
  }

  @Test
  void aSymptomIsKeptWithItsReadingAndOneThatCannotBeRightIsRefused() throws Exception {
    String felt = ",\"device\":\"a\",\"unwell\":{\"symptom\":\"WOOZY\",\"how\":\"FELT\"%s}";
    long now = clock.millis();
    JsonNode answers =
        send(
            event("UNWELL", now, 0, felt.formatted(",\"pulse\":400")),
            event("UNWELL", now, 1, felt.formatted(",\"systolic\":95,\"diastolic\":60")));
    assertThat(answers.get(0).path("why").asString())
        .isEqualTo("A pulse of 400 bpm cannot be right: 20 to 250.");
    assertThat(answers.get(1).path("reply").asString()).isEqualTo("KEPT");
    JsonNode stored = get("/runs/" + run + "/events").body().get(0);
    assertThat(stored.path("unwell").path("systolic").asInt()).isEqualTo(95);
    assertThat(stored.path("person").asString()).isEqualTo(client.toString());
  }

  @Test
  void aPulseIsKeptWithTheSecondsSinceTheWorkEndedAndReadAgainstTheCaps() throws Exception {
    String read = ",\"device\":\"a\",\"pulse\":{\"bpm\":%d%s}";
    long now = clock.millis();
    JsonNode answers =
        send(
            event("PULSE", now, 0, read.formatted(96, ",\"from\":\"STRAP\",\"afterWork\":15")),
            event("PULSE", now, 1, read.formatted(400, "")),
            event("PULSE", now, 2, read.formatted(19, "")),
            event("PULSE", now, 3, read.formatted(96, ",\"afterWork\":-1")),
            event("PULSE", now, 4, read.formatted(250, "")));
    assertThat(answers.valueStream().map(a -> a.path("why").asString("")))
        .containsExactly(
            "",
            "A pulse of 400 bpm cannot be right: 20 to 250.",
            "A pulse of 19 bpm cannot be right: 20 to 250.",
            "A pulse is of 0 to 3600 s after the work, was -1.",
            "");
    JsonNode pulse = get("/runs/" + run + "/events").body().get(0).path("pulse");
    assertThat(pulse.path("afterWork").asInt()).isEqualTo(15);
    assertThat(pulse.path("from").asString()).isEqualTo("STRAP");
    JsonNode guide = get("/clients/" + client + "/pulse").body().path("guide");
    assertThat(shown().path("people").get(0).path("pulse").path("maximum"))
        .isEqualTo(guide.path("maximum"));
  }

  @Test
  void whatIsToldOfTheRunOfAClientArchivedMeanwhileIsKept() throws Exception {
    assertThat(post("/clients/" + client + "/archive", null).status()).isEqualTo(200);
    long now = clock.millis();
    JsonNode answers =
        send(
            told(now, 0, 1, ",\"pain\":1"),
            changed(now + 1, 1, 2, "LEAVE", ""),
            event("STOP", now + 2, 2, ",\"sign\":\"FAINT\""));
    assertThat(answers.valueStream().map(a -> a.path("reply").asString()))
        .containsExactly("KEPT", "KEPT", "KEPT");
    assertThat(shown().path("state").path("status").asString()).isEqualTo("STOPPED");
  }

  @Test
  void theSecondScreenTellsNothingOfTheClientAndOnlyToWhoHasTheCode() throws Exception {
    String code = post("/runs/" + run + "/screen", null).body().path("code").asString();
    Answer seen = call(null, "GET", "/screens/" + code.toLowerCase(), null, null);
    assertThat(seen.status()).isEqualTo(200);
    assertThat(seen.text()).doesNotContain("Ada", client.toString(), "effort", "cap", "limit");
    String movement = seen.body().path("parts").get(1).path("movementId").asString();
    String drawn = "/screens/" + code + "/figures/";
    assertThat(call(null, "GET", drawn + movement + ".svg", null, null).text()).startsWith("<svg");
    assertThat(call(null, "GET", drawn + "dead-bug.svg", null, null).status()).isEqualTo(404);
    // a new code shuts the one before; one of another studio's run is nobody's to make
    String other = post("/runs/" + run + "/screen", null).body().path("code").asString();
    assertThat(call(null, "GET", "/screens/" + code, null, null).status()).isEqualTo(404);
    assertThat(call(null, "GET", "/screens/" + other, null, null).status()).isEqualTo(200);
    assertThat(call(stranger, "POST", "/runs/" + run + "/screen", null, null).status())
        .isEqualTo(404);
  }

  @Test
  void aRunThatHasEndedIsShownNoMoreOnANewScreen() throws Exception {
    long now = clock.millis();
    send(event("START", now, 0, ""), event("FINISH", now + 1, 1, ""));
    assertThat(post("/runs/" + run + "/screen", null).code()).isEqualTo("run-ended");
  }

  private int seenFrom(String address, String code) throws Exception {
    return mvc.perform(
            MockMvcRequestBuilders.get("/api/screens/" + code)
                .with(
                    r -> {
                      r.setRemoteAddr(address);
                      return r;
                    }))
        .andReturn()
        .getResponse()
        .getStatus();
  }

  @Test
  void aCodeGuessedWrongTwentyTimesIsNotTriedAgainFromThere() throws Exception {
    String code = post("/runs/" + run + "/screen", null).body().path("code").asString();
    assertThat(seenFrom("192.0.2.1", code)).isEqualTo(200);
    for (int i = 0; i < 20; i++) {
      assertThat(seenFrom("192.0.2.1", "WRNG%02d".formatted(i))).isEqualTo(404);
    }
    assertThat(seenFrom("192.0.2.1", "WRNG99")).as("nothing is looked up").isEqualTo(429);
    assertThat(seenFrom("192.0.2.1", code)).as("what was right there stays open").isEqualTo(200);
    String fresh = post("/runs/" + run + "/screen", null).body().path("code").asString();
    assertThat(seenFrom("192.0.2.1", fresh)).as("right or wrong").isEqualTo(429);
    assertThat(seenFrom("192.0.2.2", fresh)).isEqualTo(200);
    assertThat(Problems.tooMany("").code()).isEqualTo("too-many");
  }
}
