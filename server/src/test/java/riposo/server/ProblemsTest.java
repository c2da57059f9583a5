package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import riposo.core.limit.Side;
import riposo.core.run.Entry;
import riposo.core.run.RunEvent;
import riposo.core.run.Stamp;
import riposo.server.client.Clients;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.run.Runs;
import tools.jackson.databind.JsonNode;

/** Every refusal has its code, its sentence, and a request that meets it. */
class ProblemsTest extends ApiDesk {
  @Autowired Clients clients;
  @Autowired Runs runs;

  private LocalDate day() {
    return LocalDate.ofInstant(clock.instant(), ZoneId.of("Europe/Oslo"));
  }

  private void refused(Answer a, int status, String code) {
    assertThat(List.of(a.status(), a.code())).as(a.text()).isEqualTo(List.of(status, code));
    assertThat(a.body().path("detail").asString("")).as("a sentence for people").endsWith(".");
  }

  /** A session of one set, finished and with its words; the family's verdict after it. */
  private JsonNode session(UUID client, UUID plan, int pain) throws Exception {
    UUID run = start(client, plan, "").id();
    long t = clock.millis();
    String entry =
        ",\"entry\":{\"slotKey\":\"s1\",\"round\":1,\"side\":\"BOTH\",\"effort\":4,\"pain\":%d,\"reps\":10}"
            .formatted(pain);
    post(
        "/runs/" + run + "/events",
        "{\"events\":["
            + String.join(
                ",",
                event("START", t, 0, ""),
                event("ENTRY", t + 1, 1, entry),
                event("FINISH", t + 2, 2, ""))
            + "]}");
    String words = "{\"effort\":4,\"feel\":\"GOOD\"}";
    assertThat(post("/runs/" + run + "/after", words).status()).isEqualTo(200);
    refused(post("/runs/" + run + "/after", words), 409, "already-closed");
    return verdict(client);
  }

  private JsonNode verdict(UUID client) throws Exception {
    return get("/clients/" + client + "/tolerance").body().path("families").get(0).path("verdict");
  }

  private Answer decide(JsonNode verdict, String wanted) throws Exception {
    return call(
        me,
        "POST",
        "/verdicts/" + verdict.path("id").asString() + "/decision",
        "{\"verdict\":\"" + wanted + "\",\"reason\":\"seen in the room\"}",
        verdict.path("version").asLong());
  }

  private Answer choose(UUID client, UUID plan, String slot, String movement) throws Exception {
    return call(
        me,
        "PUT",
        "/clients/" + client + "/adapted/" + plan + "/slots/" + slot + "/choice",
        "{\"movementId\":\"" + movement + "\",\"reason\":\"asked for\"}",
        null);
  }

  @Test
  void whatIsNoRequestIsToldSo() throws Exception {
    refused(post("/clients", "{\"name\":"), 422, "unreadable");
    Answer empty = post("/rooms", "{\"name\":\"\"}");
    refused(empty, 422, "invalid");
    assertThat(empty.pointers()).contains("/name", "/room");
    refused(get("/clients/" + UUID.randomUUID()), 404, "not-found");
    refused(get("/clients/not-an-id"), 404, "not-found");
    refused(get("/nothing-here"), 404, "not-found");
    refused(call(me, "PATCH", "/clients", "{}", null), 405, "method");
    var request =
        MockMvcRequestBuilders.post("/api/clients")
            .contentType(MediaType.TEXT_PLAIN)
            .content("Ada")
            .with(authentication(new UsernamePasswordAuthenticationToken(me, null, List.of())));
    assertThat(mvc.perform(request).andReturn().getResponse())
        .as("without the token of the page")
        .satisfies(
            r -> {
              assertThat(r.getStatus()).isEqualTo(403);
              assertThat(json.readTree(r.getContentAsString()).path("code").asString())
                  .isEqualTo("forbidden");
            });
    request.with(
        org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors
            .csrf());
    assertThat(mvc.perform(request).andReturn().getResponse())
        .satisfies(
            r -> {
              assertThat(r.getStatus()).isEqualTo(415);
              assertThat(json.readTree(r.getContentAsString()).path("code").asString())
                  .isEqualTo("media-type");
            });
  }

