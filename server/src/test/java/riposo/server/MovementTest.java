package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import riposo.server.platform.Professional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Own movements, comparisons, the rule book and figures over the API, on a real MariaDB. */
class MovementTest extends ApiDesk {
  /** A copy of a shipped movement's document under another id, made gentler. */
  private ObjectNode copy(String of, String id) throws Exception {
    ObjectNode d =
        (ObjectNode)
            json.readTree(get("/movements/" + of + "/document").body().path("document").asString());
    d.put("id", id);
    d.put("name", "Own " + id);
    return d;
  }

  private String form(ObjectNode document) {
    return json.writeValueAsString(Map.of("document", document.toString()));
  }

  private MockHttpServletResponse send(Professional who, String text) throws Exception {
    return mvc.perform(
            request(HttpMethod.POST, "/api/movements/import?file=own.json")
                .with(csrf())
                .with(authentication(new UsernamePasswordAuthenticationToken(who, null, List.of())))
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .content(text.getBytes(StandardCharsets.UTF_8)))
        .andReturn()
        .getResponse();
  }

  /** 339 bytes that stand for more than any memory holds. */
  @Test
  void aFileOfAliasesIsRefusedWithItsLineBeforeAnythingIsMadeOfIt() throws Exception {
    StringBuilder laughs = new StringBuilder("a: &a [x,x,x,x,x,x,x,x,x]\n");
    for (char c = 'b'; c <= 'i'; c++) {
      String before = "*" + (char) (c - 1);
      laughs
          .append(c)
          .append(": &")
          .append(c)
          .append(" [")
          .append(String.join(",", java.util.Collections.nCopies(9, before)))
          .append("]\n");
    }
    for (String text : List.of(laughs.toString(), "[".repeat(2_000) + "]".repeat(2_000))) {
      MockHttpServletResponse answer = send(me, text);
      assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(422);
      assertThat(answer.getContentAsString(StandardCharsets.UTF_8))
          .containsAnyOf("Anchors and aliases (& and *) are not read", "more than 32 deep");
    }
  }

  private JsonNode slot(String client, UUID plan, String key) throws Exception {
    return get(client + "/adapted/" + plan)
        .body()
        .path("slots")
        .valueStream()
        .filter(s -> s.path("key").asString().equals(key))
        .findFirst()
        .orElseThrow();
  }

  private UUID limit(UUID client, String axis, String side, int cap, String strength, String until)
      throws Exception {
    Answer a =
        post(
            "/clients/" + client + "/limits",
            "{\"axisId\":\"%s\",\"side\":\"%s\",\"cap\":%d,\"strength\":\"%s\",\"source\":\"physio letter\",\"from\":\"%s\"%s}"
                .formatted(
                    axis,
                    side,
                    cap,
                    strength,
                    studios().toString(),
                    until == null ? "" : ",\"until\":\"" + until + "\""));
    assertThat(a.status()).as(a.text()).isEqualTo(201);
    return a.id();
  }

  private java.time.LocalDate studios() {
    return java.time.LocalDate.ofInstant(clock.instant(), java.time.ZoneId.of("Europe/Oslo"));
  }

  /** What the professional steps up to from a squat, decided by hand after one session. */
  private String stepUpFromSquat() throws Exception {
    UUID client = screened();
    UUID plan = post("/plans", PLAN).id();
    UUID run = start(client, plan, "").id();
    long t = clock.millis();
    String entry =
        ",\"entry\":{\"slotKey\":\"s1\",\"round\":1,\"side\":\"BOTH\",\"effort\":4,\"pain\":0,\"reps\":10}";
    post(
        "/runs/" + run + "/events",
        "{\"events\":["
            + String.join(
                ",",
                event("START", t, 0, ""),
                event("ENTRY", t + 1, 1, entry),
                event("FINISH", t + 2, 2, ""))
            + "]}");
    post("/runs/" + run + "/after", "{\"effort\":4,\"feel\":\"GOOD\"}");
    JsonNode verdict =
        get("/clients/" + client + "/tolerance").body().path("families").get(0).path("verdict");
    assertThat(verdict.path("status").asString())
        .as("a stay asks for nothing")
        .isEqualTo("SETTLED");
    Answer up =
        call(
            me,
            "POST",
            "/verdicts/" + verdict.path("id").asString() + "/decision",
            "{\"verdict\":\"STEP_UP\",\"reason\":\"easy for weeks\"}",
            verdict.path("version").asLong());
    assertThat(up.status()).as(up.text()).isEqualTo(200);
    return slot("/clients/" + client, plan, "s1").path("reasons").toString();
  }

