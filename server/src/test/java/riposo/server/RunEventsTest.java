package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import riposo.core.Orders;
import riposo.server.platform.StudioContext;
import riposo.server.run.Runs;
import tools.jackson.databind.JsonNode;

/**
 * What a device sends of a run: kept once, told apart, bounded, and folded whatever comes first.
 */
class RunEventsTest extends ApiDesk {
  private static final long DAY = 86_400_000L;
  private static final String SET =
      ",\"entry\":{\"slotKey\":\"s1\",\"round\":1,\"side\":\"BOTH\"%s}";

  @Autowired Runs runs;
  @Autowired JdbcTemplate sql;

  private UUID client;
  private UUID run;

  @BeforeEach
  void started() throws Exception {
    client = screened();
    run = start(client, post("/plans", PLAN).id(), "").id();
  }

  private JsonNode send(String more, String... events) throws Exception {
    Answer a =
        post(
            "/runs/" + run + "/events",
            "{\"events\":[" + String.join(",", events) + "]" + more + "}");
    assertThat(a.status()).as(a.text()).isEqualTo(200);
    return a.body();
  }

  private static List<String> replies(JsonNode kept) {
    return kept.path("answers").valueStream().map(a -> a.path("reply").asString()).toList();
  }

  private static String of(String device) {
    return ",\"device\":\"" + device + "\"";
  }

  private JsonNode shown() throws Exception {
    return get("/runs/" + run).body();
  }

  @Test
  void theSameIdWithOtherContentIsRefusedAndTheRestIsKept() throws Exception {
    String id = UUID.randomUUID().toString();
    String one =
        "{\"id\":\"%s\",\"at\":%d,\"seq\":1,\"kind\":\"ENTRY\"%s}"
            .formatted(id, clock.millis(), SET.formatted(",\"effort\":5"));
    String other = one.replace("\"effort\":5", "\"effort\":6");
    assertThat(replies(send("", one))).containsExactly("KEPT");
    JsonNode kept = send("", other, event("START", clock.millis(), 0, ""), one);
    assertThat(replies(kept)).containsExactly("REFUSED", "KEPT", "KNOWN");
    assertThat(kept.path("answers").get(0).path("why").asString())
        .isEqualTo("Another event with this id is on file.");
    assertThat(shown().path("state").path("entries").get(0).path("entry").path("effort").asInt())
        .isEqualTo(5);
  }

  @Test
  void theSameAgainInAnotherOrderOfFieldsIsKnown() throws Exception {
    String id = UUID.randomUUID().toString();
    long at = clock.millis();
    assertThat(
            replies(
                send(
                    "",
                    "{\"id\":\"%s\",\"at\":%d,\"seq\":0,\"kind\":\"START\"}".formatted(id, at),
                    "{\"kind\":\"START\",\"seq\":0,\"text\":null,\"at\":%d,\"id\":\"%s\"}"
                        .formatted(at, id))))
        .containsExactly("KEPT", "KNOWN");
  }

  @Test
  void aStopWithAnIdThatIsTakenIsKeptUnderAnotherAndOnce() throws Exception {
    String start = event("START", clock.millis(), 0, "");
    String stop = start.replace("\"kind\":\"START\"", "\"kind\":\"STOP\",\"sign\":\"FAINT\"");
    assertThat(replies(send("", start, stop))).containsExactly("KEPT", "KEPT");
    String other = stop.replace("FAINT", "CHEST");
    assertThat(replies(send("", stop, other, other))).containsExactly("KNOWN", "KEPT", "KNOWN");
    assertThat(shown().path("stops")).hasSize(2);
    assertThat(shown().path("state").path("status").asString()).isEqualTo("STOPPED");
  }