  @Test
  void whatDoesNotOpenTodayIsToldSo() throws Exception {
    UUID plan = post("/plans", PLAN).id();
    UUID ada = screened();
    refused(get("/clients/" + ada + "/adapted/" + plan + "/compare/today"), 409, "no-check-today");
    String unchecked = "{\"clientId\":\"%s\",\"planId\":\"%s\"}".formatted(ada, plan);
    refused(post("/runs", unchecked), 409, "check-wanted");
    Answer ill =
        post("/clients/" + ada + "/today-checks", check("").replace("\"NONE\"", "\"EMERGENCY\""));
    refused(start(ada, plan, ill.id(), "he insists"), 409, "clearance-only");

    UUID bo = anyClient();
    post(
        "/clients/" + bo + "/screenings",
        "{\"signedClient\":\"Ada Test\",\"answers\":"
            + answers("joint.any", "yes", "knee.pain", "yes", "knee.side", "left")
            + "}");
    refused(start(bo, plan, "", "he insists"), 409, "undecided");

    String day =
        plan(
            "Through the day",
            block(
                "WORK",
                "{\"kind\":\"THROUGH_DAY\",\"values\":{\"REPS\":10,\"TIMES\":4}}",
                slot("s1", "squat", 0)));
    Answer untimed = post("/plans", day);
    assertThat(untimed.status()).as(untimed.text()).isEqualTo(201);
    refused(start(screened(), untimed.id(), ""), 409, "no-clock");
  }

  @Test
  void whatHasBeenDoneIsNotDoneTwice() throws Exception {
    UUID ada = screened();
    String limit =
        "{\"axisId\":\"pressure\",\"side\":\"BOTH\",\"cap\":1,\"strength\":\"ADVISED\",\"source\":\"ours\",\"from\":\"2026-01-01\"}";
    UUID set = post("/clients/" + ada + "/limits", limit).id();
    String lift = "{\"reason\":\"healed\"}";
    assertThat(call(me, "POST", "/limits/" + set + "/lift", lift, 0).status()).isEqualTo(200);
    refused(call(me, "POST", "/limits/" + set + "/lift", lift, 1), 409, "already-lifted");

    UUID plan = post("/plans", PLAN).id();
    List<String> members = new ArrayList<>();
    for (int i = 0; i < 32; i++) {
      members.add("\"" + post("/clients", client("Member " + i, "1960-01-01")).id() + "\"");
    }
    UUID group =
        post(
                "/groups",
                "{\"name\":\"Whole\",\"planId\":\"%s\",\"lanes\":3,\"members\":[%s]}"
                    .formatted(plan, String.join(",", members)))
            .id();
    refused(
        post(
            "/groups/" + group + "/meetings/" + day() + "/drop-in",
            "{\"clientId\":\"" + ada + "\"}"),
        409,
        "full");
  }

  /** Four open the same adapted plan for the first time at once: none fails otherwise. */
  @Test
  void whoOpensAPlanInTheSameMomentIsToldToLookAgain() throws Exception {
    UUID ada = screened();
    UUID plan = post("/plans", PLAN).id();
    String path = "/clients/" + ada + "/adapted/" + plan + "/seen";
    ExecutorService four = Executors.newFixedThreadPool(4);
    try {
      List<Callable<Answer>> sent =
          java.util.Collections.nCopies(4, () -> call(me, "POST", path, null, null));
      List<Answer> answers = new ArrayList<>();
      for (Future<Answer> f : four.invokeAll(sent)) {
        answers.add(f.get());
      }
      assertThat(answers).anyMatch(a -> a.status() == 200);
      assertThat(answers)
          .filteredOn(a -> a.status() != 200)
          .allSatisfy(
              a -> {
                assertThat(a.status()).as(a.text()).isEqualTo(409);
                assertThat(a.code()).isIn("seen-twice", "stale");
              });
    } finally {
      four.shutdownNow();
    }
  }

  @Test
  void whatLimitsKitAndVerdictsCloseIsNotChosen() throws Exception {
    UUID plan = post("/plans", PLAN).id();
    UUID ada = screened();
    refused(choose(ada, plan, "s2", "band-pull-apart-nowhere"), 422, "invalid");
    UUID bare =
        post(
                "/clients",
                client("Ada Test", "1960-01-01")
                    .replace(
                        "\"CHAIR\",\"WALL\",\"DUMBBELLS\",\"COUNTER\",\"MAT\",\"BAND\"",
                        "\"CHAIR\",\"WALL\""))
            .id();
    post(
        "/clients/" + bare + "/screenings",
        "{\"signedClient\":\"Ada Test\",\"answers\":" + answers() + "}");
    refused(choose(bare, plan, "s4", "overhead-press"), 409, "missing-kit");

    JsonNode first = session(ada, plan, 0);
    refused(
        call(
            me,
            "POST",
            "/verdicts/" + first.path("id").asString() + "/end",
            "{\"by\":\"physio Ek\",\"on\":\"%s\",\"reason\":\"fine\"}".formatted(day()),
            first.path("version").asLong()),
        409,
        "no-stop");
    assertThat(decide(first, "EASE").status()).isEqualTo(200);
    refused(choose(ada, plan, "s1", "squat"), 409, "eased-family");

    clock.shift(Duration.ofDays(2));
    JsonNode second = session(ada, plan, 0);
    assertThat(second.path("id").asString()).isNotEqualTo(first.path("id").asString());
    Answer late = decide(first, "STAY");
    assertThat(late.code()).as(late.text()).isIn("superseded", "stale");
    JsonNode now = get("/clients/" + ada + "/tolerance/sit-stand").body().path("record").get(1);
    refused(decide(now, "STAY"), 409, "superseded");
    assertThat(decide(second, "STOP_AND_REFER").status()).isEqualTo(200);
    refused(choose(ada, plan, "s1", "squat"), 409, "stopped-family");
    refused(decide(verdict(ada), "STAY"), 409, "stop-stays");
  }

