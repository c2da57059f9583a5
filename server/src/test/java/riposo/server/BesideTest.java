package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is said beside the clock, the same everywhere: stretches, options above, kit, bookings. */
class BesideTest extends ApiDesk {
  private static final String ROOM =
      """
      {"name":"Hall","room":{"chairs":[{"name":"chair","seatCm":46,"arms":false,"wheels":false,"solid":true,"ownWheelchair":false,"count":12}],
       "dumbbells":[{"printed":2,"unit":"KG","count":8}],"standIns":[],"bands":[],"stepCm":[10],"wall":true,"counterCm":90,
       "things":["MAT","PAD"],"machines":[]}}""";

  /** Squats with goblet squats above them, and rows whose rests are a stretch. */
  private UUID plan() throws Exception {
    String squat =
        "{\"key\":\"s1\",\"movementId\":\"squat\",\"upper\":{\"movementId\":\"goblet-squat\"}}";
    String work =
        block(
                "WORK",
                "{\"kind\":\"INTERVALS\",\"values\":{\"WORK\":40,\"REST\":50,\"ROUNDS\":2}}",
                squat,
                slot("s2", "hinged-row", 0))
            .replace("\"alternate\"", "\"rest\":\"STRETCH\",\"alternate\"");
    Answer made =
        post("/plans", plan("Beside", block("WARM_UP", IN_TURN, slot("w1", "march", 300)), work));
    assertThat(made.status()).as(made.text()).isEqualTo(201);
    return made.id();
  }

  private UUID named(String name, String... pairs) throws Exception {
    UUID id = screened(pairs);
    JsonNode c = get("/clients/" + id).body();
    Answer named =
        call(me, "PUT", "/clients/" + id, client(name, "1960-01-01"), c.path("version").asLong());
    assertThat(named.status()).as(named.text()).isEqualTo(200);
    return id;
  }

  private UUID group(UUID plan, UUID room, UUID... members) throws Exception {
    String ids =
        String.join(",", java.util.Arrays.stream(members).map(m -> "\"" + m + "\"").toList());
    Answer g =
        post(
            "/groups",
            "{\"name\":\"Steady\",\"planId\":\"%s\",\"roomId\":\"%s\",\"lanes\":3,\"weekday\":%d,\"time\":\"12:10\",\"members\":[%s]}"
                .formatted(plan, room, day().getDayOfWeek().getValue(), ids));
    assertThat(g.status()).as(g.text()).isEqualTo(201);
    return g.id();
  }

  private LocalDate day() {
    return LocalDate.ofInstant(clock.instant(), ZoneId.of("Europe/Oslo"));
  }