  @Test
  void aClockADayAndMoreAheadIsSetByTheServerKeepingWhatLaysBetween() throws Exception {
    long now = clock.millis();
    long off = 40 * DAY;
    String start = event("START", now + off - 60_000, 0, of("a"));
    String pause = event("PAUSE", now + off - 20_000, 1, of("a"));
    JsonNode kept = send(",\"clock\":" + (now + off), start, pause);
    assertThat(replies(kept)).containsExactly("KEPT", "KEPT");
    long began = kept.path("answers").get(0).path("at").asLong();
    long paused = kept.path("answers").get(1).path("at").asLong();
    // the run was made a moment ago: nothing of it can have been before
    assertThat(began).isLessThanOrEqualTo(paused).isGreaterThanOrEqualTo(now - 60_000);
    assertThat(paused).isLessThanOrEqualTo(clock.millis());
    // as browsers count: with fractions
    JsonNode again = send(",\"clock\":" + (now + off) + ".8499", start);
    assertThat(replies(again)).containsExactly("KNOWN");
    assertThat(again.path("answers").get(0).path("at").asLong()).as("told again").isEqualTo(began);
    JsonNode stored = get("/runs/" + run + "/events").body().get(0);
    assertThat(stored.path("deviceAt").asLong()).isEqualTo(now + off - 60_000);
  }

