package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import riposo.core.screening.Question;
import riposo.core.screening.Screening;
import riposo.server.platform.AsOfClock;
import riposo.server.platform.Professional;
import riposo.server.platform.Studios;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The API on a real MariaDB: the path, wrong input, stale edits and a stranger's hands. */
@SpringBootTest
@AutoConfigureMockMvc
class ApiTest {
  @DynamicPropertySource
  static void database(DynamicPropertyRegistry registry) {
    String base = System.getenv("RIPOSO_TEST_DB_BASE");
    if (base == null) {
      throw new IllegalStateException("run the tests with ./riposo test");
    }
    registry.add("spring.datasource.url", () -> base + "riposo_test");
  }

  /** A response: its status and body. */
  record Answer(int status, JsonNode body, String text) {
    String code() {
      return body.path("code").asString("");
    }

    List<String> pointers() {
      return body.path("errors").valueStream().map(e -> e.path("pointer").asString()).toList();
    }

    UUID id() {
      return UUID.fromString(body.path("id").asString());
    }
  }

  @Autowired MockMvc mvc;
  @Autowired JsonMapper json;
  @Autowired Studios studios;
  @Autowired AsOfClock clock;

  private Professional me;
  private Professional stranger;

  @BeforeEach
  void studio() {
    me =
        new Professional(
            UUID.randomUUID(), studios.create("Test", "Europe/Oslo", "112"), "a@b.example", "A");
    stranger =
        new Professional(
            UUID.randomUUID(), studios.create("Other", "UTC", "112"), "s@b.example", "S");
  }

  @AfterEach
  void today() {
    clock.shift(Duration.ZERO);
  }

  private Answer call(Professional who, String method, String path, String body, Object version)
      throws Exception {
    MockHttpServletRequestBuilder r =
        request(HttpMethod.valueOf(method), "/api" + path)
            .with(csrf())
            .contentType(MediaType.APPLICATION_JSON);
    if (who != null) {
      r.with(authentication(new UsernamePasswordAuthenticationToken(who, null, List.of())));
    }
    if (version != null) {
      r.header("If-Match", "\"" + version + "\"");
    }
    if (body != null) {
      r.content(body);
    }
    MvcResult result = mvc.perform(r).andReturn();
    String text = result.getResponse().getContentAsString(java.nio.charset.StandardCharsets.UTF_8);
    JsonNode node =
        text.startsWith("{") || text.startsWith("[")
            ? json.readTree(text)
            : json.createObjectNode();
    return new Answer(result.getResponse().getStatus(), node, text);
  }

  private Answer get(String path) throws Exception {
    return call(me, "GET", path, null, null);
  }

  private Answer post(String path, String body) throws Exception {
    return call(me, "POST", path, body, null);
  }

  private static String client(String name, String birth) {
    return """
        {"name":"%s","birthDate":"%s","mobility":"USUAL","school":"PAIN_FREE","usualPain":0,"goalEffort":6,
         "kit":["CHAIR","WALL","DUMBBELLS","COUNTER","MAT","BAND"],"weights":[{"grams":1000,"count":2},{"grams":2000,"count":2}]}"""
        .formatted(name, birth);
  }

  private UUID anyClient() throws Exception {
    return post("/clients", client("Ada Test", "1960-01-01")).id();
  }

  private static String answers(String... pairs) {
    var all =
        Screening.questions().stream()
            .filter(q -> q.kind() == Question.Kind.YES_NO && q.showIf() == null)
            .collect(
                Collectors.toMap(Question::id, q -> q.id().equals("active.now") ? "yes" : "no"));
    for (int i = 0; i < pairs.length; i += 2) {
      all.put(pairs[i], pairs[i + 1]);
    }
    return all.entrySet().stream()
        .map(e -> "\"" + e.getKey() + "\":\"" + e.getValue() + "\"")
        .collect(Collectors.joining(",", "{", "}"));
  }

  private static final String PLAN =
      """
      {"name":"Plan","warmUp":[{"key":"w1","movementId":"march","seconds":300}],
       "work":[{"key":"s1","movementId":"squat"},{"key":"s2","movementId":"hinged-row"},{"key":"s3","movementId":"counter-push-up"},
               {"key":"s4","movementId":"overhead-press"},{"key":"s5","movementId":"one-leg-stand"}],
       "workSeconds":40,"restSeconds":20,"rounds":2,"coolDown":[{"key":"c1","movementId":"seated-breathing","seconds":180}]}""";

  private UUID screened(String... pairs) throws Exception {
    UUID id = anyClient();
    Answer s =
        post(
            "/clients/" + id + "/screenings",
            "{\"signedClient\":\"Ada\",\"answers\":" + answers(pairs) + "}");
    assertThat(s.status()).as(s.text()).isEqualTo(201);
    for (JsonNode p : s.body().path("assessment").path("proposals")) {
      Answer d =
          post(
              "/screenings/" + s.id() + "/decisions",
              "{\"key\":\"" + p.path("key").asString() + "\",\"decision\":\"ACCEPTED\"}");
      assertThat(d.status()).as(d.text()).isEqualTo(200);
    }
    return id;
  }

  private Answer start(UUID client, UUID plan, String more) throws Exception {
    return post(
        "/runs",
        "{\"clientId\":\"%s\",\"planId\":\"%s\",\"painBefore\":0,\"unwell\":false%s}"
            .formatted(client, plan, more));
  }

