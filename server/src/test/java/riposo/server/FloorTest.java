package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.server.platform.StudioContext;
import tools.jackson.databind.JsonNode;

/** Ways to the floor: recorded, opening what advised limits close, and ended by what happens. */
class FloorTest extends ApiDesk {
  private UUID client;

  @BeforeEach
  void someoneWhoHasFallen() throws Exception {
    client = screened("falls.any", "yes", "falls.two", "yes", "floor.trained", "no");
  }

  private LocalDate day() {
    return StudioContext.within(me.studioId(), "tester", () -> studios.today());
  }

  private JsonNode floor() throws Exception {
    return get("/clients/" + client + "/floor").body();
  }

  private Answer seen(String way, String on, String help) throws Exception {
    return post(
        "/clients/" + client + "/floor/seen",
        "{\"way\":\"%s\",\"on\":\"%s\",\"help\":\"%s\"}".formatted(way, on, help));
  }

  private boolean open() throws Exception {
    return floor().path("open").asBoolean();
  }

  @Test
  void aWaySeenOpensTheFloorUntilAFall() throws Exception {
    JsonNode before = floor();
    assertThat(before.path("open").asBoolean()).isFalse();
    assertThat(before.path("ways").path(0).path("seeingOpens").asBoolean())
        .as(before.toString())
        .isTrue();
    assertThat(before.path("ways").path(0).path("closedBy").toString())
        .contains("getting down to the floor and up");

    Answer done = seen("CHAIR", day().toString(), "a hand under the arm");

    assertThat(done.status()).as(done.text()).isEqualTo(201);
    JsonNode chair = floor().path("ways").path(1);
    assertThat(chair.path("open").asBoolean()).isTrue();
    assertThat(chair.path("seen").path("help").asString()).isEqualTo("a hand under the arm");
    assertThat(chair.path("seen").path("until").asString())
        .isEqualTo(day().plusMonths(6).toString());
    assertThat(floor().path("ways").path(0).path("open").asBoolean()).as("only that way").isFalse();

    post(
        "/clients/" + client + "/happened",
        "{\"kind\":\"FALL\",\"on\":\"%s\",\"note\":\"\"}".formatted(day()));

    assertThat(open()).isFalse();
    assertThat(floor().path("ways").path(1).path("seen").path("ended").asString())
        .contains("ended by a fall");
  }

  @ParameterizedTest
  @CsvSource({"FLARE, false", "OPERATION, false", "ILLNESS, true", "HOSPITAL, true"})
  void whatHappenedEndsItOrDoesNot(String kind, boolean still) throws Exception {
    seen("HALF_KNEELING", day().toString(), "");
    assertThat(open()).isTrue();
    post(
        "/clients/" + client + "/happened",
        "{\"kind\":\"%s\",\"on\":\"%s\",\"note\":\"\"}".formatted(kind, day()));
    assertThat(open()).isEqualTo(still);
  }

  @Test
  void aFirmLimitClosesItThoughSeenAndARecordCanBeTakenBack() throws Exception {
    seen("CHAIR", day().toString(), "");
    assertThat(open()).isTrue();
    Answer firm =
        post(
            "/clients/" + client + "/limits",
            "{\"axisId\":\"joint.hip-flexion.any\",\"side\":\"RIGHT\",\"cap\":90,\"strength\":\"FIRM\",\"source\":\"surgeon\",\"from\":\"%s\"}"
                .formatted(day()));
    assertThat(firm.status()).as(firm.text()).isEqualTo(201);
    JsonNode chair = floor().path("ways").path(1);
    assertThat(chair.path("open").asBoolean()).isFalse();
    assertThat(chair.path("seeingOpens").asBoolean()).isFalse();
    assertThat(chair.path("closedBy").path(0).asString())
        .startsWith("asks for 95° of hip bend on the right; limit 90° (surgeon");
    String id = chair.path("seen").path("id").asString();

    assertThat(call(me, "DELETE", "/clients/" + client + "/floor/seen/" + id, null, null).status())
        .isEqualTo(200);

    assertThat(
            floor().path("ways").path(1).path("seen").isNull()
                || floor().path("ways").path(1).path("seen").isMissingNode())
        .isTrue();
  }

  @Test
  void onceUpStayUpIsAskedForAndReachesTheDesk() throws Exception {
    UUID any = anyClient();
    UUID plan =
        post(
                "/plans",
                plan(
                    "Up",
                    block(
                        "WORK",
                        INTERVALS,
                        slot("s1", "supine-bridge", 0),
                        slot("s2", "squat", 0),
                        slot("s3", "side-lying-lift", 0))))
            .id();
    String wish = "/clients/" + any + "/floor/once-up";
    assertThat(call(me, "PUT", wish, "{}", null).status()).isEqualTo(422);
    assertThat(call(stranger, "PUT", wish, "{\"onceUp\":true}", null).status()).isEqualTo(404);
    String last = "/clients/" + any + "/adapted/" + plan;
    assertThat(get(last).body().path("slots").path(2).path("asAsked").asBoolean()).isTrue();
    assertThat(get(last).body().path("orders").size()).as("and an order is offered").isEqualTo(1);

    assertThat(call(me, "PUT", wish, "{\"onceUp\":true}", null).body().path("onceUp").asBoolean())
        .isTrue();

    assertThat(get(last).body().path("slots").path(2).path("reasons").toString())
        .contains("once up, stay up");
    call(me, "PUT", wish, "{\"onceUp\":false}", null);
    assertThat(get(last).body().path("slots").path(2).path("asAsked").asBoolean()).isTrue();
  }

  @Test
  void itReachesTheDeskAndTheDayIsChecked() throws Exception {
    UUID plan =
        post("/plans", plan("Floor", block("WORK", INTERVALS, slot("s1", "supine-bridge", 0))))
            .id();
    String desk = "/clients/" + client + "/adapted/" + plan;
    JsonNode closed = get(desk).body().path("slots").path(0);
    assertThat(closed.path("asAsked").asBoolean()).isFalse();
    seen("CHAIR", day().toString(), "");
    assertThat(get(desk).body().path("slots").path(0).path("asAsked").asBoolean()).isTrue();

    assertThat(seen("CHAIR", day().plusDays(1).toString(), "").status()).isEqualTo(422);
    assertThat(seen("CHAIR", day().minusMonths(7).toString(), "").status()).isEqualTo(422);
    assertThat(seen("STAIRS", day().toString(), "").status()).isBetween(400, 422);
    assertThat(seen("CHAIR", day().toString(), "x".repeat(201)).status()).isEqualTo(422);
  }
}
