package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** A group on one clock: who starts, who comes and goes, what each is told and owns. */
class GroupRunTest extends ApiDesk {
  private static final String ROOM =
      """
      {"name":"Hall","room":{"chairs":[{"name":"chair","seatCm":46,"arms":false,"wheels":false,"solid":true,"ownWheelchair":false,"count":12}],
       "dumbbells":[{"printed":1,"unit":"KG","count":12},{"printed":2,"unit":"KG","count":12}],"standIns":[],"bands":[],"stepCm":[10],"wall":true,"counterCm":90,
       "things":["MAT","PAD"],"machines":[]}}""";

  private final Map<UUID, UUID> checked = new LinkedHashMap<>();
  private UUID plan;
  private UUID group;
  private UUID anna;
  private UUID berit;
  private UUID heart;

  @BeforeEach
  void threeOfThem() throws Exception {
    clock.shift(to(10));
    plan = post("/plans", PLAN).id();
    anna = named("Anna Berg");
    berit = named("Berit Dahl");
    heart = named("Anna Holm");
    limit(heart, "session.work-per-rest", 100);
    limit(heart, "load.hand", 1000);
    group = group(anna, berit, heart);
  }

  private UUID named(String name, String... pairs) throws Exception {
    UUID id = screened(pairs);
    JsonNode c = get("/clients/" + id).body();
    Answer named =
        call(me, "PUT", "/clients/" + id, client(name, "1960-01-01"), c.path("version").asLong());
    assertThat(named.status()).as(named.text()).isEqualTo(200);
    return id;
  }

  private void limit(UUID who, String axis, int cap) throws Exception {
    Answer a =
        post(
            "/clients/" + who + "/limits",
            "{\"axisId\":\"%s\",\"side\":\"BOTH\",\"cap\":%d,\"strength\":\"FIRM\",\"source\":\"clinic\",\"from\":\"2026-01-01\"}"
                .formatted(axis, cap));
    assertThat(a.status()).as(a.text()).isEqualTo(201);
  }

  private UUID group(UUID... members) throws Exception {
    LocalDate day = LocalDate.ofInstant(clock.instant(), ZoneId.of("Europe/Oslo"));
    Answer g =
        post(
            "/groups",
            "{\"name\":\"Steady\",\"planId\":\"%s\",\"roomId\":\"%s\",\"lanes\":3,\"weekday\":%d,\"time\":\"10:10\",\"members\":[%s]}"
                .formatted(
                    plan,
                    post("/rooms", ROOM).id(),
                    day.getDayOfWeek().getValue(),
                    Arrays.stream(members)
                        .map(m -> "\"" + m + "\"")
                        .collect(Collectors.joining(","))));
    assertThat(g.status()).as(g.text()).isEqualTo(201);
    return g.id();
  }

  private String joining(UUID who) throws Exception {
    if (!checked.containsKey(who)) {
      checked.put(who, post("/clients/" + who + "/today-checks", check("")).id());
    }
    return "{\"clientId\":\"%s\",\"checkId\":\"%s\"}".formatted(who, checked.get(who));
  }

  private Answer begin(UUID id, UUID... who) throws Exception {
    List<String> people = new ArrayList<>();
    for (UUID w : who) {
      people.add(joining(w));
    }
    return post(
        "/groups/" + group + "/runs",
        "{\"id\":\"%s\",\"people\":[%s]}".formatted(id, String.join(",", people)));
  }

  private JsonNode shown(UUID run) throws Exception {
    Answer a = get("/runs/" + run);
    assertThat(a.status()).as(a.text()).isEqualTo(200);
    return a.body();
  }

  private static JsonNode person(JsonNode run, UUID who) {
    return run.path("people")
        .valueStream()
        .filter(p -> p.path("clientId").asString().equals(who.toString()))
        .findFirst()
        .orElseThrow();
  }

  private JsonNode send(UUID run, String... events) throws Exception {
    Answer a = post("/runs/" + run + "/events", "{\"events\":[" + String.join(",", events) + "]}");
    assertThat(a.status()).as(a.text()).isEqualTo(200);
    return a.body();
  }

  private static String of(UUID who, String more) {
    return ",\"device\":\"a\",\"person\":\"" + who + "\"" + more;
  }

  private static final String SET =
      ",\"entry\":{\"slotKey\":\"s1\",\"round\":1,\"side\":\"BOTH\",\"effort\":5}";