  private static JsonNode slot(JsonNode view, String key) {
    return view.path("slots")
        .valueStream()
        .filter(s -> s.path("key").asString().equals(key))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void anOptionAboveIsShownToThreeTakenByOneAndAStretchFillsTheRestsOnDeskCardAndRun()
      throws Exception {
    clock.shift(to(12));
    UUID plan = plan();
    UUID a = named("Ilse Farkas");
    UUID b = named("Ilse Varga");
    UUID c = named("Rashid Temur");
    UUID knee = named("Odile Varga", "joint.any", "yes", "knee.pain", "yes", "knee.side", "left");
    UUID group = group(plan, post("/rooms", ROOM).id(), a, b, c, knee);
    JsonNode upper = slot(get("/groups/" + group + "/sheet").body(), "s1").path("upper");
    assertThat(upper.path("words").asString()).isEqualTo("Goblet squat");
    assertThat(upper.path("may").valueStream().map(m -> m.path("name").asString()))
        .as("two of one first name are told apart; the knee does not squat as asked")
        .containsExactlyInAnyOrder("Ilse F.", "Ilse V.", "Rashid");
    assertThat(upper.path("may").valueStream().map(m -> m.path("taken").asBoolean()))
        .containsOnly(false);
    Answer taken =
        call(
            me,
            "PUT",
            "/clients/" + b + "/adapted/" + plan + "/slots/s1/choice",
            "{\"movementId\":\"goblet-squat\",\"modifiers\":[]}",
            null);
    assertThat(taken.status()).as(taken.text()).isEqualTo(200);
    assertThat(slot(taken.body(), "s1").path("upper").path("taken").asBoolean()).isTrue();
    JsonNode s1 = slot(get("/groups/" + group + "/sheet").body(), "s1");
    assertThat(
            s1.path("upper")
                .path("may")
                .valueStream()
                .filter(m -> m.path("taken").asBoolean())
                .map(m -> m.path("name").asString()))
        .containsExactly("Ilse V.");
    assertThat(
            s1.path("cells")
                .valueStream()
                .flatMap(x -> x.path("exceptions").valueStream())
                .map(x -> x.path("name").asString() + ": " + x.path("text").asString()))
        .contains("Ilse V.: takes the option above: Goblet squat");

    String rests = "Interlaced reach ahead, standing, 20 s, a mild pull";
    JsonNode desk = get("/clients/" + a + "/adapted/" + plan).body();
    assertThat(slot(desk, "s2").path("stretch").asString()).isEqualTo(rests);
    assertThat(slot(desk, "s1").path("tasks").valueStream().map(JsonNode::asString))
        .contains("getting up from chair and toilet");
    Answer run = start(a, plan, "");
    assertThat(run.status()).as(run.text()).isEqualTo(201);
    JsonNode person = run.body().path("people").get(0);
    assertThat(slot(person, "s2").path("stretch").asString()).isEqualTo(rests);
    assertThat(slot(person, "s1").path("upper").asString()).isEqualTo("Goblet squat");
    assertThat(get("/runs/" + run.id()).body().path("people").get(0).path("slots"))
        .as("kept with the run")
        .isEqualTo(person.path("slots"));
  }

  @Test
  void anOptionAboveTakenInARoomNeedsTheKitThereAndStillNoLimitIsPassed() throws Exception {
    UUID plan = plan();
    UUID a = named("Ilse Farkas");
    UUID knee = named("Odile Varga", "joint.any", "yes", "knee.pain", "yes", "knee.side", "left");
    JsonNode c = get("/clients/" + a).body();
    String bare =
        client("Ilse Farkas", "1960-01-01")
            .replace("\"DUMBBELLS\",", "")
            .replaceAll("\"weights\":\\[.*\\]", "\"weights\":[]");
    Answer home = call(me, "PUT", "/clients/" + a, bare, c.path("version").asLong());
    assertThat(home.status()).as(home.text()).isEqualTo(200);
    UUID room = post("/rooms", ROOM).id();
    UUID group = group(plan, room, a, knee);
    JsonNode sheet = get("/groups/" + group + "/sheet").body();
    assertThat(sheet.path("roomId").asString()).isEqualTo(room.toString());
    assertThat(slot(sheet, "s1").path("upper").path("may").valueStream())
        .extracting(m -> m.path("name").asString())
        .containsExactly("Ilse");
    String goblet = "{\"movementId\":\"goblet-squat\",\"modifiers\":[]}";
    String choice = "/adapted/" + plan + "/slots/s1/choice";
    assertThat(call(me, "PUT", "/clients/" + a + choice, goblet, null).code())
        .as("at home there is no weight")
        .isEqualTo("missing-kit");
    assertThat(call(me, "PUT", "/clients/" + knee + choice + "?room=" + room, goblet, null).code())
        .isIn("firm-limit", "reason-wanted");
    assertThat(
            call(me, "PUT", "/clients/" + a + choice + "?room=" + UUID.randomUUID(), goblet, null)
                .status())
        .isEqualTo(404);
    Answer taken = call(me, "PUT", "/clients/" + a + choice + "?room=" + room, goblet, null);
    assertThat(taken.status()).as(taken.text()).isEqualTo(200);
    assertThat(
            slot(get("/groups/" + group + "/sheet").body(), "s1")
                .path("upper")
                .path("may")
                .get(0)
                .path("taken")
                .asBoolean())
        .isTrue();
    JsonNode desk = slot(get("/clients/" + a + "/adapted/" + plan).body(), "s1");
    assertThat(desk.path("pinned").asBoolean()).as("at home it is let go").isFalse();
    assertThat(desk.path("released").asBoolean()).isTrue();
  }

  @Test
  void watchIsSaidOnceAPersonAndNobodyStandsUnderALaneTheyAreNotIn() throws Exception {
    UUID plan = post("/plans", PLAN).id();
    UUID well = named("Ilse Farkas");
    UUID falls = named("Rashid Temur", "falls.any", "yes", "falls.two", "yes");
    UUID chair = named("Odile Varga", "nerve.any", "yes", "wheelchair", "yes");
    UUID group = group(plan, post("/rooms", ROOM).id(), well, falls, chair);
    JsonNode sheet = get("/groups/" + group + "/sheet").body();
    List<String> watched =
        sheet.path("watch").valueStream().map(w -> w.path("name").asString()).toList();
    assertThat(watched).doesNotHaveDuplicates();
    String day = sheet.path("date").asString();
    for (int lane = 0; lane < sheet.path("lanes").size(); lane++) {
      Answer moved =
          post(
              "/groups/" + group + "/meetings/" + day + "/move",
              "{\"clientId\":\"" + chair + "\",\"lane\":" + lane + "}");
      assertThat(moved.status()).as(moved.text()).isEqualTo(200);
      // by hand she follows the lane wherever it shows something she may do, and is alone elsewhere
      int at = lane;
      List<JsonNode> slots = moved.body().path("slots").valueStream().toList();
      long there =
          slots.stream()
              .filter(s -> s.path("cells").get(at).path("title").isString())
              .filter(
                  s ->
                      s.path("alone")
                          .valueStream()
                          .noneMatch(x -> x.path("clientId").asString().equals(chair.toString())))
              .count();
      assertThat(
              moved
                  .body()
                  .path("lanes")
                  .get(lane)
                  .path("people")
                  .valueStream()
                  .map(JsonNode::asString)
                  .filter(p -> p.startsWith("Odile"))
                  .toList())
          .as("lane %d", lane)
          .isEqualTo(
              there == 0
                  ? List.of()
                  : List.of(
                      there == slots.size()
                          ? "Odile"
                          : "Odile, " + there + " of " + slots.size() + " slots"));
    }
  }

  @Test
  void theDeskNamesTheKitThatTheDaySheetBringsAndSaysWhatItDoesWithout() throws Exception {
    clock.shift(to(12));
    UUID plan = post("/plans", PLAN).id();
    UUID who = named("Ilse Farkas");
    session(who, plan, "12:00");
    JsonNode day = get("/day").body().path("sessions").get(0);
    List<String> bring = day.path("kit").valueStream().map(JsonNode::asString).toList();
    JsonNode needs = get("/clients/" + who + "/plans/" + plan + "/needs").body();
    List<String> desk =
        java.util.stream.Stream.concat(
                needs.path("needs").valueStream().map(n -> n.path("words").asString()),
                needs.path("weights").valueStream().map(JsonNode::asString))
            .toList();
    assertThat(bring).doesNotHaveDuplicates().isNotEmpty();
    assertThat(desk).containsAll(bring);
    assertThat(desk).filteredOn(w -> !bring.contains(w)).allMatch(w -> w.contains("wall"));
    assertThat(needs.path("lacking")).isEmpty();
  }

  private Answer session(UUID client, UUID plan, String time) throws Exception {
    Answer a =
        post(
            "/appointments",
            "{\"clientId\":\"%s\",\"planId\":\"%s\",\"date\":\"%s\",\"time\":\"%s\"}"
                .formatted(client, plan, day(), time));
    assertThat(a.status()).as(a.text()).isEqualTo(201);
    return a;
  }

  @Test
  void whoIsBookedTwiceIsSaidWhenItIsDoneAndOnTheSheet() throws Exception {
    clock.shift(to(8));
    UUID plan = post("/plans", PLAN).id();
    UUID a = named("Ilse Farkas");
    UUID b = named("Rashid Temur");
    group(plan, post("/rooms", ROOM).id(), a);
    assertThat(session(b, plan, "10:00").body().path("said").asString())
        .startsWith("On the sheet for ")
        .endsWith("10:00.");
    assertThat(session(a, plan, "12:00").body().path("said").asString())
        .contains("Booked twice: Ilse Farkas is in Steady at 12:10.");
    assertThat(session(b, plan, "12:05").body().path("said").asString())
        .contains("At the same time: Ilse Farkas, 12:00.")
        .doesNotContain("twice");
    assertThat(session(b, plan, "12:05").body().path("said").asString())
        .contains("Booked twice: Rashid Temur has another session at 12:05.");
    JsonNode sessions = get("/day").body().path("sessions");
    assertThat(sessions.get(0).path("clashes")).as("10:00 stands alone").isEmpty();
    assertThat(sessions.get(1).path("clashes").get(0).asString())
        .isEqualTo("Booked twice: Ilse Farkas is in Steady at 12:10.");
  }
}