  @Test
  void aRetiredMovementIsNeverTheNextStep() throws Exception {
    ObjectNode own = copy("narrow-squat", "harbour-squat");
    own.put("after", "squat");
    Answer made = post("/movements", form(own));
    assertThat(made.status()).as(made.text()).isEqualTo(201);
    assertThat(stepUpFromSquat()).contains("Own harbour-squat");
    Answer retired = call(me, "DELETE", "/movements/harbour-squat", null, null);
    assertThat(retired.status()).as(retired.text()).isLessThan(300);
    assertThat(stepUpFromSquat()).contains("step up").doesNotContain("harbour-squat");
  }

  @Test
  void anOwnMovementIsAddedChosenChangedAndRetiredAndIsNobodyElses() throws Exception {
    UUID client = screened();
    UUID plan = post("/plans", PLAN).id();
    String c = "/clients/" + client;
    limit(client, "surface.standing", "BOTH", 0, "ADVISED", null);
    assertThat(slot(c, plan, "s4").path("title").asString()).isNotEqualTo("Own near-press");
    // a press of our own, seated, a little under the standing one: nearer than any other seated one
    ObjectNode own = copy("seated-press", "near-press");
    own.put("difficulty", 39);
    ObjectNode muscles = (ObjectNode) own.get("muscles");
    muscles.putArray("primary").add("shoulders").add("triceps");
    Answer made = post("/movements", form(own));
    assertThat(made.status()).as(made.text()).isEqualTo(201);
    assertThat(slot(c, plan, "s4").path("title").asString()).isEqualTo("Own near-press");
    Answer found = get("/movements/near-press");
    assertThat(found.body().path("movement").path("own").asBoolean()).isTrue();
    // nobody else's
    assertThat(call(stranger, "GET", "/movements/near-press", null, null).status()).isEqualTo(404);
    assertThat(call(stranger, "GET", "/movements", null, null).text()).doesNotContain("near-press");
    assertThat(call(stranger, "PUT", "/movements/near-press", form(own), 0).status())
        .isEqualTo(404);
    // changed by two
    own.put("name", "Our press");
    Answer changed =
        call(me, "PUT", "/movements/near-press", form(own), made.body().path("version").asLong());
    assertThat(changed.status()).as(changed.text()).isEqualTo(200);
    assertThat(slot(c, plan, "s4").path("title").asString()).isEqualTo("Our press");
    assertThat(
            call(
                    me,
                    "PUT",
                    "/movements/near-press",
                    form(own),
                    made.body().path("version").asLong())
                .status())
        .isEqualTo(409);
    assertThat(call(me, "PUT", "/movements/squat", form(own), 0).text())
        .contains("shipped-movement");
    // retired: offered no more, still known
    assertThat(call(me, "DELETE", "/movements/near-press", null, null).status()).isEqualTo(200);
    assertThat(slot(c, plan, "s4").path("title").asString()).isNotEqualTo("Our press");
    assertThat(get("/movements/near-press").body().path("movement").path("retired").asBoolean())
        .isTrue();
    assertThat(post("/movements/near-press/restore", "{}").status()).isEqualTo(200);
    assertThat(slot(c, plan, "s4").path("title").asString()).isEqualTo("Our press");
  }

