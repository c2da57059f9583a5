package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import riposo.server.adapt.WeightSource;
import riposo.server.platform.StudioContext;
import tools.jackson.databind.JsonNode;

/** A weight set by hand over the API, and the last weight as the runs tell it. */
class WeightTest extends ApiDesk {
  @Autowired WeightSource weights;

  private UUID client;
  private UUID plan;

  private String path() {
    return "/clients/" + client + "/adapted/" + plan;
  }

  private void set() throws Exception {
    client = screened();
    plan =
        post(
                "/plans",
                plan("P", block("WORK", INTERVALS, slot("s1", "curl", 0), slot("s2", "squat", 0))))
            .id();
  }

  private LocalDate day() {
    return StudioContext.within(me.studioId(), "tester", studios::today);
  }

  private Answer weigh(String body) throws Exception {
    return call(me, "PUT", path() + "/slots/s1/weight", body, null);
  }

  private JsonNode curl(Answer view) {
    return view.body().path("slots").get(0);
  }

  @Test
  void aWeightSetByHandIsOnTheDeskWithItsSentenceUntilItIsTakenBack() throws Exception {
    set();
    assertThat(curl(get(path())).path("weight").path("words").asString())
        .isEqualTo("1 kg: lightest in kit, to be found.");
    assertThat(get(path()).body().path("slots").get(1).has("weight")).isFalse();
    Answer set = weigh("{\"grams\":2000,\"today\":false}");
    assertThat(set.status()).as(set.text()).isEqualTo(200);
    assertThat(curl(set).path("weight").path("set").asBoolean()).isTrue();
    assertThat(curl(set).path("parts").get(0).path("doseText").asString())
        .contains("2 kg in each hand");
    assertThat(curl(get(path())).path("weight").path("words").asString())
        .startsWith("2 kg: set by hand on");
    assertThat(get("/clients/" + client + "/export").body().path("parts").path("weights"))
        .hasSize(1);
    Answer back = call(me, "DELETE", path() + "/slots/s1/weight", null, null);
    assertThat(curl(back).path("weight").path("grams").asInt()).isEqualTo(1000);
  }

  @ParameterizedTest(name = "{0}: {1} {2}")
  @CsvSource(
      delimiter = '|',
      value = {
        "{\"grams\":2000,\"today\":true} | /grams | 2 kg is over what this client’s limits leave here: 1.5 kg at most",
        "{\"grams\":2500,\"today\":true} | /grams | 2.5 kg is not in this kit, or there are too few of them. There are 1 kg, 2 kg.",
        "{\"grams\":0,\"today\":true} | /grams | A weight is 0.1 to 100 kg.",
        "{\"grams\":1000000,\"today\":true} | /grams | A weight is 0.1 to 100 kg.",
        "{\"today\":true} | /grams | Say how heavy.",
      })
  void aWeightThatCannotBeIsNamedAtItsField(String body, String pointer, String words)
      throws Exception {
    set();
    Answer l =
        post(
            "/clients/" + client + "/limits",
            """
            {"axisId":"load.hand","side":"BOTH","cap":1500,"strength":"FIRM","source":"letter","from":"%s"}"""
                .formatted(day()));
    assertThat(l.status()).as(l.text()).isEqualTo(201);
    Answer no = weigh(body);
    assertThat(no.status()).as(no.text()).isIn(400, 422);
    assertThat(no.pointers()).containsExactly(pointer);
    assertThat(no.text()).contains(words);
    assertThat(curl(get(path())).path("weight").path("grams").asInt()).isEqualTo(1000);
  }

  @Test
  void whatTakesNoWeightOrIsNotThereIsSaid() throws Exception {
    set();
    Answer squat =
        call(me, "PUT", path() + "/slots/s2/weight", "{\"grams\":1000,\"today\":true}", null);
    assertThat(squat.text()).contains("What is done here takes no weight");
    Answer none =
        call(me, "PUT", path() + "/slots/zz/weight", "{\"grams\":1000,\"today\":true}", null);
    assertThat(none.status()).isEqualTo(404);
    Answer foreign =
        call(stranger, "PUT", path() + "/slots/s1/weight", "{\"grams\":1000,\"today\":true}", null);
    assertThat(foreign.status()).isEqualTo(404);
  }

  @Test
  void theNewestSetOfAMovementIsItsLastWeight() throws Exception {
    set();
    UUID run = start(client, plan, "").id();
    long now = clock.millis();
    String entry =
        event(
            "ENTRY",
            now + 1,
            1,
            ",\"entry\":{\"slotKey\":\"s1\",\"round\":1,\"side\":\"BOTH\",\"reps\":8,\"grams\":2000}");
    Answer kept =
        post(
            "/runs/" + run + "/events",
            "{\"events\":[" + event("START", now, 0, "") + "," + entry + "]}");
    assertThat(kept.status()).as(kept.text()).isEqualTo(200);
    assertThat(StudioContext.within(me.studioId(), "tester", () -> weights.lastWeights(client)))
        .extracting(l -> l.movementId() + " " + l.grams() + " " + l.carry() + " " + l.on())
        .containsExactly("curl 2000 EACH_HAND " + day());
    assertThat(curl(get(path())).path("weight").path("words").asString())
        .startsWith("2 kg: the last weight,");
  }
}