  @Test
  void steppingUpIsRuledOutByTheClientsFlagAndWhileAWordIsWanted() throws Exception {
    UUID plan = post("/plans", PLAN).id();
    UUID ada = screened();
    JsonNode verdict = session(ada, plan, 0);
    in(() -> clients.setNoProgression(ada, true));
    refused(decide(verdict, "STEP_UP"), 409, "no-progression");
    in(() -> clients.setNoProgression(ada, false));
    Answer fell =
        post("/clients/" + ada + "/happened", "{\"kind\":\"FALL\",\"on\":\"%s\"}".formatted(day()));
    assertThat(fell.status()).as(fell.text()).isEqualTo(201);
    refused(decide(verdict(ada), "STEP_UP"), 409, "ask-open");
  }

  private void in(Runnable work) {
    StudioContext.within(
        me.studioId(),
        "A",
        () -> {
          work.run();
          return true;
        });
  }

  @Test
  void anotherModulesEventIsRefusedWithItsReason() throws Exception {
    UUID ada = screened();
    UUID run = start(ada, post("/plans", PLAN).id(), "").id();
    RunEvent nowhere =
        new RunEvent.Logged(
            new Stamp(UUID.randomUUID(), "desk", clock.millis(), 0),
            ada,
            Entry.of("no-such-slot", 1, Side.BOTH));
    Problems refused =
        catchThrowableOfType(Problems.class, () -> in(() -> runs.record(run, List.of(nowhere))));
    assertThat(refused.code()).isEqualTo("event-refused");
    assertThat(refused).hasMessageContaining("slot");
  }

  /** Codes are part of the API: each is met by at least one test that names it. */
  @Test
  void noCodeIsWithoutATestThatNamesIt() throws Exception {
    Set<String> codes = new TreeSet<>();
    for (String shape :
        List.of(
            "(?:refused|gone)\\(\\s*\"([a-z]+(?:-[a-z]+)*)\"",
            "HttpStatus\\.[A-Z_]+,\\s*\"([a-z]+(?:-[a-z]+)*)\"",
            "40[0-9], \"([a-z]+(?:-[a-z]+)*)\"")) {
      codes.addAll(found(shape, sources("src/main/java")));
    }
    for (String gate : List.of("run/StartGate", "today/CheckGate", "tolerance/Overriding")) {
      codes.addAll(
          found(
              "^    [A-Z_]+\\(\\s*\"([a-z]+(?:-[a-z]+)*)\"",
              Files.readString(Path.of("../core/src/main/java/riposo/core/" + gate + ".java"))));
    }
    assertThat(codes).hasSizeGreaterThan(55);
    // as a string, or as the word of a table
    String tests = sources("src/test/java") + sources("../core/src/test/java");
    assertThat(codes)
        .filteredOn(c -> !Pattern.compile("[\" ]" + c + "\"").matcher(tests).find())
        .as("named by no test")
        .isEmpty();
  }

  private static List<String> found(String shape, String text) {
    return Pattern.compile(shape, Pattern.MULTILINE)
        .matcher(text)
        .results()
        .map((MatchResult m) -> m.group(1))
        .toList();
  }

  private static String sources(String root) throws java.io.IOException {
    try (Stream<Path> files = Files.walk(Path.of(root))) {
      return files
          .filter(f -> f.toString().endsWith(".java"))
          .map(
              f -> {
                try {
                  return Files.readString(f);
                } catch (java.io.IOException e) {
                  throw new java.io.UncheckedIOException(e);
                }
              })
          .collect(Collectors.joining("\n"));
    }
  }
}