  @Test
  void everybodyStartsOnOneClockEachInTheirLaneUnderTheirOwnLimits() throws Exception {
    JsonNode before = get("/groups/" + group + "/start").body();
    assertThat(before.path("people")).hasSize(3);
    assertThat(before.path("people").valueStream().map(p -> p.path("called").asString()))
        .as("two of one first name")
        .containsExactly("Anna B.", "Anna H.", "Berit");
    assertThat(before.path("people").get(0).has("checked")).isFalse();
    UUID run = UUID.randomUUID();
    Answer started = begin(run, anna, berit, heart);
    assertThat(started.status()).as(started.text()).isEqualTo(201);
    assertThat(begin(run, anna, berit, heart).body().path("runId").asString())
        .as("the same start sent twice is one run")
        .isEqualTo(run.toString());
    JsonNode r = shown(run);
    assertThat(r.path("group").path("lanes")).hasSize(3);
    assertThat(r.path("people")).hasSize(3);
    JsonNode capped = person(r, heart);
    for (JsonNode s : capped.path("slots")) {
      for (JsonNode p : s.path("parts")) {
        assertThat(p.path("dose").path("grams").asInt(0)).isLessThanOrEqualTo(1000);
      }
    }
    JsonNode work =
        capped
            .path("slots")
            .valueStream()
            .filter(s -> s.path("key").asString().equals("s1"))
            .findFirst()
            .orElseThrow();
    assertThat(work.path("share").path("seconds").asInt())
        .as("rest as long as the work")
        .isEqualTo(work.path("share").path("of").asInt() / 2);
    assertThat(person(r, anna).path("slots").get(1).has("share")).isFalse();
    JsonNode after = get("/groups/" + group + "/start").body();
    assertThat(after.path("openRun").asString()).isEqualTo(run.toString());
    assertThat(after.path("people").get(0).path("inRun").asBoolean()).isTrue();
    assertThat(after.path("people").get(0).path("checked").path("result").path("dose").asString())
        .isEqualTo("AS_PLANNED");
    assertThat(
            post(
                    "/runs",
                    "{\"clientId\":\"%s\",\"planId\":\"%s\",\"checkId\":\"%s\"}"
                        .formatted(anna, plan, checked.get(anna)))
                .code())
        .isEqualTo("run-open");
  }

  @Test
  void whoMayNotStartIsNamedAndNobodyIsStarted() throws Exception {
    post("/clients/" + berit + "/limits", "{}");
    UUID alone = post("/runs", joining(berit).replace("}", ",\"planId\":\"" + plan + "\"}")).id();
    Answer refused = begin(UUID.randomUUID(), anna, berit, heart);
    assertThat(refused.code()).isEqualTo("not-all-may-start");
    assertThat(refused.body().path("people")).hasSize(1);
    assertThat(refused.body().path("people").get(0).path("clientId").asString())
        .isEqualTo(berit.toString());
    assertThat(refused.body().path("people").get(0).path("code").asString()).isEqualTo("run-open");
    assertThat(get("/clients/" + anna + "/runs").body().path("lines")).isEmpty();
    assertThat(begin(UUID.randomUUID(), anna, heart).status()).isEqualTo(201);
    // an unknown check, somebody not here, somebody named twice
    checked.put(anna, UUID.randomUUID());
    assertThat(begin(UUID.randomUUID(), anna).code()).isEqualTo("not-all-may-start");
    assertThat(begin(UUID.randomUUID(), named("Else Where")).status()).isEqualTo(404);
    assertThat(begin(UUID.randomUUID(), anna, anna).status()).isEqualTo(422);
    send(alone, event("FINISH", clock.millis(), 0, ""));
    post("/groups/" + group + "/archive", "{}");
    assertThat(begin(UUID.randomUUID(), berit).code()).isEqualTo("group-archived");
  }

  /** A limit on the session closes the group to one: said with the rest of the refusals. */
  @Test
  void aSessionTooLongForOneIsSaidBeforeAnybodyStarts() throws Exception {
    limit(anna, "session.minutes", 5);
    Answer refused = begin(UUID.randomUUID(), anna, berit);
    assertThat(refused.code()).isEqualTo("not-all-may-start");
    JsonNode one = refused.body().path("people").get(0);
    assertThat(one.path("code").asString()).isEqualTo("firm-limit");
    assertThat(one.path("reasons").get(0).asString()).contains("5 min");
  }

