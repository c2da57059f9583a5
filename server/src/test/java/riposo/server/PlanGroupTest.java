package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.util.List;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import riposo.core.plan.Format;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.server.plan.Plans;
import riposo.server.platform.StudioContext;
import tools.jackson.databind.JsonNode;

/** Plans, groups, paper and doses through the day over the API, on a real MariaDB. */
class PlanGroupTest extends ApiDesk {
  @Autowired Plans plans;

  private MockHttpServletResponse raw(String method, String path, byte[] body) throws Exception {
    var r =
        request(HttpMethod.valueOf(method), "/api" + path)
            .with(csrf())
            .with(authentication(new UsernamePasswordAuthenticationToken(me, null, List.of())));
    if (body != null) {
      r.contentType(MediaType.APPLICATION_OCTET_STREAM).content(body);
    }
    return mvc.perform(r).andReturn().getResponse();
  }

  private static List<String> texts(JsonNode array, String field) {
    return array.valueStream().map(n -> n.path(field).asString()).toList();
  }

  private Answer sheet(UUID group) throws Exception {
    return get("/groups/" + group + "/sheet");
  }

  @Test
  void aPlanIsVersionedCopiedArchivedAndComesBackFromItsDocument() throws Exception {
    Answer made = post("/plans", PLAN);
    assertThat(made.status()).as(made.text()).isEqualTo(201);
    assertThat(made.body().path("timeline").path("total").asInt()).isEqualTo(300 + 600 + 180);
    String body = json.writeValueAsString(made.body().path("plan"));
    Answer changed =
        call(
            me,
            "PUT",
            "/plans/" + made.id(),
            "{\"name\":\"Plan two\",\"tags\":[\"hall\"],\"plan\":" + body + "}",
            0);
    assertThat(changed.status()).as(changed.text()).isEqualTo(200);
    assertThat(
            call(me, "PUT", "/plans/" + made.id(), "{\"name\":\"x\",\"plan\":" + body + "}", 0)
                .status())
        .isEqualTo(409);
    assertThat(texts(get("/plans/" + made.id() + "/versions").body(), "name"))
        .containsExactly("Plan two", "Plan");
    assertThat(get("/plans/" + made.id() + "/versions/1").body().path("name").asString())
        .isEqualTo("Plan");
    assertThat(get("/plans/" + made.id() + "/versions/9").status()).isEqualTo(404);

    MockHttpServletResponse document = raw("GET", "/plans/" + made.id() + "/document", null);
    assertThat(document.getHeader("Content-Disposition")).contains("plan-two.plan.json");
    MockHttpServletResponse in = raw("POST", "/plans/import", document.getContentAsByteArray());
    assertThat(in.getStatus()).isEqualTo(201);
    JsonNode back = json.readTree(in.getContentAsString());
    assertThat(back.path("plan")).isEqualTo(changed.body().path("plan"));
    assertThat(back.path("timeline")).isEqualTo(changed.body().path("timeline"));

    post("/plans/" + made.id() + "/archive", "{}");
    assertThat(texts(get("/plans").body(), "id")).doesNotContain(made.id().toString());
    assertThat(texts(get("/plans?archived=true").body(), "id")).contains(made.id().toString());
    post("/plans/" + made.id() + "/restore", "{}");
    assertThat(get("/plans").body()).hasSize(2);
    Answer start = post("/plans/starting-points/copy", "{\"name\":\"Ladder of five\"}");
    assertThat(start.status()).isEqualTo(201);
    assertThat(post("/plans/starting-points/copy", "{\"name\":\"none\"}").status()).isEqualTo(404);
    assertThat(post("/plans/" + made.id() + "/copy", "{\"name\":\"Mine\"}").status())
        .isEqualTo(201);
  }