  private String event(String kind, long at, int seq, String more) {
    return "{\"id\":\"%s\",\"at\":%d,\"seq\":%d,\"kind\":\"%s\"%s}"
        .formatted(UUID.randomUUID(), at, seq, kind, more);
  }

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
          /plans | {"name":"P","warmUp":[],"work":[],"workSeconds":40,"restSeconds":20,"rounds":2,"coolDown":[]} | 422 | /work
          /plans | {"name":"P","warmUp":[{"key":"w","movementId":"no-such","seconds":60}],"work":[],"workSeconds":40,"restSeconds":20,"rounds":2,"coolDown":[]} | 422 | /warmUp/0/movementId
          /plans | {"name":"P","warmUp":[],"work":[],"workSeconds":0,"restSeconds":20,"rounds":2,"coolDown":[]} | 422 | /workSeconds
          /appointments | {"clientId":null,"planId":null,"date":null,"time":null} | 422 | /clientId
          /runs | {"clientId":"00000000-0000-7000-8000-000000000001","planId":"00000000-0000-7000-8000-000000000001","painBefore":3,"unwell":false} | 404 |
          """)
  void wrongInputIsNamedAtItsFieldAndNothingIsSaved(
      String path, String body, int status, String pointer) throws Exception {
    int before = get("/audit").body().size();
    Answer a = post(path, body);
    assertThat(a.status()).as(a.text()).isEqualTo(status);
    assertThat(a.code()).isNotBlank();
    assertThat(a.body().path("detail").asString()).isNotBlank();
    assertThat(a.text()).doesNotContain("Exception", "riposo.server");
    if (pointer != null) {
      assertThat(a.pointers()).as(a.text()).contains(pointer);
    }
    assertThat(get("/audit").body().size()).isEqualTo(before);
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
    UUID plan = post("/plans", PLAN).id();
    assertThat(start(anyClient(), plan, "").code()).isEqualTo("not-screened");
    UUID heart = screened("heart.event", "yes");
    assertThat(start(heart, plan, ",\"reason\":\"he insists\"").code()).isEqualTo("clearance-only");
    UUID pressure = screened("pressure.high", "yes", "pressure.uncontrolled", "no");
    assertThat(start(pressure, plan, "").pointers()).contains("/systolic");
    assertThat(start(pressure, plan, ",\"systolic\":180,\"diastolic\":90").code())
        .isEqualTo("not-today");
    assertThat(start(pressure, plan, ",\"systolic\":90,\"diastolic\":120").pointers())
        .contains("/systolic");
    assertThat(start(pressure, plan, ",\"systolic\":130,\"diastolic\":80").status()).isEqualTo(201);
    UUID ask = screened("operation.recent", "yes");
    assertThat(start(ask, plan, "").code()).isEqualTo("reason-wanted");
    assertThat(start(ask, plan, ",\"reason\":\"surgeon said yes by phone\"").status())
        .isEqualTo(201);
    UUID tired = screened("fatigue.after", "yes");
    Answer tooLong = start(tired, plan, "");
    assertThat(tooLong.code()).isEqualTo("reason-wanted");
    assertThat(tooLong.text()).contains("15 min");
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
    assertThat(
            post(
                    "/runs/" + run + "/events",
                    "{\"events\":[" + event("PAUSE", now, 3, "") + "," + bad + "]}")
                .pointers())
        .contains("/events/1/entry/slotKey");
    assertThat(get("/runs/" + run + "/events").body().size()).as("nothing half-saved").isEqualTo(2);
    assertThat(post("/runs/" + run + "/after", "{\"effort\":5,\"feel\":\"GOOD\"}").code())
        .isEqualTo("not-finished");
    post(
        "/runs/" + run + "/events",
        "{\"events\":["
            + event("STOP", now + 50, 4, ",\"text\":\"Chest pressure or pain\"")
            + "]}");
    assertThat(get("/clients/" + id + "/readiness").body().path("outcome").asString())
        .isEqualTo("CLEARANCE_ONLY");
    assertThat(start(id, plan, ",\"reason\":\"better now\"").code()).isEqualTo("clearance-only");
    JsonNode verdict =
        get("/clients/" + id + "/tolerance").body().path("families").get(0).path("verdict");
    assertThat(verdict.path("verdict").asString()).isEqualTo("STOP_AND_REFER");
    assertThat(
            slot(get("/clients/" + id + "/adapted/" + plan).body(), "s1").path("title").asString())
        .as("a stop holds before it is decided")
        .doesNotContain("quat");
  }

  @Test
  void theCheckInLinkIsForOneClientOneAnswerAndThreeDays() throws Exception {
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
    String link = get("/runs/" + run + "/check-in-link").body().path("link").asString();
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
    assertThat(call(null, "POST", path, good, null).status()).isEqualTo(204);
    assertThat(call(null, "POST", path, good, null).code()).isEqualTo("answered");
  }

  @Test
  void aStrangersStudioFindsNothingAtAnyAddress() throws Exception {
    UUID id = screened("shoulder.pain", "yes", "shoulder.side", "left");
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
      {"POST", "/runs/" + run + "/after", "{\"effort\":5,\"feel\":\"GOOD\"}"},
      {
        "POST",
        "/runs",
        "{\"clientId\":\""
            + id
            + "\",\"planId\":\""
            + plan
            + "\",\"painBefore\":0,\"unwell\":false}"
      },
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
    for (String list : List.of("/clients", "/plans", "/audit", "/outbox")) {
      assertThat(call(stranger, "GET", list, null, null).body().size()).as(list).isZero();
    }
    assertThat(call(stranger, "GET", "/day", null, null).body().path("waits").size()).isZero();
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