  @Test
  void somebodyComesSomebodyGoesAndOneIsStoppedWhileTheRoomGoesOn() throws Exception {
    UUID run = UUID.randomUUID();
    begin(run, anna, heart);
    long now = clock.millis();
    send(run, event("START", now, 0, ",\"device\":\"a\""));
    Answer came = post("/groups/" + group + "/runs/" + run + "/people", joining(berit));
    assertThat(came.status()).as(came.text()).isEqualTo(201);
    assertThat(post("/groups/" + group + "/runs/" + run + "/people", joining(berit)).code())
        .isEqualTo("in-already");
    JsonNode r = shown(run);
    assertThat(person(r, berit).path("joinedAt").asLong()).isGreaterThanOrEqualTo(now);
    JsonNode lanes = r.path("group").path("lanes");
    for (JsonNode s : person(r, berit).path("slots")) {
      if (s.has("lane")) {
        assertThat(lanes.get(s.path("lane").asInt()).path("shown").findValuesAsString("movementId"))
            .as("who comes follows what is shown")
            .contains(s.path("parts").get(0).path("movementId").asString());
      }
    }
    assertThat(
            get("/runs/" + run + "/events")
                .body()
                .valueStream()
                .map(e -> e.path("kind").asString()))
        .contains("JOIN");
    assertThat(
            send(run, event("JOIN", now + 1, 1, of(anna, "")))
                .path("answers")
                .get(0)
                .path("reply")
                .asString())
        .as("no device takes anybody in")
        .isEqualTo("REFUSED");
    send(
        run,
        event("ENTRY", now + 2, 2, of(berit, SET)),
        event("AWAY", now + 3, 3, of(heart, ",\"why\":\"HAD_TO_GO\"")),
        event("STOP", now + 4, 4, of(anna, ",\"sign\":\"JOINT\"")));
    JsonNode on = shown(run).path("state");
    assertThat(on.path("status").asString()).isEqualTo("RUNNING");
    assertThat(on.path("away").get(0).path("words").asString()).isEqualTo("had to go");
    assertThat(get("/clients/" + anna + "/readiness").body().path("closed").path("bar").asString())
        .as("what follows from a stop is hers alone")
        .isEqualTo("STOPPED_TODAY");
    assertThat(get("/clients/" + berit + "/readiness").body().has("closed")).isFalse();
    send(run, event("FINISH", now + 5, 5, ",\"device\":\"a\""));
    assertThat(
            post("/groups/" + group + "/runs/" + run + "/people", joining(named("Late Comer")))
                .status())
        .isEqualTo(409);
    // the words of each, and a check-in each
    for (UUID who : List.of(anna, berit, heart)) {
      Answer words =
          post(
              "/runs/" + run + "/after",
              "{\"effort\":5,\"feel\":\"GOOD\",\"symptom\":\"WOOZY\",\"clientId\":\"%s\"}"
                  .formatted(who));
      assertThat(words.status()).as(words.text()).isEqualTo(200);
    }
    assertThat(person(shown(run), heart).path("symptom").asString()).isEqualTo("WOOZY");
    JsonNode links = get("/runs/" + run + "/check-in-links").body();
    assertThat(links.findValuesAsString("clientId"))
        .containsExactlyInAnyOrder(anna.toString(), berit.toString(), heart.toString());
    assertThat(links.findValuesAsString("link")).doesNotHaveDuplicates();
  }

  @Test
  void whatIsExportedOfAGroupsRunIsOnesOwn() throws Exception {
    UUID run = UUID.randomUUID();
    begin(run, anna, berit);
    long now = clock.millis();
    send(
        run,
        event("START", now, 0, ",\"device\":\"a\""),
        event("ENTRY", now + 1, 1, of(anna, SET)),
        event(
            "STOP", now + 2, 2, of(berit, ",\"sign\":\"FAINT\",\"text\":\"swayed by the door\"")));
    String export = get("/clients/" + anna + "/export").text();
    assertThat(export).contains(run.toString(), anna.toString());
    assertThat(export).doesNotContain(berit.toString(), "Berit", "swayed");
  }

  @Test
  void whoIsErasedTakesNothingOfTheOthersAlong() throws Exception {
    UUID run = UUID.randomUUID();
    begin(run, anna, berit);
    long now = clock.millis();
    send(
        run,
        event("START", now, 0, ",\"device\":\"a\""),
        event("ENTRY", now + 1, 1, of(anna, SET)),
        event("ENTRY", now + 2, 2, of(berit, SET)),
        event("FINISH", now + 3, 3, ",\"device\":\"a\""));
    String name = get("/clients/" + anna).body().path("name").asString();
    assertThat(post("/clients/" + anna + "/erase", "{\"name\":\"" + name + "\"}").status())
        .isEqualTo(204);
    Answer left = get("/runs/" + run);
    assertThat(left.status()).as(left.text()).isEqualTo(200);
    assertThat(left.text()).contains(berit.toString()).doesNotContain(anna.toString(), name);
    String export = get("/clients/" + berit + "/export").text();
    assertThat(export).contains(run.toString(), "\"ENTRY\"").doesNotContain(anna.toString());
  }