  @Test
  void anImportIsAllOrNothingAndNamesLineAndField() throws Exception {
    String good = copy("seated-curl", "good-curl").toString();
    ObjectNode bad = copy("seated-curl", "bad-curl");
    ((ObjectNode) bad.get("demands")).put("impact", 2);
    String both =
        "{\"format\":\"riposo-movements/1\",\"movements\":[\n" + good + ",\n" + bad + "\n]}";
    MockHttpServletResponse refused = send(me, both);
    assertThat(refused.getStatus()).isEqualTo(422);
    assertThat(refused.getContentAsString(StandardCharsets.UTF_8))
        .contains("own.json line 3 /movements/1/demands/impact: impact while chair");
    assertThat(get("/movements").text()).doesNotContain("good-curl");
    for (String broken : List.of("", "{", "[]", "format: riposo-movements/1", "\u0000\u0001")) {
      assertThat(send(me, broken).getStatus()).as(broken).isEqualTo(422);
    }
    MockHttpServletResponse added =
        send(me, "{\"format\":\"riposo-movements/1\",\"movements\":[\n" + good + "\n]}");
    assertThat(added.getStatus()).isEqualTo(200);
    String out = get("/movements/export").text();
    assertThat(out).contains("good-curl");
    assertThat(send(stranger, out).getStatus()).as("read back elsewhere").isEqualTo(200);
    assertThat(call(stranger, "GET", "/movements/export", null, null).text()).isEqualTo(out);
    assertThat(send(me, out).getContentAsString(StandardCharsets.UTF_8))
        .contains("is used already");
    assertThat(get("/movements/schema").text()).contains("riposo-movements/1");
    assertThat(send(stranger, get("/movements/export?all=true").text()).getStatus())
        .as("larger than 256 kB")
        .isEqualTo(413);
    assertThat(
            send(
                    me,
                    "{\"format\":\"riposo-movements/1\",\"movements\":["
                        + copy("seated-curl", "seated-curl")
                        + "]}")
                .getContentAsString(StandardCharsets.UTF_8))
        .as("shipped ids are taken")
        .contains("is used already");
  }

  @Test
  void whoMayDoAMovementIsReckonedWhileItIsWritten() throws Exception {
    UUID free = screened();
    UUID bound = screened();
    limit(bound, "grip", "BOTH", 0, "FIRM", null);
    ObjectNode d = copy("seated-curl", "draft-curl");
    d.putArray("modifiers").add("slower");
    d.remove("range");
    Answer who = post("/movements/who", form(d));
    assertThat(who.body().path("asItIs").asInt()).isEqualTo(1);
    assertThat(who.body().path("closed").asInt()).isEqualTo(1);
    assertThat(who.text()).contains("asks for 1 of grip; limit 0 (physio letter");
    d.putArray("modifiers").add("no-weight");
    assertThat(post("/movements/who", form(d)).body().path("withChange").asInt()).isEqualTo(1);
    // claims less than sitting asks for: a warning, and still reckoned
    ((ObjectNode) d.get("demands")).putArray("joints").add("elbow-flexion 145 added");
    Answer less = post("/movements/who", form(d));
    assertThat(less.text()).contains("the posture implies 80° or more");
    assertThat(less.body().path("people")).hasSize(2);
    ((ObjectNode) d.get("demands")).put("grip", 0);
    Answer wrong = post("/movements/who", form(d));
    assertThat(wrong.body().path("problems").get(0).path("pointer").asString())
        .isEqualTo("/demands/grip");
    assertThat(post("/movements/who", "{\"document\":\"nonsense\"}").body().path("problems"))
        .hasSize(1);
    assertThat(
            call(stranger, "POST", "/movements/who", form(copy("curl", "x-curl")), null)
                .body()
                .path("people"))
        .isEmpty();
    assertThat(get("/movements/squat/who").body().path("people").toString())
        .contains(free.toString());
  }