  @ParameterizedTest(name = "{0}: {2}")
  @CsvSource({
    "squat, no-such-thing, There is no movement, there is no movement “no-such-thing”",
    "'\"work\" : 40', '\"work\" : -3', work, work must lie between 5 and 600 s",
    "'{', '', line, line 2",
  })
  void aBadImportNamesWhatIsWrongAndNothingIsImported(
      String from, String to, String what, String words) throws Exception {
    Answer made = post("/plans", PLAN);
    String text = raw("GET", "/plans/" + made.id() + "/document", null).getContentAsString();
    String bad = text.replaceFirst(java.util.regex.Pattern.quote(from), to);
    assertThat(bad).as(what).isNotEqualTo(text);
    MockHttpServletResponse in = raw("POST", "/plans/import", bad.getBytes("UTF-8"));
    assertThat(in.getStatus()).isEqualTo(422);
    assertThat(in.getContentAsString(java.nio.charset.StandardCharsets.UTF_8)).contains(words);
    assertThat(get("/plans").body()).hasSize(1);
  }

  @Test
  void aRemarkBringsItsMendAndTheOrderSaysWhatItGains() throws Exception {
    String plan =
        plan(
                "x",
                block(
                    "WORK",
                    INTERVALS,
                    slot("a", "supine-bridge", 0),
                    slot("b", "squat", 0),
                    slot("c", "curl-up", 0),
                    slot("d", "hinged-row", 0)))
            .replace("\"name\":\"x\",", "");
    Answer p = post("/plans/preview", plan);
    assertThat(p.status()).as(p.text()).isEqualTo(200);
    JsonNode trips =
        p.body()
            .path("checks")
            .valueStream()
            .filter(c -> c.path("rule").asString().equals("plan.floor-trips"))
            .findFirst()
            .orElseThrow();
    JsonNode fix = trips.path("fix");
    assertThat(fix.path("words").asString()).contains("Swap").contains("to the floor fewer");
    Answer mended =
        post("/plans/preview", "{\"plan\":" + json.writeValueAsString(fix.path("plan")) + "}");
    assertThat(mended.body().path("timeline").path("floorTrips").asInt())
        .isLessThan(p.body().path("timeline").path("floorTrips").asInt());
    Answer order = post("/plans/order", plan.replaceFirst("\\{", "{\"blockKey\":\"work\","));
    assertThat(order.body().path("better").asBoolean()).as(order.text()).isTrue();
    assertThat(order.body().path("words").asString()).contains("trips to the floor");
    assertThat(post("/plans/order", plan.replaceFirst("\\{", "{\"blockKey\":\"no\",")).pointers())
        .containsExactly("/blockKey");
  }

  @Test
  void aMovementThatLeftTheCatalogueIsShownAndRestsUntilItIsReplaced() throws Exception {
    UUID id =
        StudioContext.within(
            me.studioId(),
            "A",
            () ->
                plans.add(
                    "Old",
                    SessionPlan.of(
                        List.of(),
                        List.of(new Slot("s1", "vanished", null), new Slot("s2", "squat", null)),
                        Format.intervals(40, 20, 1),
                        List.of())));
    Answer old = get("/plans/" + id);
    assertThat(old.body().path("gone").get(0).asString()).isEqualTo("vanished");
    assertThat(old.text()).contains("no longer in the catalogue");
    Answer adapted = get("/clients/" + screened() + "/adapted/" + id);
    JsonNode slot = adapted.body().path("slots").get(0);
    assertThat(slot.path("title").asString()).isEqualTo("Rest and breathe");
    assertThat(slot.path("reasons").get(0).asString()).contains("“vanished”");
    // it may stay while something else is changed, but no new one is let in
    String same = json.writeValueAsString(old.body().path("plan"));
    assertThat(
            call(me, "PUT", "/plans/" + id, "{\"name\":\"Old\",\"plan\":" + same + "}", 0).status())
        .isEqualTo(200);
    assertThat(post("/plans", "{\"name\":\"New\",\"plan\":" + same + "}").status()).isEqualTo(422);
  }