  @Test
  void theSecondScreenShowsTheLanesAndNobody() throws Exception {
    UUID run = UUID.randomUUID();
    begin(run, anna, berit, heart);
    String code = post("/runs/" + run + "/screen", "{}").body().path("code").asString();
    Answer screen = call(null, "GET", "/screens/" + code, null, null);
    assertThat(screen.status()).isEqualTo(200);
    assertThat(screen.body().path("lanes")).hasSize(3);
    assertThat(screen.body().path("work").get(0).has("lane")).isTrue();
    assertThat(screen.text())
        .doesNotContain("Anna", "Berit", anna.toString(), heart.toString(), "1000", "clinic");
  }

  /** Two who come at the same time, and events in between: nobody is lost. */
  @Test
  void arrivalsAndEventsAtTheSameTimeAreAllKept() throws Exception {
    UUID carl = named("Carl Eide");
    UUID doris = named("Doris Fjeld");
    group = group(anna, berit, heart, carl, doris);
    UUID run = UUID.randomUUID();
    begin(run, anna);
    long now = clock.millis();
    List<Callable<Answer>> all = new ArrayList<>();
    for (UUID who : List.of(berit, carl, doris)) {
      String body = joining(who);
      all.add(() -> post("/groups/" + group + "/runs/" + run + "/people", body));
    }
    for (int i = 0; i < 5; i++) {
      String e = event("ENTRY", now + i, i, of(anna, SET));
      all.add(() -> post("/runs/" + run + "/events", "{\"events\":[" + e + "]}"));
    }
    ExecutorService pool = Executors.newFixedThreadPool(8);
    try {
      for (Future<Answer> f : pool.invokeAll(all)) {
        assertThat(f.get().status()).as(f.get().text()).isBetween(200, 201);
      }
    } finally {
      pool.shutdown();
    }
    JsonNode r = shown(run);
    assertThat(r.path("people")).hasSize(4);
    assertThat(get("/runs/" + run + "/events").body()).hasSize(8);
  }

  /** A plan changed while the run goes on: nobody new is fitted into something else. */
  @ParameterizedTest
  @CsvSource({"'\"squat\"', '\"goblet-squat\"'", "'\"WORK\":40', '\"WORK\":60'"})
  void nobodyIsFittedIntoAPlanThatWasChangedMeanwhile(String from, String to) throws Exception {
    UUID run = UUID.randomUUID();
    begin(run, anna);
    JsonNode p = get("/plans/" + plan).body();
    String other = json.writeValueAsString(p.path("plan")).replace(from, to);
    assertThat(other).contains(to);
    Answer changed =
        call(
            me,
            "PUT",
            "/plans/" + plan,
            "{\"name\":\"x\",\"tags\":[],\"plan\":" + other + "}",
            p.path("version").asLong());
    assertThat(changed.status()).as(changed.text()).isEqualTo(200);
    assertThat(post("/groups/" + group + "/runs/" + run + "/people", joining(berit)).code())
        .isEqualTo("plan-changed");
  }

  /** Somebody archived while the session goes on: what was done stays theirs, and can be closed. */
  @Test
  void whatSomebodyDidStaysWhenTheyAreArchivedMeanwhile() throws Exception {
    UUID run = UUID.randomUUID();
    begin(run, anna, berit);
    long now = clock.millis();
    send(run, event("START", now, 0, ",\"device\":\"a\""));
    assertThat(post("/clients/" + anna + "/archive", "{}").status()).isEqualTo(200);
    JsonNode answers =
        send(
                run,
                event("ENTRY", now + 1, 1, of(anna, SET)),
                event("ENTRY", now + 2, 2, of(berit, SET)),
                event("FINISH", now + 3, 3, ",\"device\":\"a\""))
            .path("answers");
    assertThat(answers.valueStream().map(x -> x.path("reply").asString())).containsOnly("KEPT");
    assertThat(shown(run).path("state").path("entries")).hasSize(2);
    for (UUID who : List.of(anna, berit)) {
      assertThat(
              post(
                      "/runs/" + run + "/after",
                      "{\"effort\":5,\"feel\":\"GOOD\",\"clientId\":\"%s\"}".formatted(who))
                  .status())
          .isEqualTo(200);
    }
    assertThat(begin(UUID.randomUUID(), anna).status())
        .as("and nobody archived starts")
        .isEqualTo(409);
  }
}