  /** Minutes the device's clock is ahead, and whether the server sets the time. */
  @ParameterizedTest
  @CsvSource({"0, false", "60, false", "1439, false", "1442, true", "-1439, false", "-2000, true"})
  void aTimeWithinADayStaysTheDevices(long minutes, boolean set) throws Exception {
    long at = clock.millis() + minutes * 60_000;
    JsonNode answer = send("", event("START", at, 0, "")).path("answers").get(0);
    assertThat(answer.hasNonNull("at")).isEqualTo(set);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        ",'side':'LEFT' | This set is not done on that side.",
        ",'slotKey':'zz' | This run has no such slot.",
        ",'person':'00000000-0000-0000-0000-000000000001' | This person is not in the run.",
        ",'painWhere':'LONG' | Where it hurts takes at most 60 characters, was 500.",
        ",'note':'LONG' | A note takes at most 400 characters, was 500.",
        ",'fault':'LONG' | The fault takes at most 200 characters, was 500.",
        ",'grabs':100 | Grabs must lie between 0 and 99, was 100.",
        ",'left':1000 | Hand by hand both are told, 0 for an empty one.",
        ",'side':'UP' | This event cannot be read."
      })
  void anEntryOutOfBoundsIsRefusedBySentence(String wrong, String sentence) throws Exception {
    String field = wrong.replace('\'', '"').replace("LONG", "x".repeat(500));
    // the last of two fields of one name counts; a person is named by the event
    boolean whose = field.contains("person");
    String entry = SET.formatted(whose ? "" : field);
    JsonNode answer =
        send("", event("ENTRY", clock.millis(), 0, (whose ? field : "") + entry))
            .path("answers")
            .get(0);
    assertThat(answer.path("reply").asString()).isEqualTo("REFUSED");
    assertThat(answer.path("why").asString()).isEqualTo(sentence);
  }

  /** Everything a set can be told with goes in, comes out, and is read over weeks. */
  @Test
  void allThatCanBeToldOfASetIsKept() throws Exception {
    String told =
        ",\"parts\":[{\"reps\":8,\"grams\":2000},{\"reps\":4,\"left\":1000,\"right\":0}],\"effort\":6,"
            + "\"painFirst\":1,\"painLater\":0,\"painAfter\":2,\"painWorse\":\"bending\",\"breathless\":4,"
            + "\"formLost\":true,\"fault\":\"knees in\",\"support\":[\"HOLD_ON\"],\"touchDowns\":1,\"grabs\":2,"
            + "\"stoppedEarly\":\"tired\",\"note\":\"slower\",\"askedBy\":\"Piet\"";
    String event = event("ENTRY", clock.millis(), 0, of("phone") + SET.formatted(told));
    assertThat(replies(send("", event))).containsExactly("KEPT");
    JsonNode shown = shown().path("state").path("entries").get(0);
    assertThat(shown.path("person").asString()).isEqualTo(client.toString());
    JsonNode entry = shown.path("entry");
    JsonNode sent = json.readTree(event).path("entry");
    sent.propertyStream()
        .forEach(p -> assertThat(entry.path(p.getKey())).as(p.getKey()).isEqualTo(p.getValue()));
    var set = history().get(0).sets().get(0);
    assertThat(set.pain()).as("the greatest told").isEqualTo(2);
    assertThat(set.reps()).as("at the first weight").isEqualTo(8);
    assertThat(
            sql.queryForMap(
                "select family_id, effort, pain, reps, grams from run_set where run_id = ?",
                run.toString()))
        .containsEntry("effort", 6)
        .containsEntry("pain", 2)
        .containsEntry("reps", 8)
        .containsEntry("grams", 2000);
  }

  private List<riposo.core.run.DoneRun> history() {
    return StudioContext.within(me.studioId(), "tester", () -> runs.history(client));
  }

  @Test
  void aCorrectionLeavesItsTrailAndTheSetAsCorrected() throws Exception {
    String wrong =
        event("ENTRY", clock.millis(), 0, of("a") + SET.formatted(",\"pain\":8,\"reps\":9"));
    String id = json.readTree(wrong).path("id").asString();
    String right =
        event(
            "ENTRY",
            clock.millis() + 5,
            1,
            of("a") + SET.formatted(",\"pain\":1,\"reps\":9,\"corrects\":\"" + id + "\""));
    send("", right, wrong);
    assertThat(history().get(0).sets()).singleElement().matches(s -> s.pain() == 1);
    assertThat(get("/runs/" + run + "/events").body()).as("both are on file").hasSize(2);
    String none = ",\"corrects\":\"" + json.readTree(right).path("id").asString() + "\"";
    send("", event("ENTRY", clock.millis() + 9, 2, of("a") + SET.formatted(none)));
    assertThat(history().get(0).sets().get(0).pain()).as("unknown, not 0").isNull();
  }

  /** A small log from two devices, sent event by event in every order: one state. */
  @Test
  void inAnyOrderOfArrivalTheServerComesToTheSameState() throws Exception {
    long t = clock.millis();
    UUID plan = post("/plans", PLAN).id();
    List<List<Integer>> orders = Orders.of(List.of(0, 1, 2, 3));
    String first = null;
    for (List<Integer> order : orders) {
      client = screened();
      run = start(client, plan, "").id();
      List<String> log =
          List.of(
              event("START", t, 0, of("a")),
              event("ENTRY", t + 20_000, 1, of("a") + SET.formatted(",\"effort\":4,\"reps\":9")),
              event("ENTRY", t + 10_000, 0, of("b") + SET.formatted(",\"effort\":6,\"pain\":1")),
              event("PAUSE", t + 30_000, 1, of("b")));
      for (int i : order) {
        send("", log.get(i));
      }
      JsonNode s = shown().path("state");
      String state =
          s.path("status").asString()
              + s.path("positionMs")
              + s.path("pausedAt")
              + s.path("entries").get(0).path("entry")
              + history().get(0).sets().get(0).effort();
      first = first == null ? state : first;
      assertThat(state).as("order " + order).isEqualTo(first);
    }
    assertThat(orders).hasSize(24);
    assertThat(first).contains("PAUSED", "\"effort\":4", "\"pain\":1");
  }

  @Test
  void whatAnOlderVersionTookIsKnownAgainByWhatItSays() throws Exception {
    String start = event("START", clock.millis(), 0, "");
    send("", start);
    sql.update("update run_event set sent = null where run_id = ?", run.toString());
    assertThat(replies(send("", start))).containsExactly("KNOWN");
    assertThat(replies(send("", start.replace("START", "PAUSE")))).containsExactly("REFUSED");
  }
}
