package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.http.HttpMethod;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import tools.jackson.databind.JsonNode;

/** The API on a real MariaDB: the path, wrong input, stale edits and a stranger's hands. */
class ApiTest extends ApiDesk {
  @ParameterizedTest(name = "{0} {1} wrong at {3}")
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      textBlock =
          """
          /clients | {"name":"","birthDate":"1960-01-01","mobility":"USUAL","school":"PAIN_FREE","usualPain":0,"goalEffort":6,"kit":[],"weights":[]} | 422 | /name
          /clients | {"name":"A","birthDate":"2999-01-01","mobility":"USUAL","school":"PAIN_FREE","usualPain":0,"goalEffort":6,"kit":[],"weights":[]} | 422 | /birthDate
          /clients | {"name":"A","birthDate":"nonsense","mobility":"USUAL","school":"PAIN_FREE","usualPain":0,"goalEffort":6,"kit":[],"weights":[]} | 422 | /birthDate
          /clients | {"name":"A","birthDate":"1960-01-01","mobility":"USUAL","school":"PAIN_FREE","usualPain":11,"goalEffort":6,"kit":[],"weights":[]} | 422 | /usualPain
          /clients | {"name":"A","birthDate":"1960-01-01","mobility":"USUAL","school":"MONITORED","usualPain":0,"goalEffort":6,"kit":[],"weights":[]} | 422 | /schoolBy
          /clients | {"name":"A","birthDate":"1960-01-01","mobility":"USUAL","school":"PAIN_FREE","usualPain":0,"goalEffort":6,"kit":[],"weights":[{"grams":-5,"count":2}]} | 422 | /weights/0
          /clients | {"nonsense":1} | 422 | /usualPain
          /clients | [] | 422 |
          /plans | {"name":"P","plan":{"blocks":[]}} | 422 | /plan
          /plans | {"name":"","plan":{"blocks":[{"key":"b","block":"WORK","format":{"kind":"INTERVALS","values":{"WORK":40,"REST":20,"ROUNDS":2}},"alternate":false,"talk":0,"setUp":0,"slots":[{"key":"s","movementId":"squat"}]}]}} | 422 | /name
          /plans | {"name":"P","plan":{"blocks":[{"key":"b","block":"WORK","format":{"kind":"INTERVALS","values":{"WORK":40,"REST":20,"ROUNDS":2}},"alternate":false,"talk":0,"setUp":0,"slots":[{"key":"s","movementId":"no-such"}]}]}} | 422 | /plan/blocks/0/slots/0/movementId
          /plans | {"name":"P","plan":{"blocks":[{"key":"b","block":"WORK","format":{"kind":"INTERVALS","values":{"WORK":0,"REST":20,"ROUNDS":2}},"alternate":false,"talk":0,"setUp":0,"slots":[{"key":"s","movementId":"squat"}]}]}} | 422 | /plan/blocks/0/format
          /plans | {"name":"P","plan":{"blocks":[{"key":"b","block":"WORK","format":{"kind":"INTERVALS","values":{"WORK":-5,"REST":20,"ROUNDS":2}},"alternate":false,"talk":0,"setUp":0,"slots":[{"key":"s","movementId":"squat"}]}]}} | 422 | /plan/blocks/0/format
          /plans | {"name":"P","plan":{"blocks":[{"key":"b","block":"WORK","format":{"kind":"INTERVALS","values":{"WORK":40,"REST":20}},"alternate":false,"talk":0,"setUp":0,"slots":[{"key":"s","movementId":"squat"}]}]}} | 422 | /plan/blocks/0/format
          /plans | {"name":"P","plan":{"blocks":[{"key":"b","block":"WORK","format":{"kind":"INTERVALS","values":{"WORK":600,"REST":300,"ROUNDS":13}},"alternate":false,"talk":0,"setUp":0,"slots":[{"key":"s","movementId":"squat"}]}]}} | 422 | /plan/blocks
          /plans | {"name":"P","plan":{"blocks":[{"key":"b","block":"WORK","format":{"kind":"IN_TURN"},"alternate":false,"talk":0,"setUp":0,"slots":[{"key":"s","movementId":"squat","seconds":-1}]}]}} | 422 | /plan/blocks/0/slots/0
          /appointments | {"clientId":null,"planId":null,"date":null,"time":null} | 422 | /clientId
          /runs | {"clientId":"00000000-0000-7000-8000-000000000001","planId":"00000000-0000-7000-8000-000000000001"} | 404 |
          """)
  void wrongInputIsNamedAtItsFieldAndNothingIsSaved(
      String path, String body, int status, String pointer) throws Exception {
    int before = get("/audit").body().path("total").asInt();
    Answer a = post(path, body);
    assertThat(a.status()).as(a.text()).isEqualTo(status);
    assertThat(a.code()).isNotBlank();
    assertThat(a.body().path("detail").asString()).isNotBlank();
    assertThat(a.text()).doesNotContain("Exception", "riposo.server");
    if (pointer != null) {
      assertThat(a.pointers()).as(a.text()).contains(pointer);
    }
    assertThat(get("/audit").body().path("total").asInt()).isEqualTo(before);
  }

  @ParameterizedTest(name = "weeks={0}: {1}")
  @CsvSource({
    "0, “weeks” must be greater than or equal to 1.",
    "521, “weeks” must be less than or equal to 520."
  })
  void aNumberOfTheAddressOutOfItsRangeSaysWhatIsWanted(int weeks, String sentence)
      throws Exception {
    String client = "/clients/00000000-0000-7000-8000-000000000001/tolerance?weeks=" + weeks;
    Answer a = get(client);
    assertThat(a.status()).isEqualTo(400);
    assertThat(a.body().path("detail").asString()).isEqualTo(sentence);
  }

  @Test
  void bodiesOver256KilobytesAndUnknownPathsAreRefusedPlainly() throws Exception {
    Answer big = post("/clients", client("x".repeat(300_000), "1960-01-01"));
    assertThat(List.of(big.status(), big.code())).isEqualTo(List.of(413, "too-large"));
    assertThat(get("/clients/not-a-uuid").status()).isEqualTo(404);
    assertThat(get("/none").status()).isEqualTo(404);
    assertThat(call(null, "GET", "/clients", null, null).code()).isEqualTo("sign-in");
    assertThat(
            mvc.perform(
                    request(HttpMethod.POST, "/api/clients")
                        .with(
                            authentication(
                                new UsernamePasswordAuthenticationToken(me, null, List.of()))))
                .andReturn()
                .getResponse()
                .getStatus())
        .as("no CSRF token")
        .isEqualTo(403);
  }

  @Test
  void aStaleEditGets409WithBothVersionsAndChangesNothing() throws Exception {
    UUID id = anyClient();
    assertThat(call(me, "PUT", "/clients/" + id, client("Ada First", "1960-01-01"), 0).status())
        .isEqualTo(200);
    Answer stale = call(me, "PUT", "/clients/" + id, client("Ada Second", "1960-01-01"), 0);
    assertThat(List.of(stale.status(), stale.code())).isEqualTo(List.of(409, "stale"));
    assertThat(stale.body().path("theirs").path("name").asString()).isEqualTo("Ada First");
    assertThat(stale.body().path("yours").path("name").asString()).isEqualTo("Ada Second");
    assertThat(get("/clients/" + id).body().path("name").asString()).isEqualTo("Ada First");
    assertThat(call(me, "PUT", "/clients/" + id, client("A", "1960-01-01"), null).pointers())
        .contains("/If-Match");
  }

  @Test
  void aFirmLimitIsNeitherLiftedNorLoosenedNorPassed() throws Exception {
    UUID id = screened();
    UUID plan = post("/plans", PLAN).id();
    String limit =
        "{\"axisId\":\"joint.shoulder-elevation.any\",\"side\":\"BOTH\",\"cap\":%d,\"strength\":\"%s\",\"source\":\"letter\",\"from\":\"2026-01-01\"}";
    UUID firm = post("/clients/" + id + "/limits", limit.formatted(80, "FIRM")).id();
    assertThat(
            call(me, "POST", "/limits/" + firm + "/lift", "{\"reason\":\"feels fine\"}", 0).code())
        .isEqualTo("firm-limit");
    assertThat(call(me, "PUT", "/limits/" + firm, limit.formatted(120, "FIRM"), 0).code())
        .isEqualTo("firm-limit");
    assertThat(call(me, "PUT", "/limits/" + firm, limit.formatted(70, "ADVISED"), 0).code())
        .isEqualTo("firm-limit");
    String choice = "/clients/" + id + "/adapted/" + plan + "/slots/s4/choice";
    Answer refused =
        call(
            me,
            "PUT",
            choice,
            "{\"movementId\":\"overhead-press\",\"reason\":\"she wants it\"}",
            null);
    assertThat(List.of(refused.status(), refused.code())).isEqualTo(List.of(409, "firm-limit"));
    assertThat(refused.body().path("reasons").get(0).asString())
        .contains("170°", "limit 80°", "letter", "firm");
    assertThat(call(me, "PUT", "/limits/" + firm, limit.formatted(60, "FIRM"), 0).status())
        .isEqualTo(200);
  }

  @Test
  void anAdvisedLimitIsPassedOnlyWithAReasonAndANewLimitReleasesTheChoice() throws Exception {
    UUID id = screened();
    UUID plan = post("/plans", PLAN).id();
    String limit =
        "{\"axisId\":\"joint.shoulder-elevation.any\",\"side\":\"BOTH\",\"cap\":%d,\"strength\":\"ADVISED\",\"source\":\"ours\",\"from\":\"2026-01-01\"}";
    post("/clients/" + id + "/limits", limit.formatted(80));
    String choice = "/clients/" + id + "/adapted/" + plan + "/slots/s4/choice";
    assertThat(call(me, "PUT", choice, "{\"movementId\":\"overhead-press\"}", null).code())
        .isEqualTo("reason-wanted");
    Answer passed =
        call(
            me,
            "PUT",
            choice,
            "{\"movementId\":\"overhead-press\",\"reason\":\"trial, symptom-free\"}",
            null);
    assertThat(passed.status()).as(passed.text()).isEqualTo(200);
    JsonNode slot = slot(passed.body(), "s4");
    assertThat(slot.path("pinned").asBoolean()).isTrue();
    assertThat(slot.path("title").asString()).startsWith("Overhead press");
    post("/clients/" + id + "/limits", limit.formatted(70));
    JsonNode after = slot(get("/clients/" + id + "/adapted/" + plan).body(), "s4");
    assertThat(after.path("released").asBoolean())
        .as("a new limit was not part of the reason")
        .isTrue();
    assertThat(after.path("title").asString()).doesNotStartWith("Overhead press");
  }

  private static JsonNode slot(JsonNode adapted, String key) {
    return adapted
        .path("slots")
        .valueStream()
        .filter(s -> s.path("key").asString().equals(key))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void startingAsksForWhatTheConditionsRequire() throws Exception {
    Duration noon = to(12);
    clock.shift(noon);
    UUID plan = post("/plans", PLAN).id();
    assertThat(start(anyClient(), plan, "").code()).isEqualTo("not-screened");
    UUID heart = screened("heart.ever", "yes", "aneurysm", "yes");
    String vitals = ",\"systolic\":130,\"diastolic\":80,\"pulse\":64";
    assertThat(start(heart, plan, vitals, "he insists").code()).isEqualTo("clearance-only");
    UUID pressure = screened("pressure.high", "yes", "pressure.uncontrolled", "no");
    Answer without = start(pressure, plan, "");
    assertThat(without.code()).isEqualTo("reading-wanted");
    assertThat(without.text()).contains("blood pressure, mmHg");
    assertThat(start(pressure, plan, ",\"systolic\":180,\"diastolic\":90").code())
        .isEqualTo("not-today");
    assertThat(start(pressure, plan, ",\"systolic\":90,\"diastolic\":120").pointers())
        .contains("/systolic");
    assertThat(start(pressure, plan, ",\"systolic\":130").pointers()).contains("/diastolic");
    String fine = ",\"systolic\":130,\"diastolic\":80";
    assertThat(start(pressure, plan, fine).code())
        .as("a repeat counts after five minutes seated")
        .isEqualTo("not-today");
    clock.shift(noon.plusMinutes(6));
    assertThat(start(pressure, plan, fine).status()).isEqualTo(201);
    clock.shift(noon);
    UUID ask = screened("operation.recent", "yes");
    assertThat(start(ask, plan, "").code()).isEqualTo("reason-wanted");
    assertThat(start(ask, plan, "", "surgeon said yes by phone").status()).isEqualTo(201);
    UUID tired = screened("energy.any", "yes", "fatigue.after", "yes");
    Answer tooLong = start(tired, plan, "");
    assertThat(tooLong.code()).isEqualTo("reason-wanted");
    assertThat(tooLong.text()).contains("15 min");
  }

  @Test
  void theNewestCheckOfTodayIsTheOneThatCountsAndUrgentEndsTheDay() throws Exception {
    Duration noon = to(12);
    clock.shift(noon);
    UUID plan = post("/plans", PLAN).id();
    UUID id = screened("pressure.high", "yes", "pressure.uncontrolled", "no");
    String checks = "/clients/" + id + "/today-checks";
    String good = check(",\"systolic\":130,\"diastolic\":80");
    UUID first = post(checks, good).id();
    post(checks, check(",\"systolic\":182,\"diastolic\":80"));
    assertThat(start(id, plan, first, "").code()).as("a worse one since").isEqualTo("newer-check");
    clock.shift(noon.plusMinutes(6));
    UUID again = post(checks, good).id();
    clock.shift(noon.plusMinutes(127));
    assertThat(start(id, plan, again, "").code()).isEqualTo("old-check");
    clock.shift(noon.plusMinutes(12));
    // a caution cuts the plan and caps the effort, and a milder dose wants its reason
    UUID caution = post(checks, check(",\"systolic\":165,\"diastolic\":80")).id();
    Answer eased = start(id, plan, caution, "");
    assertThat(eased.status()).as(eased.text()).isEqualTo(201);
    assertThat(eased.body().path("people").get(0).path("before").path("dose").asString())
        .isEqualTo("EASED");
    assertThat(eased.body().path("people").get(0).path("effortCap").asInt()).isEqualTo(5);
    assertThat(
            eased
                .body()
                .path("timeline")
                .path("segments")
                .valueStream()
                .mapToInt(g -> g.path("round").asInt())
                .max()
                .orElse(0))
        .as("one set less")
        .isEqualTo(1);
    post(
        "/runs/" + eased.id() + "/events",
        "{\"events\":[" + event("FINISH", clock.millis(), 0, "") + "]}");
    String pick = "{\"clientId\":\"%s\",\"planId\":\"%s\",\"checkId\":\"%s\",\"dose\":\"%s\"%s}";
    assertThat(post("/runs", pick.formatted(id, plan, caution, "AS_PLANNED", "")).code())
        .isEqualTo("reason-wanted");
    Answer picked =
        post("/runs", pick.formatted(id, plan, caution, "AS_PLANNED", ",\"reason\":\"as ever\""));
    assertThat(picked.status()).as(picked.text()).isEqualTo(201);
    assertThat(picked.body().path("people").get(0).path("effortCap").asInt())
        .as("the cap stays")
        .isEqualTo(5);
    post(
        checks,
        check(",\"systolic\":190,\"diastolic\":80,\"signs\":[\"CHEST_HEAD_VISION_NERVE\"]")
            .replace("\"signs\":[\"NONE\"],", ""));
    assertThat(start(id, plan, post(checks, good).id(), "better").code())
        .as("it takes a clinician's word")
        .isEqualTo("clearance-only");
    assertThat(get(checks).body().size()).as("every check is kept").isEqualTo(6);
  }

  @Test
  void aSymptomOfTodayIsNotUndoneByASecondCheckOnlyWithdrawnAsAMistake() throws Exception {
    UUID plan = post("/plans", PLAN).id();
    UUID id = screened("pressure.high", "yes", "pressure.uncontrolled", "no");
    String checks = "/clients/" + id + "/today-checks";
    String good = check(",\"systolic\":130,\"diastolic\":80");
    String fever = good.replace("\"signs\":[\"NONE\"]", "\"signs\":[\"FEVER\"]");
    UUID first = post(checks, fever).id();
    Answer second = post(checks, good);
    assertThat(second.body().path("result").path("outcome").asString()).isEqualTo("NOT_TODAY");
    assertThat(second.text()).contains("Earlier today: Fever");
    assertThat(post(checks + "/preview", good).text()).contains("Earlier today: Fever");
    assertThat(start(id, plan, second.id(), "feels fine").code()).isEqualTo("not-today");
    String mistake = checks + "/" + first + "/withdrawal";
    assertThat(post(mistake, "{\"reason\":\" \"}").pointers()).contains("/reason");
    assertThat(post(mistake, "{\"reason\":\"the line above was meant\"}").status()).isEqualTo(200);
    assertThat(post(mistake, "{\"reason\":\"again\"}").code()).isEqualTo("already-withdrawn");
    assertThat(get(checks).text()).as("both are kept").contains("the line above was meant");
    assertThat(start(id, plan, second.id(), "").status()).isEqualTo(201);

    // what is urgent outlives the day, until a word dated after it
    UUID urgent =
        post(checks, good.replace("\"signs\":[\"NONE\"]", "\"signs\":[\"EMERGENCY\"]")).id();
    assertThat(get("/clients/" + id + "/readiness").body().path("outcome").asString())
        .isEqualTo("CLEARANCE_ONLY");
    clock.shift(Duration.ofDays(1));
    assertThat(start(id, plan, ",\"systolic\":130,\"diastolic\":80", "fine again").code())
        .isEqualTo("clearance-only");
    assertThat(post(checks + "/" + urgent + "/withdrawal", "{\"reason\":\"late\"}").code())
        .isEqualTo("too-late");
    String word =
        "{\"role\":\"doctor\",\"name\":\"E. Ek\",\"givenOn\":\"%s\",\"covers\":[\"standing.check-urgent\"]}"
            .formatted(LocalDate.ofInstant(clock.instant(), java.time.ZoneId.of("Europe/Oslo")));
    assertThat(post("/clients/" + id + "/clearances", word).status()).isEqualTo(201);
    assertThat(start(id, plan, ",\"systolic\":130,\"diastolic\":80").status()).isEqualTo(201);
  }

  @Test
  void anEventWithoutARestingPulseAsksForOneBeforeTheFirstRun() throws Exception {
    String today =
        LocalDate.ofInstant(clock.instant(), java.time.ZoneId.of("Europe/Oslo"))
            .minusWeeks(8)
            .toString();
    UUID id =
        screened(
            "heart.ever",
            "yes",
            "heart.event",
            "yes",
            "heart.event.date",
            today,
            "heart.event.cleared",
            "yes");
    String needs = "/clients/" + id + "/today-checks/needs";
    assertThat(get(needs).body().path("restingPulseWanted").asBoolean()).isTrue();
    Answer c =
        post(
            "/clients/" + id + "/today-checks/preview",
            check(",\"systolic\":130,\"diastolic\":80,\"pulse\":70"));
    assertThat(c.body().path("result").path("outcome").asString()).isEqualTo("STILL_OPEN");
    assertThat(c.text()).contains("resting pulse, in the client record");
    Answer record = get("/clients/" + id + "/record");
    assertThat(
            call(
                    me,
                    "PUT",
                    "/clients/" + id + "/record",
                    "{\"olderMaximum\":false,\"restingPulse\":66}",
                    record.body().path("version").asLong(0))
                .status())
        .isEqualTo(200);
    assertThat(get(needs).body().path("restingPulseWanted").asBoolean()).isFalse();
  }

  @ParameterizedTest(name = "{0} {1}: {2}")
  @CsvSource({
    "Ada Test, , 201",
    "' ada   TEST ', , 201",
    "Ada, , 422",
    "Eva Test, , 422",
    "Eva Test, ' ', 422",
    "Eva Test, daughter, 201"
  })
  void anotherNameThanTheClientsSignsOnBehalf(String name, String behalf, int status)
      throws Exception {
    UUID id = anyClient();
    Answer a =
        post(
            "/clients/" + id + "/screenings",
            "{\"signedClient\":\"%s\"%s,\"answers\":%s}"
                .formatted(
                    name, behalf == null ? "" : ",\"onBehalf\":\"" + behalf + "\"", answers()));
    assertThat(a.status()).as(a.text()).isEqualTo(status);
    if (status == 422) {
      assertThat(a.pointers()).containsExactly("/onBehalf");
    } else if (behalf != null) {
      assertThat(a.body().path("signedClient").asString())
          .isEqualTo("Eva Test (daughter), on behalf of Ada Test");
    }
  }

  @Test
  void aClearanceForAnAneurysmStatesSizeAndPressureLimit() throws Exception {
    UUID id = screened("heart.ever", "yes", "aneurysm", "yes");
    String form =
        "{\"role\":\"surgeon\",\"name\":\"A. Holm\",\"givenOn\":\"%s\",\"covers\":[\"standing.event.aneurysm\"]%s}";
    String day =
        LocalDate.ofInstant(clock.instant(), java.time.ZoneId.of("Europe/Oslo")).toString();
    String at = "/clients/" + id + "/clearances";
    assertThat(post(at, form.formatted(day, "")).pointers())
        .containsExactly("/aneurysmMm", "/pressureLimit");
    assertThat(post(at, form.formatted(day, ",\"aneurysmMm\":42")).pointers())
        .contains("/pressureLimit");
    assertThat(post(at, form.formatted(day, ",\"aneurysmMm\":42,\"pressureLimit\":140")).status())
        .isEqualTo(201);
    assertThat(get(at).text()).contains("aneurysm 42 mm, systolic under 140 mmHg");
    UUID plan = post("/plans", PLAN).id();
    assertThat(start(id, plan, ",\"systolic\":140,\"diastolic\":80,\"pulse\":64", "agreed").code())
        .as("at the limit")
        .isEqualTo("not-today");
    assertThat(post(at, form.formatted(day, ",\"aneurysmMm\":42,\"pressureLimit\":160")).status())
        .isEqualTo(201);
    assertThat(get("/clients/" + id).text())
        .as("a later, looser word tightens nothing and loosens nothing")
        .contains("\"value\":140")
        .doesNotContain("\"value\":160");
  }

  @Test
  void whoMayNotTrainGetsNoCardAndWhoMayGetsItWithTheirOwnSigns() throws Exception {
    UUID plan = post("/plans", PLAN).id();
    for (UUID id :
        List.of(
            anyClient(),
            screened("heart.ever", "yes", "aneurysm", "yes"),
            screened("sign.chest", "yes"))) {
      Answer card = get("/clients/" + id + "/adapted/" + plan + "/card.pdf");
      assertThat(card.status()).isEqualTo(409);
      assertThat(card.code()).isEqualTo("no-card");
      assertThat(card.body().path("reasons")).isNotEmpty();
      assertThat(get("/clients/" + id + "/readiness").body().path("closed").path("why").toString())
          .isEqualTo(card.body().path("reasons").toString());
    }
  }

  @Test
  void aLowGlucoseOpensOnlyWithANewReadingAfterFifteenMinutes() throws Exception {
    Duration noon = to(12);
    clock.shift(noon);
    UUID plan = post("/plans", PLAN).id();
    UUID id = screened("sugar.diabetes", "yes", "sugar.low", "yes");
    assertThat(start(id, plan, ",\"glucose\":\"3,8\"").code()).isEqualTo("not-today");
    assertThat(start(id, plan, ",\"glucose\":\"99\",\"glucoseUnit\":\"MGDL\"").code())
        .isEqualTo("wait-after-low");
    clock.shift(noon.plusMinutes(14));
    assertThat(start(id, plan, ",\"glucose\":\"5.6\"").code()).isEqualTo("wait-after-low");
    clock.shift(noon.plusMinutes(16));
    assertThat(start(id, plan, ",\"glucose\":\"5.0\"").code())
        .as("over 5.0, not at it")
        .isEqualTo("wait-after-low");
    assertThat(start(id, plan, ",\"glucose\":\"5.1\"").status()).isEqualTo(201);
    assertThat(start(id, plan, ",\"glucose\":\"nonsense\"").pointers()).contains("/glucose");
    assertThat(start(id, plan, ",\"glucose\":\"99\"").pointers()).contains("/glucose");
  }

  @Test
  void eventsAreKeptOnceInAnyOrderAndAStopClosesTheClient() throws Exception {
    UUID id = screened();
    UUID plan = post("/plans", PLAN).id();
    UUID run = start(id, plan, "").id();
    long now = clock.millis();
    String entry =
        event(
            "ENTRY",
            now + 1,
            1,
            ",\"entry\":{\"slotKey\":\"s1\",\"round\":1,\"side\":\"BOTH\",\"effort\":5,\"pain\":0,\"reps\":10}");
    String start = event("START", now, 0, "");
    for (int i = 0; i < 3; i++) {
      Answer kept = post("/runs/" + run + "/events", "{\"events\":[" + entry + "," + start + "]}");
      assertThat(kept.status()).as(kept.text()).isEqualTo(200);
      assertThat(kept.body().path("state").path("entries").size()).isEqualTo(1);
    }
    assertThat(get("/runs/" + run + "/events").body().size()).isEqualTo(2);
    String bad =
        event("ENTRY", now, 2, ",\"entry\":{\"slotKey\":\"zz\",\"round\":1,\"side\":\"BOTH\"}");
    JsonNode answered =
        post(
                "/runs/" + run + "/events",
                "{\"events\":[" + bad + "," + event("PAUSE", now, 3, "") + "," + start + "]}")
            .body()
            .path("answers");
    assertThat(answered.valueStream().map(a -> a.path("reply").asString()))
        .containsExactly("REFUSED", "KEPT", "KNOWN");
    assertThat(answered.get(0).path("why").asString()).isEqualTo("This run has no such slot.");
    assertThat(get("/runs/" + run + "/events").body().size()).isEqualTo(3);
    assertThat(post("/runs/" + run + "/after", "{\"effort\":5,\"feel\":\"GOOD\"}").code())
        .isEqualTo("not-finished");
    post(
        "/runs/" + run + "/events",
        "{\"events\":["
            + event("STOP", now + 50, 4, ",\"text\":\"Chest pressure or pain\"")
            + "]}");
    assertThat(get("/clients/" + id + "/readiness").body().path("outcome").asString())
        .isEqualTo("CLEARANCE_ONLY");
    assertThat(start(id, plan, "", "better now").code()).isEqualTo("clearance-only");
    JsonNode verdict =
        get("/clients/" + id + "/tolerance").body().path("families").get(0).path("verdict");
    assertThat(verdict.path("verdict").asString()).isEqualTo("STOP_AND_REFER");
    assertThat(
            slot(get("/clients/" + id + "/adapted/" + plan).body(), "s1").path("title").asString())
        .as("a stop holds before it is decided")
        .doesNotContain("quat");
  }

  @Test
  void theCheckInLinkIsForOneClientThreeDaysAndAnHourOfChanges() throws Exception {
    UUID id = screened();
    UUID plan = post("/plans", PLAN).id();
    UUID run = start(id, plan, "").id();
    long now = clock.millis();
    post(
        "/runs/" + run + "/events",
        "{\"events\":["
            + event("START", now, 0, "")
            + ","
            + event("FINISH", now + 5, 1, "")
            + "]}");
    assertThat(post("/runs/" + run + "/after", "{\"effort\":5,\"feel\":\"GOOD\"}").status())
        .isEqualTo(200);
    String link = get("/runs/" + run + "/check-in-links").body().path(0).path("link").asString();
    String path = "/check-in/" + link.substring(link.lastIndexOf('/') + 1);
    String good = "{\"pain\":0,\"compared\":\"SAME\",\"moreTired\":false,\"newSigns\":[]}";
    assertThat(call(null, "GET", path, null, null).code()).isEqualTo("too-early");
    String altered = path.substring(0, path.length() - 1) + (path.endsWith("A") ? "B" : "A");
    assertThat(call(null, "GET", altered, null, null).status()).isEqualTo(404);
    assertThat(call(null, "GET", "/check-in/short", null, null).status()).isEqualTo(404);
    clock.shift(Duration.ofDays(1));
    Answer page = call(null, "GET", path, null, null);
    assertThat(page.status()).as(page.text()).isEqualTo(200);
    assertThat(page.text()).contains("Ada").doesNotContain("Test\",\"birth", id.toString());
    assertThat(call(null, "POST", path, good.replace("0,", "11,"), null).pointers())
        .contains("/pain");
    clock.shift(Duration.ofDays(4));
    assertThat(call(null, "POST", path, good, null).code()).isEqualTo("expired");
    clock.shift(Duration.ofDays(2));
    assertThat(call(null, "POST", path, good.replace("[]", "[null]"), null).status())
        .isIn(400, 422);
    assertThat(call(null, "POST", path, good, null).text()).contains("changeUntil");
    Answer again = call(null, "GET", path, null, null);
    assertThat(again.body().path("answer").path("pain").asInt()).isZero();
    String more = good.replace("}", ",\"soreness\":3,\"words\":\"%s\"}");
    assertThat(call(null, "POST", path, more.formatted("x".repeat(501)), null).pointers())
        .contains("/words");
    assertThat(call(null, "POST", path, more.formatted("stairs"), null).status()).isEqualTo(200);
    clock.shift(Duration.ofDays(2).plusMinutes(61));
    assertThat(call(null, "POST", path, good, null).code()).isEqualTo("answered");
  }

  @Test
  void aStrangersStudioFindsNothingAtAnyAddress() throws Exception {
    UUID id = screened("joint.any", "yes", "shoulder.pain", "yes", "shoulder.side", "left");
    UUID plan = post("/plans", PLAN).id();
    UUID run = start(id, plan, "").id();
    UUID limit =
        UUID.fromString(get("/clients/" + id + "/limits").body().get(0).path("id").asString());
    UUID screening =
        UUID.fromString(get("/clients/" + id + "/screenings").body().get(0).path("id").asString());
    String c = "/clients/" + id;
    String lift = "{\"reason\":\"mine now\"}";
    String[][] tries = {
      {"GET", c},
      {"PUT", c, client("Mine", "1960-01-01")},
      {"GET", c + "/readiness"},
      {"GET", c + "/limits"},
      {"GET", c + "/screenings"},
      {"GET", c + "/clearances"},
      {"GET", c + "/tolerance"},
      {"GET", c + "/runs"},
      {"GET", c + "/adapted/" + plan},
      {"GET", c + "/adapted/" + plan + "/slots/s1/stair"},
      {"PUT", c + "/adapted/" + plan + "/slots/s1/choice", "{\"movementId\":\"squat\"}"},
      {"DELETE", c + "/adapted/" + plan + "/slots/s1/choice"},
      {"POST", c + "/screenings", "{\"signedClient\":\"x\",\"answers\":" + answers() + "}"},
      {
        "POST",
        c + "/clearances",
        "{\"role\":\"doctor\",\"name\":\"x\",\"givenOn\":\"2026-01-01\",\"validUntil\":\"2026-02-01\",\"covers\":[\"a\"]}"
      },
      {
        "POST",
        c + "/limits",
        "{\"axisId\":\"pressure\",\"side\":\"BOTH\",\"cap\":1,\"strength\":\"FIRM\",\"source\":\"x\",\"from\":\"2026-01-01\"}"
      },
      {
        "POST",
        "/screenings/" + screening + "/decisions",
        "{\"key\":\"x\",\"decision\":\"ACCEPTED\"}"
      },
      {"POST", "/limits/" + limit + "/lift", lift},
      {"GET", "/plans/" + plan},
      {"PUT", "/plans/" + plan, PLAN},
      {"GET", "/runs/" + run},
      {"GET", "/runs/" + run + "/events"},
      {
        "POST",
        "/runs/" + run + "/events",
        "{\"events\":[" + event("START", clock.millis(), 0, "") + "]}"
      },
      {"POST", "/runs/" + run + "/stops/" + run + "/withdrawal", lift},
      {"POST", "/runs/" + run + "/after", "{\"effort\":5,\"feel\":\"GOOD\"}"},
      {"POST", "/runs", "{\"clientId\":\"" + id + "\",\"planId\":\"" + plan + "\"}"},
      {
        "POST",
        "/appointments",
        "{\"clientId\":\""
            + id
            + "\",\"planId\":\""
            + plan
            + "\",\"date\":\""
            + LocalDate.now().plusDays(2)
            + "\",\"time\":\"10:00:00\"}"
      },
    };
    for (String[] t : tries) {
      Answer a = call(stranger, t[0], t[1], t.length > 2 ? t[2] : null, 0);
      assertThat(a.status()).as("%s %s: %s", t[0], t[1], a.text()).isEqualTo(404);
    }
    for (String list : List.of("/clients", "/plans")) {
      assertThat(call(stranger, "GET", list, null, null).body().size()).as(list).isZero();
    }
    for (String list : List.of("/audit", "/outbox")) {
      JsonNode page = call(stranger, "GET", list, null, null).body();
      assertThat(page.path("total").asInt(-1)).as(list).isZero();
      assertThat(page.path("lines").size()).as(list).isZero();
    }
    assertThat(call(stranger, "GET", "/day", null, null).body().path("waits").size()).isZero();
  }

  @Test
  void theRecordOfChangesIsReadPageByPageAndEveryEntryOnce() throws Exception {
    for (int i = 0; i < 55; i++) {
      anyClient();
    }
    int total = get("/audit").body().path("total").asInt();
    int pages = get("/audit").body().path("pages").asInt();
    assertThat(pages).isEqualTo((total + 49) / 50).isGreaterThan(1);
    List<String> ids = new ArrayList<>();
    List<String> moments = new ArrayList<>();
    for (int page = 0; page < pages; page++) {
      JsonNode one = get("/audit?page=" + page).body();
      assertThat(one.path("page").asInt()).isEqualTo(page);
      one.path("lines")
          .forEach(
              e -> {
                ids.add(e.path("id").asString());
                moments.add(e.path("at").asString());
              });
    }
    assertThat(ids).hasSize(total).doesNotHaveDuplicates();
    assertThat(moments.stream().map(Instant::parse).toList())
        .isSortedAccordingTo(java.util.Comparator.reverseOrder());
    assertThat(get("/audit?page=" + pages).body().path("lines")).isEmpty();
    assertThat(get("/audit?page=-1").status()).isEqualTo(400);
    assertThat(get("/outbox?page=100001").status()).isEqualTo(400);
  }

  @Test
  void theCommittedOpenApiDocumentIsTrue() throws Exception {
    JsonNode now =
        json.readTree(
            mvc.perform(request(HttpMethod.GET, "/api/openapi"))
                .andReturn()
                .getResponse()
                .getContentAsString());
    ((tools.jackson.databind.node.ObjectNode) now).remove("servers");
    Path file = Path.of("../docs/openapi.json");
    if (Boolean.getBoolean("riposo.openapi.write")) {
      Files.writeString(file, json.writerWithDefaultPrettyPrinter().writeValueAsString(now) + "\n");
    }
    assertThat(now)
        .as("./riposo test -Driposo.openapi.write=true renews it")
        .isEqualTo(json.readTree(file.toFile()));
  }
}