  @Test
  void theDeskSaysWhatChangedSinceItWasSeenAndWhatALimitLiftedWouldChange() throws Exception {
    UUID client = screened();
    UUID plan = post("/plans", PLAN).id();
    String desk = "/clients/" + client + "/adapted/" + plan;
    UUID arm =
        limit(
            client,
            "joint.shoulder-elevation.any",
            "BOTH",
            80,
            "ADVISED",
            studios().plusDays(1).toString());
    UUID knee = limit(client, "joint.knee-flexion.any", "BOTH", 60, "FIRM", null);
    assertThat(post(desk + "/seen", "{}").text()).doesNotContain("Since");
    Answer lifted = get(desk + "/compare/what-if?lift=" + arm);
    assertThat(lifted.body().path("words").asString()).startsWith("1 slot opened");
    assertThat(lifted.body().path("caution").asString()).contains("thought only");
    assertThat(get(desk + "/compare/what-if?lift=" + knee).body().path("caution").asString())
        .contains("recorded clearance");
    assertThat(get(desk + "/compare/what-if?lift=" + UUID.randomUUID()).status()).isEqualTo(404);
    // the advised limit ends at midnight of its last day
    Answer dates = get(desk + "/compare?from=" + studios() + "&to=" + studios().plusDays(2));
    assertThat(dates.body().path("changes").get(0).path("kind").asString()).isEqualTo("OPENED");
    assertThat(dates.body().path("causes").toString())
        .contains("No longer holds: arm raised ≤ 80°");
    JsonNode week = get(desk + "/week").body();
    assertThat(week).hasSize(7);
    assertThat(week.get(1).path("sinceDayBefore").path("changes")).isEmpty();
    assertThat(week.get(2).path("sinceDayBefore").path("changes")).hasSize(1);
    clock.shift(Duration.ofDays(2));
    Answer since = post(desk + "/seen", "{}");
    assertThat(since.body().path("since").path("words").asString()).contains("1 slot opened");
    // kit and today's check count too
    UUID other = screened();
    Answer people = get(desk + "/compare/client?other=" + other);
    assertThat(people.body().path("causes").toString()).contains("No longer holds: knee bend");
    assertThat(get(desk + "/compare/today").status()).isEqualTo(409);
    assertThat(
            post(
                    "/clients/" + client + "/today-checks",
                    check("").replace("\"sleep\":7", "\"sleep\":3"))
                .status())
        .isEqualTo(201);
    assertThat(get(desk + "/compare/today").body().path("causes").toString())
        .contains("Today’s check cuts the dose.");
    assertThat(call(stranger, "GET", desk + "/week", null, null).status()).isEqualTo(404);
    assertThat(call(stranger, "POST", desk + "/seen", "{}", null).status()).isEqualTo(404);
    assertThat(get(desk + "/compare/client?other=" + UUID.randomUUID()).status()).isEqualTo(404);
    assertThat(get(desk + "/compare?from=1990-01-01&to=2026-01-01").status()).isEqualTo(422);
  }

  @Test
  void aPinSurvivesUntilALimitForbidsItThenIsLetGoAndSaidSo() throws Exception {
    UUID client = screened();
    UUID plan = post("/plans", PLAN).id();
    String desk = "/clients/" + client + "/adapted/" + plan;
    Answer pinned =
        call(me, "PUT", desk + "/slots/s4/choice", "{\"movementId\":\"one-arm-press\"}", null);
    assertThat(pinned.status()).as(pinned.text()).isEqualTo(200);
    clock.shift(Duration.ofDays(3));
    assertThat(slot("/clients/" + client, plan, "s4").path("pinned").asBoolean()).isTrue();
    limit(client, "load.overhead", "BOTH", 0, "FIRM", null);
    JsonNode let = slot("/clients/" + client, plan, "s4");
    assertThat(let.path("pinned").asBoolean()).isFalse();
    assertThat(let.path("released").asBoolean()).isTrue();
    assertThat(let.path("reasons").toString()).contains("Your own choice was let go");
    assertThat(let.path("closers").get(0).path("firm").asBoolean()).isTrue();
    assertThat(
            call(
                    me,
                    "PUT",
                    desk + "/slots/s4/choice",
                    "{\"movementId\":\"one-arm-press\",\"modifiers\":[]}",
                    null)
                .text())
        .contains("firm-limit");
  }

  @Test
  void rulesAndFiguresCanBeRead() throws Exception {
    JsonNode rules = get("/rules").body();
    assertThat(rules.size()).isGreaterThan(250);
    assertThat(call(null, "GET", "/rules", null, null).status()).isEqualTo(401);
    Answer figure = get("/movements/squat/figure.svg?range=60&modifiers=RANGE");
    assertThat(figure.status()).as(figure.text()).isEqualTo(200);
    assertThat(figure.text())
        .contains("<title>Squat, start and end, 60 % of the range")
        .contains("dasharray");
    assertThat(get("/movements/squat/figure.svg?range=20&modifiers=RANGE").status()).isEqualTo(422);
    assertThat(get("/movements/squat/figure.svg?range=60").status()).isEqualTo(422);
    assertThat(get("/movements/nothing/figure.svg").status()).isEqualTo(404);
    assertThat(get("/movements/families/push").body().path("rungs").size()).isGreaterThan(15);
  }
}