  @Test
  void whatAFormatNeverHeldIsLeftOutOfAnOlderPlanAndRefusedInANewOne() throws Exception {
    Slot leftover = new Slot("s1", "squat", null, 8, null, null, null, List.of(), List.of(), null);
    UUID id =
        StudioContext.within(
            me.studioId(),
            "A",
            () ->
                plans.add(
                    "Old",
                    SessionPlan.of(
                        List.of(), List.of(leftover), Format.intervals(40, 20, 1), List.of())));
    JsonNode plan = get("/plans/" + id).body().path("plan");
    assertThat(plan.path("blocks").get(0).path("slots").get(0).has("reps")).isFalse();
    String same = json.writeValueAsString(plan);
    assertThat(
            call(me, "PUT", "/plans/" + id, "{\"name\":\"Old\",\"plan\":" + same + "}", 0).status())
        .isEqualTo(200);
    String asking =
        plan("New", block("WORK", INTERVALS, slot("s1", "squat", 0)))
            .replace("\"squat\"", "\"squat\",\"reps\":8,\"sides\":\"IN_TURN\",\"height\":250");
    Answer refused = post("/plans", asking);
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.pointers())
        .containsExactly(
            "/plan/blocks/0/slots/0/reps",
            "/plan/blocks/0/slots/0/sides",
            "/plan/blocks/0/slots/0/height");
    Answer tried = post("/plans/preview", asking.replaceFirst("\"name\":\"New\",", ""));
    assertThat(tried.body().path("faults").valueStream().map(f -> f.path("field").asString()))
        .containsExactly("reps", "sides", "height");
  }

  private UUID group(UUID plan, UUID room, UUID... members) throws Exception {
    Answer g =
        post(
            "/groups",
            "{\"name\":\"Steady\",\"planId\":\"%s\",\"roomId\":%s,\"lanes\":3,\"weekday\":2,\"time\":\"10:00\",\"members\":%s}"
                .formatted(
                    plan,
                    room == null ? "null" : "\"" + room + "\"",
                    json.writeValueAsString(List.of(members))));
    assertThat(g.status()).as(g.text()).isEqualTo(201);
    return g.id();
  }

  private UUID room(int pairs) throws Exception {
    Answer r =
        post(
            "/rooms",
            """
            {"name":"Hall","room":{"chairs":[{"name":"chair","seatCm":46,"arms":false,"wheels":false,"solid":true,"ownWheelchair":false,"count":12}],
             "dumbbells":[{"printed":2,"unit":"KG","count":%d}],"standIns":[],"bands":[],"stepCm":[10],"wall":true,"counterCm":90,
             "things":["MAT","PAD"],"machines":[]}}"""
                .formatted(pairs * 2));
    assertThat(r.status()).as(r.text()).isEqualTo(201);
    return r.id();
  }

  @Test
  void whoIsArchivedOrTookConsentBackStandsApartAndTheOthersHaveTheirSheet() throws Exception {
    UUID plan = post("/plans", PLAN).id();
    UUID well = screened();
    UUID gone = screened();
    UUID back = screened();
    UUID group = group(plan, room(1), well, gone, back);
    post("/clients/" + gone + "/archive", "{}");
    java.time.LocalDate today =
        java.time.LocalDate.ofInstant(clock.instant(), java.time.ZoneId.of("Europe/Oslo"));
    Answer record =
        call(
            me,
            "PUT",
            "/clients/" + back + "/record",
            "{\"olderMaximum\":false,\"consent\":{\"on\":\"%s\",\"name\":\"Ada\",\"withdrawnOn\":\"%s\"}}"
                .formatted(today.minusDays(3), today),
            get("/clients/" + back).body().path("version").asLong());
    assertThat(record.status()).as(record.text()).isEqualTo(200);
    Answer s = sheet(group);
    assertThat(s.status()).as(s.text()).isEqualTo(200);
    assertThat(texts(s.body().path("people"), "clientId")).containsExactly(well.toString());
    assertThat(texts(s.body().path("apart"), "outcome"))
        .containsExactlyInAnyOrder("ARCHIVED", "CONSENT");
    assertThat(get("/day").status()).isEqualTo(200);
  }

  @Test
  void aGroupHasLanesAndWhoeverMustAskFirstStandsApartAndIsNotStarted() throws Exception {
    UUID plan = post("/plans", PLAN).id();
    UUID well = screened();
    UUID ask = screened("lung.ever", "yes", "lung.flare", "yes");
    UUID room = room(1);
    UUID group = group(plan, room, well, ask);
    Answer s = sheet(group);
    assertThat(s.status()).as(s.text()).isEqualTo(200);
    assertThat(texts(s.body().path("people"), "clientId")).containsExactly(well.toString());
    assertThat(texts(s.body().path("apart"), "clientId")).containsExactly(ask.toString());
    assertThat(s.body().path("apart").get(0).path("outcome").asString()).isEqualTo("ASK_FIRST");
    // a reason starts the client alone, never with the group
    Answer check = post("/clients/" + ask + "/today-checks", check(",\"saturation\":95"));
    String run =
        "{\"clientId\":\"%s\",\"planId\":\"%s\",\"checkId\":\"%s\",\"reason\":\"the doctor is on the phone\",\"groupId\":\"%s\"}"
            .formatted(ask, plan, check.id(), group);
    Answer refused = post("/runs", run);
    assertThat(List.of(refused.status(), refused.code())).isEqualTo(List.of(409, "ask-first"));
    assertThat(call(stranger, "GET", "/groups/" + group + "/sheet", null, null).status())
        .isEqualTo(404);
    Answer inUse = call(me, "DELETE", "/rooms/" + room, null, 0);
    assertThat(inUse.text()).contains("Groups meet here: Steady");
  }

  @Test
  void somebodyDropsInTheOthersKeepTheirsAndAMoveIsCheckedAgain() throws Exception {
    UUID plan = post("/plans", PLAN).id();
    UUID a = screened();
    UUID b = screened("joint.any", "yes", "knee.pain", "yes", "knee.side", "left");
    UUID c = screened("nerve.any", "yes", "wheelchair", "yes");
    UUID group = group(plan, room(1), a, b);
    JsonNode before = sheet(group).body();
    String day = before.path("date").asString();
    String at = "/groups/" + group + "/meetings/" + day;
    Answer in = post(at + "/drop-in", "{\"clientId\":\"" + c + "\"}");
    assertThat(in.status()).as(in.text()).isEqualTo(200);
    assertThat(in.body().path("kept").asBoolean()).isTrue();
    assertThat(in.body().path("people").size() + in.body().path("apart").size()).isEqualTo(3);
    for (int i = 0; i < before.path("slots").size(); i++) {
      JsonNode now = in.body().path("slots").get(i);
      if (!now.path("changed").asBoolean()) {
        for (JsonNode cell : before.path("slots").get(i).path("cells")) {
          if (cell.has("title")) {
            assertThat(texts(now.path("cells"), "title")).contains(cell.path("title").asString());
          }
        }
      }
    }
    assertThat(post(at + "/drop-in", "{\"clientId\":\"" + c + "\"}").code())
        .isEqualTo("in-already");
    Answer moved = post(at + "/move", "{\"clientId\":\"" + b + "\",\"lane\":2}");
    assertThat(moved.status()).as(moved.text()).isEqualTo(200);
    JsonNode who =
        moved
            .body()
            .path("people")
            .valueStream()
            .filter(p -> p.path("clientId").asString().equals(b.toString()))
            .findFirst()
            .orElseThrow();
    assertThat(who.path("moved").asBoolean()).isTrue();
    assertThat(who.path("lane").asInt()).isEqualTo(2);
    assertThat(post(at + "/move", "{\"clientId\":\"" + b + "\",\"lane\":7}").pointers())
        .containsExactly("/lane");
    assertThat(
            post(at + "/away", "{\"clientId\":\"" + a + "\",\"away\":true}")
                .body()
                .path("people")
                .size())
        .isEqualTo(in.body().path("people").size() - 1);
    assertThat(post(at + "/anew", "{}").body().path("kept").asBoolean()).isFalse();
  }

  @Test
  void onePairForThreeIsSharedAndTheOthersAreToldWhatInstead() throws Exception {
    UUID plan =
        post(
                "/plans",
                plan(
                    "Rows",
                    block(
                        "WORK",
                        INTERVALS,
                        slot("s1", "hinged-row", 0),
                        slot("s2", "squat", 0),
                        slot("s3", "curl", 0))))
            .id();
    UUID group = group(plan, room(1), screened(), screened(), screened());
    JsonNode s = sheet(group).body();
    JsonNode rows = s.path("slots").get(0);
    List<String> told =
        rows.path("cells")
            .valueStream()
            .flatMap(c -> c.path("exceptions").valueStream())
            .map(x -> x.path("text").asString())
            .toList();
    assertThat(told).hasSize(2).allMatch(t -> t.contains("other order") || t.contains("no weight"));
    assertThat(told).filteredOn(t -> t.contains("while the others do Squat")).hasSize(1);
    assertThat(s.path("shortages").get(0).asString()).startsWith("Slot 1: weights for 1 of 3; Ada");
    JsonNode weights =
        s.path("kit")
            .valueStream()
            .filter(k -> k.path("words").asString().equals("dumbbells"))
            .findFirst()
            .orElseThrow();
    assertThat(List.of(weights.path("most").asInt(), weights.path("have").asInt()))
        .isEqualTo(List.of(3, 2));
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          no name | {"name":"","lanes":3,"members":[]} | /name
          one lane | {"name":"G","lanes":1,"members":[]} | /lanes
          five lanes | {"name":"G","lanes":5,"members":[]} | /lanes
          eighth day | {"name":"G","lanes":3,"weekday":8,"members":[]} | /weekday
          nobody said | {"name":"G","lanes":3} | /members
          a bad time | {"name":"G","lanes":3,"time":"25:00","members":[]} | /time
          """)
  void aGroupThatCannotBeIsRefusedAtItsField(String what, String body, String pointer)
      throws Exception {
    Answer a = post("/groups", body);
    assertThat(a.status()).as(what + ": " + a.text()).isEqualTo(422);
    assertThat(a.pointers()).as(a.text()).contains(pointer);
    assertThat(get("/groups").body()).isEmpty();
  }

  @Test
  void aGroupWithoutAPlanSaysSoAndAStrangersPeopleAreNotFound() throws Exception {
    Answer g = post("/groups", "{\"name\":\"G\",\"lanes\":3,\"members\":[]}");
    assertThat(List.of(sheet(g.id()).status(), sheet(g.id()).code()))
        .isEqualTo(List.of(409, "no-plan"));
    UUID mine = screened();
    Answer theirs =
        call(
            stranger,
            "POST",
            "/groups",
            "{\"name\":\"G\",\"lanes\":3,\"members\":[\"" + mine + "\"]}",
            null);
    assertThat(theirs.status()).isEqualTo(404);
    Answer changed =
        call(me, "PUT", "/groups/" + g.id(), "{\"name\":\"H\",\"lanes\":2,\"members\":[]}", 0);
    assertThat(changed.status()).as(changed.text()).isEqualTo(200);
    assertThat(
            call(me, "PUT", "/groups/" + g.id(), "{\"name\":\"I\",\"lanes\":2,\"members\":[]}", 0)
                .status())
        .isEqualTo(409);
    post("/groups/" + g.id() + "/archive", "{}");
    assertThat(get("/groups").body()).isEmpty();
    assertThat(texts(get("/groups?archived=true").body(), "name")).containsExactly("H");
  }

  private String pdf(String path, int pages) throws Exception {
    MockHttpServletResponse r = raw("GET", path, null);
    assertThat(r.getStatus()).isEqualTo(200);
    assertThat(r.getContentType()).isEqualTo("application/pdf");
    try (PDDocument d = Loader.loadPDF(r.getContentAsByteArray())) {
      assertThat(d.getNumberOfPages()).isLessThanOrEqualTo(pages);
      return new PDFTextStripper().getText(d).replaceAll("\\s+", " ");
    }
  }

  @Test
  void tenSlotsFitTwoPagesOfEitherPaperWithCautions() throws Exception {
    String[] slots = new String[10];
    String[] ids = {
      "squat",
      "hinged-row",
      "floor-push-up",
      "overhead-press",
      "seated-twist",
      "one-leg-stand",
      "goblet-squat",
      "supine-bridge",
      "forearm-plank",
      "curl"
    };
    for (int i = 0; i < 10; i++) {
      slots[i] = slot("s" + i, ids[i], 0);
    }
    UUID plan =
        post(
                "/plans",
                plan(
                    "Ten",
                    block("WARM_UP", IN_TURN, slot("w", "march", 300)),
                    block("WORK", INTERVALS, slots),
                    block("COOL_DOWN", IN_TURN, slot("c", "seated-breathing", 180))))
            .id();
    UUID bones = screened("bone.low", "yes", "falls.any", "yes", "falls.two", "yes");
    UUID group =
        group(plan, room(1), screened(), screened(), bones, screened("pressure.high", "yes"));
    for (String paper : List.of("A4", "LETTER")) {
      String sheet = pdf("/groups/" + group + "/sheet.pdf?paper=" + paper, 2);
      assertThat(sheet).contains("Steady", "10 ", "Kit:", "never hold", "Clinicians");
      String card = pdf("/clients/" + bones + "/adapted/" + plan + "/card.pdf?paper=" + paper, 2);
      assertThat(card)
          .contains("Ada Test", "Kept:", "Stop and get help", "emergency number 112", "clinician");
      assertThat(card).doesNotContain("≤", "#");
    }
  }

  @Test
  void dosesThroughTheDayAreGivenTickedAndClosedWhereTheWordIsMissing() throws Exception {
    UUID plan = post("/plans/starting-points/copy", "{\"name\":\"Ten at a time\"}").id();
    UUID client = screened();
    String at = "/clients/" + client + "/day-plans";
    assertThat(post(at, "{\"planId\":\"" + post("/plans", PLAN).id() + "\"}").pointers())
        .containsExactly("/planId");
    Answer given = post(at, "{\"planId\":\"" + plan + "\"}");
    assertThat(given.status()).as(given.text()).isEqualTo(200);
    JsonNode p = given.body().get(0);
    assertThat(List.of(p.path("done").asInt(), p.path("all").asInt())).isEqualTo(List.of(0, 15));
    String tick =
        "{\"date\":\"%s\",\"slotKey\":\"%s\",\"number\":%d,\"on\":%b}"
            .formatted(
                p.path("date").asString(),
                p.path("doses").get(0).path("slotKey").asString(),
                2,
                true);
    String ticks = at + "/" + p.path("id").asString() + "/ticks";
    assertThat(call(me, "PUT", ticks, tick, null).body().path("done").asInt()).isEqualTo(1);
    assertThat(call(me, "PUT", ticks, tick, null).body().path("done").asInt())
        .as("the same tick twice is one")
        .isEqualTo(1);
    assertThat(
            call(me, "PUT", ticks, tick.replace("true", "false"), null).body().path("done").asInt())
        .isZero();
    assertThat(
            call(me, "PUT", ticks, tick.replace("\"number\":2", "\"number\":4"), null).pointers())
        .containsExactly("/number");
    assertThat(post(at, "{\"planId\":\"" + plan + "\"}").code()).isEqualTo("given-already");
    assertThat(call(me, "DELETE", at + "/" + p.path("id").asString(), null, null).body()).isEmpty();
    UUID unscreened = anyClient();
    post("/clients/" + unscreened + "/day-plans", "{\"planId\":\"" + plan + "\"}");
    JsonNode q = get("/clients/" + unscreened + "/day-plans").body().get(0);
    assertThat(q.path("closed").asString()).contains("screen first");
    assertThat(
            call(
                    me,
                    "PUT",
                    "/clients/" + unscreened + "/day-plans/" + q.path("id").asString() + "/ticks",
                    tick,
                    null)
                .code())
        .isEqualTo("closed");
  }

  @Test
  void sessionsAndGroupsGoIntoACalendarFileWithoutHealthFacts() throws Exception {
    UUID plan = post("/plans", PLAN).id();
    UUID client = screened("bone.low", "yes");
    String today = get("/day").body().path("date").asString();
    post(
        "/appointments",
        "{\"clientId\":\"%s\",\"planId\":\"%s\",\"date\":\"%s\",\"time\":\"10:30\"}"
            .formatted(client, plan, today));
    group(plan, room(1), client);
    MockHttpServletResponse r = raw("GET", "/calendar.ics", null);
    assertThat(r.getContentType()).startsWith("text/calendar");
    String text = r.getContentAsString();
    assertThat(text).contains("BEGIN:VCALENDAR", "SUMMARY:Ada Test", "SUMMARY:Steady", "UID:");
    assertThat(text.split("BEGIN:VEVENT")).hasSizeGreaterThanOrEqualTo(1 + 1 + 4);
    assertThat(text).doesNotContainIgnoringCase("bone");
  }
}
