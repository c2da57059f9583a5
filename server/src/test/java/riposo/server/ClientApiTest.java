package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import riposo.core.screening.Question;
import riposo.core.screening.Screening;
import tools.jackson.databind.JsonNode;

/** Screening, limits, clearances, papers, kit and the keeping of a client over the API. */
class ClientApiTest extends ApiDesk {
  @Autowired JdbcClient jdbc;

  private final LocalDate today = LocalDate.now(ZoneId.of("Europe/Oslo"));

  private RequestPostProcessor signedIn() {
    return authentication(new UsernamePasswordAuthenticationToken(me, null, List.of()));
  }

  private Answer put(String path, String body, Object version) throws Exception {
    return call(me, "PUT", path, body, version);
  }

  private List<String> rules(UUID client) throws Exception {
    return get("/clients/" + client + "/readiness")
        .body()
        .path("findings")
        .valueStream()
        .map(f -> f.path("rule").asString())
        .toList();
  }

  private String outcome(UUID client) throws Exception {
    return get("/clients/" + client + "/readiness").body().path("outcome").asString();
  }

  private static String clearance(LocalDate on, String more, String... covers) {
    return "{\"role\":\"doctor\",\"name\":\"Dr. Sand\",\"givenOn\":\"%s\",\"covers\":[%s]%s}"
        .formatted(on, covers.length == 0 ? "" : "\"" + String.join("\",\"", covers) + "\"", more);
  }

  private static String limit(int cap, String strength, String more) {
    return "{\"axisId\":\"joint.knee-flexion.loaded\",\"side\":\"LEFT\",\"cap\":%d,\"strength\":\"%s\",\"source\":\"letter\",\"from\":\"%s\"%s}"
        .formatted(cap, strength, LocalDate.now(ZoneId.of("Europe/Oslo")), more);
  }

  @Test
  void aClearanceEndsIsVoidedByAnEventAndCannotCoverWhatIsDatedAfterIt() throws Exception {
    UUID id =
        screened(
            "heart.ever",
            "yes",
            "heart.event",
            "yes",
            "heart.event.date",
            today.minusWeeks(8).toString(),
            "heart.event.cleared",
            "yes");
    String rule = "standing.event.heart.event";
    String c = "/clients/" + id;
    assertThat(outcome(id)).isEqualTo("CLEARANCE_ONLY");
    assertThat(post(c + "/clearances", clearance(today.minusWeeks(9), "", rule)).status())
        .isEqualTo(201);
    assertThat(rules(id)).as("a clearance from before the event covers nothing").contains(rule);
    post(c + "/clearances", clearance(today.minusWeeks(1), "", rule));
    assertThat(rules(id)).doesNotContain(rule);
    JsonNode kept = get(c + "/clearances").body().get(0);
    assertThat(kept.path("validUntil").asString())
        .isEqualTo(today.minusWeeks(1).plusMonths(12).toString());
    Answer event = post(c + "/happened", "{\"kind\":\"HEART_EVENT\",\"on\":\"" + today + "\"}");
    assertThat(event.status()).isEqualTo(201);
    assertThat(outcome(id)).isEqualTo("CLEARANCE_ONLY");
    assertThat(get(c + "/clearances").body().get(0).path("voidedBy").asString()).isNotBlank();
    assertThat(
            post(
                    c + "/clearances",
                    clearance(today, ",\"validUntil\":\"" + today.plusYears(2) + "\"", rule))
                .pointers())
        .contains("/validUntil");
    assertThat(post(c + "/clearances", clearance(today.plusDays(1), "", rule)).pointers())
        .contains("/givenOn");
    assertThat(post(c + "/clearances", clearance(today, "", "no.such.rule")).pointers())
        .contains("/covers");
    assertThat(post(c + "/clearances", clearance(today, "")).pointers()).contains("/covers");
  }

  @Test
  void theLastDayOfAClearanceCountsAndTheDayAfterOpensTheFinding() throws Exception {
    UUID id = screened("lung.ever", "yes", "lung.flare", "yes");
    String c = "/clients/" + id;
    post(
        c + "/clearances",
        clearance(today, ",\"validUntil\":\"" + today.plusDays(14) + "\"", "standing.lung-flare"));
    assertThat(rules(id)).doesNotContain("standing.lung-flare");
    assertThat(waits()).contains("ENDING");
    clock.shift(Duration.ofDays(14));
    assertThat(rules(id)).doesNotContain("standing.lung-flare");
    clock.shift(Duration.ofDays(15));
    assertThat(rules(id)).contains("standing.lung-flare");
    assertThat(outcome(id)).isEqualTo("ASK_FIRST");
  }

  @Test
  void theListSaysWhatEachHasWhenTheyComeNextAndWhatWaits() throws Exception {
    UUID id = screened("lung.ever", "yes", "lung.flare", "yes");
    UUID plan = post("/plans", PLAN).id();
    assertThat(line(id).path("next").isMissingNode() || line(id).path("next").isNull()).isTrue();
    post("/appointments", session(id, plan, today.plusDays(5), "11:00"));
    post("/appointments", session(id, plan, today.plusDays(2), "16:00"));
    post("/appointments", session(id, plan, today.plusDays(2), "09:30"));
    JsonNode line = line(id);
    assertThat(line.path("next").path("date").asString()).isEqualTo(today.plusDays(2).toString());
    assertThat(line.path("next").path("time").asString()).startsWith("09:30");
    assertThat(line.path("next").path("what").asString()).isEqualTo("Plan");
    assertThat(line.path("conditions").valueStream().map(JsonNode::asString))
        .anyMatch(c -> c.contains("lung"))
        .doesNotHaveDuplicates();
    assertThat(line(screened("active.now", "no")).path("conditions"))
        .as("an effort to keep to is nothing the client has")
        .isEmpty();
    assertThat(line.path("waits").valueStream().map(w -> w.path("kind").asString()))
        .contains("CLEARANCE")
        .allMatch(k -> !k.isBlank());
    int weekday = today.plusDays(1).getDayOfWeek().getValue();
    post(
        "/groups",
        "{\"name\":\"Morning\",\"planId\":\"%s\",\"lanes\":2,\"weekday\":%d,\"time\":\"08:00\",\"members\":[\"%s\"]}"
            .formatted(plan, weekday, id));
    assertThat(line(id).path("next").path("what").asString())
        .as("a group that meets before the session is next")
        .isEqualTo("Morning");
    post("/clients/" + id + "/archive", "{}");
    assertThat(
            get("/client-list?size=200")
                .body()
                .path("lines")
                .valueStream()
                .map(c -> c.path("id").asString()))
        .doesNotContain(id.toString());
    JsonNode away =
        get("/client-list?archived=true&size=200")
            .body()
            .path("lines")
            .valueStream()
            .filter(c -> c.path("id").asString().equals(id.toString()))
            .findFirst()
            .orElseThrow();
    assertThat(away.path("waits")).isEmpty();
  }

  @Test
  void theListIsFoundInByWordsByWhatWaitsAndByWhoComesAndIsReadPageByPage() throws Exception {
    UUID plan = post("/plans", PLAN).id();
    UUID first = null;
    for (int i = 0; i < 7; i++) {
      UUID id = post("/clients", client("Zoë Åkesson" + i, "1960-01-01")).id();
      first = first == null ? id : first;
    }
    UUID knee = screened("joint.any", "yes", "knee.pain", "yes");
    post("/appointments", session(knee, plan, today, "23:50"));
    post("/appointments", session(first, plan, today.plusDays(3), "09:00"));

    assertThat(found("?find=akesson").path("total").asInt()).isEqualTo(7);
    assertThat(found("?find=AKESSON5").path("total").asInt()).isEqualTo(1);
    assertThat(found("?find=knee").path("lines").get(0).path("id").asString())
        .isEqualTo(knee.toString());
    assertThat(found("?waits=SCREENING").path("total").asInt()).isEqualTo(7);
    assertThat(found("?waits=SCREENING&find=knee").path("total").asInt()).isZero();
    assertThat(found("").path("waiting").path("SCREENING").asInt()).isEqualTo(7);
    assertThat(found("?coming=TODAY").path("total").asInt()).isEqualTo(1);
    assertThat(found("?coming=WEEK").path("total").asInt()).isEqualTo(2);
    assertThat(found("?coming=NOTHING").path("total").asInt()).isEqualTo(6);
    JsonNode next = found("?order=NEXT").path("lines");
    assertThat(next.get(0).path("id").asString()).isEqualTo(knee.toString());
    assertThat(next.get(1).path("id").asString()).isEqualTo(first.toString());

    List<String> names = new ArrayList<>();
    for (int page = 0; page < 3; page++) {
      JsonNode p = found("?size=3&page=" + page);
      assertThat(p.path("pages").asInt()).isEqualTo(3);
      assertThat(p.path("all").asInt()).isEqualTo(8);
      p.path("lines").forEach(l -> names.add(l.path("name").asString()));
    }
    assertThat(names).hasSize(8).doesNotHaveDuplicates().isSorted();
  }

  @Test
  void aListAskedForWhatCannotBeSaysWhatCan() throws Exception {
    anyClient();
    assertThat(get("/client-list?page=1").body().path("errors").get(0).path("detail").asString())
        .isEqualTo("There is 1 page, from 0.");
    for (String wrong :
        List.of(
            "page=-1",
            "page=1000000",
            "size=0",
            "size=201",
            "find=" + "x".repeat(10_240),
            "waits=%3Cb%3E")) {
      Answer a = get("/client-list?" + wrong);
      assertThat(a.status()).as(wrong).isEqualTo(400);
      assertThat(a.body().path("detail").asString()).as(wrong).isNotBlank();
    }
    assertThat(get("/client-list?coming=LATELY").status()).isEqualTo(400);
  }

  private JsonNode found(String query) throws Exception {
    Answer a = get("/client-list" + query);
    assertThat(a.status()).as(a.text()).isEqualTo(200);
    return a.body();
  }

  private JsonNode line(UUID id) throws Exception {
    return get("/client-list?size=200")
        .body()
        .path("lines")
        .valueStream()
        .filter(c -> c.path("id").asString().equals(id.toString()))
        .findFirst()
        .orElseThrow();
  }

  private static String session(UUID client, UUID plan, LocalDate on, String at) {
    return "{\"clientId\":\"%s\",\"planId\":\"%s\",\"date\":\"%s\",\"time\":\"%s\"}"
        .formatted(client, plan, on, at);
  }

  private List<String> waits() throws Exception {
    return get("/day")
        .body()
        .path("waits")
        .valueStream()
        .map(w -> w.path("kind").asString())
        .toList();
  }

  @Test
  void anIllnessAsksForANewScreeningAndNoClearanceAnswersIt() throws Exception {
    UUID id = screened();
    String c = "/clients/" + id;
    assertThat(outcome(id)).isEqualTo("READY");
    post(c + "/happened", "{\"kind\":\"HOSPITAL\",\"on\":\"" + today + "\"}");
    String rule =
        rules(id).stream()
            .filter(r -> r.startsWith("standing.rescreen."))
            .findFirst()
            .orElseThrow();
    assertThat(post(c + "/clearances", clearance(today, "", rule)).pointers()).contains("/covers");
    assertThat(
            post(c + "/happened", "{\"kind\":\"FALL\",\"on\":\"" + today.plusDays(1) + "\"}")
                .pointers())
        .contains("/on");
    // the same answers on the same day are a new screening once something happened between
    post(c + "/screenings", "{\"signedClient\":\"Ada Test\",\"answers\":" + answers() + "}");
    assertThat(get(c + "/screenings").body().size()).isEqualTo(2);
    assertThat(rules(id)).isEmpty();
  }

  @Test
  void aClinicianLiftsAndSetsFirmLimitsAndNobodyElseDoes() throws Exception {
    UUID id = screened();
    String c = "/clients/" + id;
    UUID firm = post(c + "/limits", limit(60, "FIRM", "")).id();
    UUID advised = post(c + "/limits", limit(90, "ADVISED", "")).id();
    assertThat(put("/limits/" + advised, limit(100, "ADVISED", ""), 0).pointers())
        .as("looser needs why")
        .contains("/why");
    assertThat(
            put("/limits/" + advised, limit(100, "ADVISED", ",\"why\":\"physio said so\""), 0)
                .status())
        .isEqualTo(200);
    assertThat(put("/limits/" + firm, limit(50, "FIRM", ""), 0).status()).isEqualTo(200);
    Answer stale = put("/limits/" + firm, limit(40, "FIRM", ""), 0);
    assertThat(stale.status()).isEqualTo(409);
    UUID tightened = null;
    for (JsonNode l : get(c + "/limits").body()) {
      if (l.path("cap").asInt() == 50) {
        tightened = UUID.fromString(l.path("id").asString());
      }
    }
    Answer lifted =
        post(
            c + "/clearances",
            clearance(
                today,
                ",\"lifts\":[\"%s\"],\"sets\":[{\"axisId\":\"grip\",\"side\":\"RIGHT\",\"cap\":1}]"
                    .formatted(tightened)));
    assertThat(lifted.status()).as(lifted.text()).isEqualTo(201);
    List<String> on =
        get(c + "/limits/on?date=" + today)
            .body()
            .path("rows")
            .valueStream()
            .map(
                r ->
                    r.path("axisId").asString()
                        + " "
                        + r.path("cap").asInt()
                        + " "
                        + r.path("strength").asString())
            .toList();
    assertThat(on)
        .containsExactlyInAnyOrder("joint.knee-flexion.loaded 100 ADVISED", "grip 1 FIRM");
    UUID other = anyClient();
    assertThat(
            post(
                    "/clients/" + other + "/clearances",
                    clearance(today, ",\"lifts\":[\"" + advised + "\"]"))
                .status())
        .as("another client's limit")
        .isBetween(400, 499);
  }

  @Test
  void theDatesOfLimitsShowAnEndingLetterAndItsFirmLimitStaysOn() throws Exception {
    String c = "/clients/" + screened();
    post(c + "/limits", limit(60, "FIRM", ",\"until\":\"" + today.plusDays(9) + "\""));
    post(
        c + "/limits",
        limit(50, "ADVISED", ",\"until\":\"" + today.plusDays(5) + "\"")
            .replace("knee-flexion", "hip-flexion"));
    JsonNode before = get(c + "/limits/on?date=" + today.plusDays(5)).body();
    assertThat(before.path("rows").size()).as("the last day counts").isEqualTo(2);
    List<String> changes =
        before
            .path("changes")
            .valueStream()
            .map(x -> x.path("date").asString() + x.path("begins") + x.path("ends"))
            .toList();
    assertThat(changes).hasSize(3);
    assertThat(changes.get(1)).startsWith(today.plusDays(6).toString()).endsWith("≤ 50°\"]");
    assertThat(changes.get(2)).startsWith(today.plusDays(10).toString()).contains("still on");
    JsonNode after = get(c + "/limits/on?date=" + today.plusDays(10)).body().path("rows");
    assertThat(after.size()).isEqualTo(1);
    assertThat(after.get(0).path("reviewDue").asBoolean()).isTrue();
  }

  @Test
  void aLimitWithoutItsNumberIsNotTakenAsZero() throws Exception {
    String c = "/clients/" + anyClient();
    assertThat(
            post(c + "/limits", limit(0, "FIRM", "").replace("\"cap\":0", "\"cap\":null"))
                .pointers())
        .contains("/cap");
    assertThat(get(c + "/limits").body().size()).isZero();
  }

  @Test
  void aCheckIsDoneAgainWhenWhatIsKnownHasChanged() throws Exception {
    UUID id = screened();
    UUID plan = post("/plans", PLAN).id();
    UUID check = post("/clients/" + id + "/today-checks", check("")).id();
    post(
        "/clients/" + id + "/screenings",
        "{\"signedClient\":\"Ada Test\",\"answers\":"
            + answers("sugar.diabetes", "yes", "sugar.low", "yes")
            + "}");
    for (JsonNode s : get("/clients/" + id + "/screenings").body()) {
      for (JsonNode p : s.path("assessment").path("proposals")) {
        post(
            "/screenings/" + s.path("id").asString() + "/decisions",
            "{\"key\":\"" + p.path("key").asString() + "\",\"decision\":\"ACCEPTED\"}");
      }
    }
    assertThat(start(id, plan, check, "").code()).isEqualTo("check-again");
    assertThat(start(id, plan, "").code()).isEqualTo("reading-wanted");
  }

  @Test
  void aFirmProposalIsNotDeclinedNorLoosened() throws Exception {
    UUID id = anyClient();
    Answer s =
        post(
            "/clients/" + id + "/screenings",
            "{\"signedClient\":\"Ada Test\",\"answers\":"
                + answers("heart.ever", "yes", "heart.event", "yes", "heart.sternotomy", "yes")
                + "}");
    JsonNode firm =
        s.body()
            .path("assessment")
            .path("proposals")
            .valueStream()
            .filter(p -> p.path("strength").asString().equals("FIRM"))
            .filter(p -> p.path("axisId").asString().equals("load.total"))
            .findFirst()
            .orElseThrow();
    String decide = "/screenings/" + s.id() + "/decisions";
    String key =
        "{\"key\":\"" + firm.path("key").asString() + "\",\"reason\":\"fine\",\"decision\":";
    assertThat(post(decide, key + "\"DECLINED\"}").status()).isBetween(400, 499);
    int cap = firm.path("cap").asInt();
    assertThat(post(decide, key + "\"CHANGED\",\"cap\":" + (cap + 1) + "}").status())
        .isBetween(400, 499);
    assertThat(
            post(
                    decide,
                    key + "\"CHANGED\",\"cap\":" + cap + ",\"from\":\"" + today.plusDays(3) + "\"}")
                .status())
        .as("a later start is looser")
        .isBetween(400, 499);
    assertThat(post(decide, key + "\"CHANGED\",\"cap\":" + (cap - 1) + "}").status())
        .isEqualTo(200);
    assertThat(post(decide, key + "\"ACCEPTED\"}").code()).isEqualTo("already-decided");
    assertThat(get("/clients/" + id + "/limits").body().get(0).path("cap").asInt())
        .isEqualTo(cap - 1);
  }

  @Test
  void aDraftIsKeptIsNotWrittenOverAndASecondSubmitIsTheSameScreening() throws Exception {
    String c = "/clients/" + anyClient();
    assertThat(get(c + "/screening-draft").body().path("answers").size()).isZero();
    Answer first = put(c + "/screening-draft", "{\"answers\":{\"sign.chest\":\"unsure\"}}", null);
    assertThat(first.status()).isEqualTo(200);
    assertThat(get(c + "/screening-draft").body().path("answers").path("sign.chest").asString())
        .isEqualTo("unsure");
    Answer stale = put(c + "/screening-draft", "{\"answers\":{\"sign.chest\":\"no\"}}", null);
    assertThat(List.of(stale.status(), stale.code())).isEqualTo(List.of(409, "stale"));
    Answer half =
        post(
            c + "/screenings",
            "{\"signedClient\":\"Ada Test\",\"answers\":{\"sign.chest\":\"unsure\"}}");
    assertThat(half.status()).isEqualTo(422);
    assertThat(half.pointers()).contains("/answers/sign.breath").hasSize(23);
    String whole = "{\"signedClient\":\"Ada Test\",\"answers\":" + answers() + "}";
    Answer one = post(c + "/screenings", whole);
    Answer two = post(c + "/screenings", whole);
    assertThat(two.status()).isEqualTo(200);
    assertThat(two.id()).isEqualTo(one.id());
    assertThat(get(c + "/screenings").body().size()).isEqualTo(1);
    assertThat(put(c + "/screening-draft", "{\"answers\":{\"sign.chest\":\"no\"}}", 0).status())
        .as("a late save after signing")
        .isEqualTo(409);
    assertThat(get(c + "/screening-draft").body().path("answers").size()).isZero();
    Answer next =
        post(
            c + "/screenings",
            "{\"signedClient\":\"Ada Test\",\"answers\":"
                + answers("falls.any", "yes", "falls.two", "yes")
                + "}");
    assertThat(next.body().path("number").asInt()).isEqualTo(2);
    assertThat(next.body().path("changes").toString()).contains("fall");
  }

  private MockHttpServletResponse upload(UUID client, String name, byte[] content)
      throws Exception {
    return mvc.perform(
            MockMvcRequestBuilders.post("/api/clients/" + client + "/attachments")
                .param("name", name)
                .with(csrf())
                .with(signedIn())
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .content(content))
        .andReturn()
        .getResponse();
  }

  private static byte[] picture(String format) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(3, 2, BufferedImage.TYPE_INT_RGB), format, out);
    return out.toByteArray();
  }

  private static final byte[] PDF =
      "%PDF-1.4\n1 0 obj<<>>endobj\ntrailer<<>>\n%%EOF\n".getBytes(StandardCharsets.US_ASCII);

  @Test
  void aFileIsKeptByItsContentUpToTenMegabytesAndOnlyEverDownloaded() throws Exception {
    UUID id = anyClient();
    byte[] html = "<html><script>alert(1)</script>%%EOF".getBytes(StandardCharsets.US_ASCII);
    byte[] cutPng = java.util.Arrays.copyOf(picture("png"), 10);
    byte[] gif = picture("gif");
    for (byte[] wrong :
        List.of(html, cutPng, gif, new byte[0], "MZ".getBytes(StandardCharsets.US_ASCII))) {
      assertThat(upload(id, "letter.pdf", wrong).getStatus()).isEqualTo(422);
    }
    assertThat(upload(id, "big.pdf", new byte[40 * 1024 * 1024]).getStatus()).isEqualTo(413);
    byte[] over = java.util.Arrays.copyOf(PDF, 10 * 1024 * 1024 + 1);
    assertThat(upload(id, "big.pdf", over).getStatus()).isEqualTo(413);
    byte[] just = new byte[10 * 1024 * 1024];
    System.arraycopy(PDF, 0, just, 0, 20);
    System.arraycopy(PDF, 20, just, just.length - (PDF.length - 20), PDF.length - 20);
    assertThat(upload(id, "just.pdf", just).getStatus()).isEqualTo(201);
    assertThat(upload(id, "x".repeat(161), PDF).getStatus()).isEqualTo(422);
    assertThat(upload(id, "a.exe", picture("jpeg")).getContentAsString()).contains("image/jpeg");
    MockHttpServletResponse kept = upload(id, "../..\\evil\".png", picture("png"));
    JsonNode view = json.readTree(kept.getContentAsString());
    assertThat(view.path("type").asString()).isEqualTo("image/png");
    assertThat(view.path("name").asString()).doesNotContain("/", "\\", "\"");
    MockHttpServletResponse back =
        mvc.perform(
                MockMvcRequestBuilders.get("/api/attachments/" + view.path("id").asString())
                    .with(signedIn()))
            .andReturn()
            .getResponse();
    assertThat(back.getContentAsByteArray()).isEqualTo(picture("png"));
    assertThat(back.getHeader("Content-Disposition")).startsWith("attachment");
    assertThat(back.getHeader("X-Content-Type-Options")).isEqualTo("nosniff");
    assertThat(back.getHeader("Content-Security-Policy")).contains("sandbox");
    assertThat(get("/clients/" + id + "/attachments").body().size()).isEqualTo(3);
    Answer foreign =
        post(
            "/clients/" + anyClient() + "/limits",
            limit(60, "FIRM", ",\"attachmentId\":\"" + view.path("id").asString() + "\""));
    assertThat(foreign.pointers()).contains("/attachmentId");
  }

  /** Someone with everything on record: run, words after, check-in, verdicts, files, drafts. */
  private UUID known() throws Exception {
    UUID id = screened("joint.any", "yes", "shoulder.pain", "yes");
    String c = "/clients/" + id;
    put(
        c,
        client("Zebedee Quillfeather", "1950-02-03")
            .replaceFirst("\\{", "{\"email\":\"zebedee@quill.example\",\"goal\":\"quillgoal\","),
        get(c).body().path("version").asInt());
    put(
        c + "/record",
        "{\"olderMaximum\":false,\"emergencyName\":\"Quillfriend\",\"goals\":[\"quillmore\"],\"consent\":{\"on\":\"%s\",\"name\":\"Zebedee Quillfeather\"}}"
            .formatted(today),
        get(c).body().path("version").asInt());
    post(c + "/happened", "{\"kind\":\"FALL\",\"on\":\"" + today + "\",\"note\":\"quillfall\"}");
    clock.shift(Duration.ofDays(1));
    post(
        c + "/screenings",
        "{\"signedClient\":\"Zebedee Quillfeather\",\"answers\":" + answers() + "}");
    post(c + "/limits", limit(60, "FIRM", ",\"why\":\"quillwhy\""));
    upload(id, "quillletter.pdf", "%PDF-quilltext %%EOF".getBytes(StandardCharsets.US_ASCII));
    UUID plan = post("/plans", PLAN).id();
    post(
        "/appointments",
        "{\"clientId\":\"%s\",\"planId\":\"%s\",\"date\":\"%s\",\"time\":\"10:00:00\"}"
            .formatted(id, plan, today.plusDays(2)));
    Answer run = start(id, plan, "");
    assertThat(run.status()).as(run.text()).isEqualTo(201);
    long t = clock.millis();
    post(
        "/runs/" + run.id() + "/events",
        "{\"events\":[" + event("START", t, 0, "") + "," + event("FINISH", t + 1000, 1, "") + "]}");
    post("/runs/" + run.id() + "/after", "{\"effort\":5,\"feel\":\"GOOD\",\"note\":\"quillnote\"}");
    put(c + "/screening-draft", "{\"answers\":{\"sign.chest\":\"unsure\"}}", null);
    post("/rooms", "{\"name\":\"Quillhome\",\"clientId\":\"" + id + "\",\"room\":" + ROOM + "}");
    return id;
  }

  private static final String ROOM =
      "{\"chairs\":[],\"dumbbells\":[],\"standIns\":[],\"bands\":[],\"stepCm\":[],\"wall\":true,\"things\":[],\"machines\":[]}";

  /** Every row of every table that holds some text, as table and column. */
  private List<String> holding(String text) {
    List<String> found = new ArrayList<>();
    jdbc.sql(
            "select table_name, column_name from information_schema.columns where table_schema = database() and table_name <> 'flyway_schema_history'")
        .query((rs, n) -> new String[] {rs.getString(1), rs.getString(2)})
        .list()
        .forEach(
            c -> {
              long n =
                  jdbc.sql(
                          "select count(*) from `%s` where cast(`%s` as char) like :t"
                              .formatted(c[0], c[1]))
                      .param("t", "%" + text + "%")
                      .query(Long.class)
                      .single();
              if (n > 0) {
                found.add(c[0] + "." + c[1]);
              }
            });
    return found;
  }

  @Test
  void theExportHoldsEverythingAndErasureLeavesNothing() throws Exception {
    UUID id = known();
    UUID neighbour = screened("falls.any", "yes", "falls.two", "yes");
    String c = "/clients/" + id;
    // in a group, dropped in elsewhere, with a dose ticked off
    UUID plan = post("/plans/starting-points/copy", "{\"name\":\"Ten at a time\"}").id();
    Answer group =
        post(
            "/groups",
            "{\"name\":\"G\",\"planId\":\"%s\",\"lanes\":2,\"members\":[\"%s\"]}"
                .formatted(plan, id));
    assertThat(group.status()).as(group.text()).isEqualTo(201);
    assertThat(post(c + "/day-plans", "{\"planId\":\"" + plan + "\"}").status()).isEqualTo(200);
    assertThat(post(c + "/adapted/" + plan + "/seen", "{}").status()).isEqualTo(200);
    String note = "{\"kind\":\"NOTE\",\"on\":\"%s\",\"words\":\"quilldiary\"}";
    assertThat(post(c + "/diary", note.formatted(LocalDate.now(ZoneId.of("Europe/Oslo")))).status())
        .isEqualTo(201);
    Answer review = post(c + "/reviews", "{}");
    assertThat(review.status()).as(review.text()).isEqualTo(201);
    assertThat(
            call(
                    me,
                    "POST",
                    "/reviews/" + review.id() + "/points",
                    "{\"kind\":\"OTHER\",\"words\":\"quillpoint\"}",
                    0)
                .status())
        .isEqualTo(200);
    Answer export = get(c + "/export");
    assertThat(export.body().path("parts").propertyNames())
        .containsExactlyInAnyOrder(
            "client",
            "screening",
            "limits",
            "choices",
            "weights",
            "adaptedPlansSeen",
            "runs",
            "tolerance",
            "check-ins",
            "appointments",
            "groups",
            "throughTheDay",
            "diary",
            "reviews");
    assertThat(export.text())
        .contains(
            "quilldiary",
            "quillpoint",
            "Zebedee Quillfeather",
            "quillgoal",
            "Quillfriend",
            "quillmore",
            "quillfall",
            "quillwhy",
            "quillletter.pdf",
            "Quillhome",
            // the file itself, as base64
            java.util.Base64.getEncoder()
                .encodeToString("%PDF-quilltext %%EOF".getBytes(StandardCharsets.US_ASCII)));
    assertThat(holding("Zebedee")).isNotEmpty();
    assertThat(holding("quill")).isNotEmpty();
    assertThat(post(c + "/erase", "{\"name\":\"zebedee\"}").pointers()).contains("/name");
    assertThat(get(c).status()).isEqualTo(200);
    assertThat(post(c + "/erase", "{\"name\":\"Zebedee Quillfeather\"}").status()).isEqualTo(204);
    assertThat(holding("Zebedee")).isEmpty();
    assertThat(holding("quill")).isEmpty();
    assertThat(holding(id.toString()))
        .as("only that an erasure took place")
        .allMatch(x -> x.startsWith("audit_entry."));
    assertThat(get(c).status()).isEqualTo(404);
    assertThat(get("/clients/" + neighbour).status()).isEqualTo(200);
    assertThat(get("/clients/" + neighbour + "/limits").body().size()).isPositive();
  }

  @Test
  void anArchivedClientOrOneWhoWithdrewConsentGetsNothingNew() throws Exception {
    UUID id = screened();
    String c = "/clients/" + id;
    UUID plan = post("/plans", PLAN).id();
    assertThat(post(c + "/archive", "{}").status()).isEqualTo(200);
    String[][] tries = {
      {"POST", c + "/today-checks", check("")},
      {"POST", c + "/limits", limit(60, "FIRM", "")},
      {"POST", c + "/clearances", clearance(today, "", "x")},
      {"POST", c + "/screenings", "{\"signedClient\":\"Ada Test\",\"answers\":" + answers() + "}"},
    };
    for (String[] t : tries) {
      Answer a = call(me, t[0], t[1], t[2], null);
      assertThat(List.of(a.status(), a.code())).as(t[1]).isEqualTo(List.of(409, "archived"));
    }
    post(c + "/restore", "{}");
    UUID check = post(c + "/today-checks", check("")).id();
    put(
        c + "/record",
        "{\"olderMaximum\":false,\"consent\":{\"on\":\"%s\",\"name\":\"Ada\",\"withdrawnOn\":\"%s\"}}"
            .formatted(today.minusDays(3), today),
        get(c).body().path("version").asInt());
    assertThat(start(id, plan, check, "").code()).isEqualTo("consent-withdrawn");
    assertThat(post(c + "/limits", limit(60, "FIRM", "")).code()).isEqualTo("consent-withdrawn");
    assertThat(get(c + "/export").status()).isEqualTo(200);
  }

  @Test
  void aClientWithEveryConditionAtOnceIsAnsweredAndReadable() throws Exception {
    List<String> pairs = new ArrayList<>();
    for (Question q : Screening.questions()) {
      if (q.kind() == Question.Kind.YES_NO) {
        pairs.add(q.id());
        pairs.add(q.protective() ? "no" : "yes");
      } else if (q.kind() == Question.Kind.SIDE) {
        pairs.add(q.id());
        pairs.add("both");
      }
    }
    pairs.addAll(List.of("pregnancy.due", today.plusDays(100).toString()));
    pairs.addAll(List.of("birth.date", today.minusDays(300).toString()));
    UUID id = screened(pairs.toArray(String[]::new));
    String c = "/clients/" + id;
    assertThat(outcome(id)).isEqualTo("CLEARANCE_ONLY");
    JsonNode on = get(c + "/limits/on?date=" + today).body().path("rows");
    assertThat(on.size()).isGreaterThan(20);
    List<String> keys =
        on.valueStream().map(r -> r.path("axisId").asString() + r.path("side").asString()).toList();
    assertThat(keys).as("one row an axis and side, the tightest").doesNotHaveDuplicates();
    JsonNode open = get(c + "/open?date=" + today).body();
    assertThat(open.path("closers").size()).isPositive();
    UUID plan = post("/plans", PLAN).id();
    JsonNode slots = get(c + "/adapted/" + plan).body().path("slots");
    assertThat(slots.size()).isEqualTo(7);
    for (JsonNode s : slots) {
      if (!s.path("asAsked").asBoolean()) {
        assertThat(s.path("reasons").size()).as(s.toString()).isPositive();
      }
    }
    JsonNode needs = get(c + "/today-checks/needs").body();
    assertThat(needs.path("required").size()).isEqualTo(4);
  }

  @Test
  void aRoomTakesWhatIsInItAndRefusesNonsense() throws Exception {
    String wheels =
        ROOM.replace(
            "\"chairs\":[]",
            "\"chairs\":[{\"name\":\"office chair\",\"seatCm\":48,\"arms\":true,\"wheels\":true,\"solid\":true,\"ownWheelchair\":false,\"count\":1}]");
    Answer room = post("/rooms", "{\"name\":\"Den\",\"room\":" + wheels + "}");
    assertThat(room.status()).as(room.text()).isEqualTo(201);
    assertThat(room.body().path("refused").toString()).contains("wheels");
    assertThat(post("/rooms", "{\"name\":\"\",\"room\":" + ROOM + "}").pointers())
        .contains("/name");
    assertThat(
            post(
                    "/rooms",
                    "{\"name\":\"Den\",\"room\":"
                        + ROOM.replace("\"stepCm\":[]", "\"stepCm\":[-4]")
                        + "}")
                .status())
        .isEqualTo(422);
    UUID id = screened();
    assertThat(
            put(
                    "/clients/" + id + "/place",
                    "{\"roomId\":\"" + room.id() + "\"}",
                    get("/clients/" + id).body().path("version").asLong())
                .status())
        .isEqualTo(200);
    assertThat(call(me, "DELETE", "/rooms/" + room.id(), null, 0).code()).isEqualTo("in-use");
    UUID plan = post("/plans", PLAN).id();
    Answer needs = get("/clients/" + id + "/plans/" + plan + "/needs");
    assertThat(needs.text()).contains("wheels");
    assertThat(needs.body().path("lacking"))
        .as("asked for, and no dumbbell, no solid chair in the den")
        .isNotEmpty();
    assertThat(needs.body().path("needs").valueStream())
        .as("what is done takes only what is there")
        .allMatch(n -> n.path("here").isString());
    assertThat(put("/rooms/" + room.id(), "{\"name\":\"Den\",\"room\":" + ROOM + "}", 7).status())
        .isEqualTo(409);
  }

  @Test
  void aStrangerFindsNoneOfTheClientsPapersRoomsOrReadings() throws Exception {
    UUID id = screened("joint.any", "yes", "shoulder.pain", "yes", "shoulder.side", "left");
    UUID plan = post("/plans", PLAN).id();
    UUID check = post("/clients/" + id + "/today-checks", check("")).id();
    JsonNode file = json.readTree(upload(id, "a.pdf", PDF).getContentAsString());
    UUID room = post("/rooms", "{\"name\":\"Den\",\"room\":" + ROOM + "}").id();
    UUID theirs = call(stranger, "POST", "/clients", client("T", "1960-01-01"), null).id();
    UUID screening =
        UUID.fromString(get("/clients/" + id + "/screenings").body().get(0).path("id").asString());
    String c = "/clients/" + id;
    String[][] tries = {
      {"PUT", c + "/record", "{\"olderMaximum\":false}"},
      {"PUT", c + "/place", "{\"roomId\":null}"},
      {"PUT", "/clients/" + theirs + "/place", "{\"roomId\":\"" + room + "\"}"},
      {"POST", c + "/archive", "{}"},
      {"POST", c + "/restore", "{}"},
      {"POST", c + "/erase", "{\"name\":\"Ada Test\"}"},
      {"GET", c + "/export"},
      {"GET", c + "/attachments"},
      {"GET", "/attachments/" + file.path("id").asString()},
      {"GET", c + "/today-checks"},
      {"GET", c + "/today-checks/needs"},
      {"POST", c + "/today-checks", check("")},
      {"POST", c + "/today-checks/preview", check("")},
      {"GET", c + "/clearances/default?givenOn=2026-01-01"},
      {"GET", c + "/happened"},
      {"POST", c + "/happened", "{\"kind\":\"FALL\",\"on\":\"2026-01-01\"}"},
      {"GET", c + "/letter"},
      {"GET", c + "/pulse"},
      {"GET", c + "/open"},
      {"GET", c + "/limits/on"},
      {"GET", c + "/plans/" + plan + "/needs"},
      {"GET", c + "/screening-draft"},
      {"PUT", c + "/screening-draft", "{\"answers\":{}}"},
      {"DELETE", c + "/screening-draft"},
      {"POST", "/screenings/" + screening + "/decisions/accept", "{\"keys\":[\"x\"]}"},
      {"PUT", "/rooms/" + room, "{\"name\":\"Mine\",\"room\":" + ROOM + "}"},
      {"DELETE", "/rooms/" + room},
      {"POST", "/rooms", "{\"name\":\"Mine\",\"clientId\":\"" + id + "\",\"room\":" + ROOM + "}"},
    };
    for (String[] t : tries) {
      Answer a = call(stranger, t[0], t[1], t.length > 2 ? t[2] : null, 0);
      assertThat(a.status()).as("%s %s: %s", t[0], t[1], a.text()).isEqualTo(404);
    }
    assertThat(call(stranger, "GET", "/rooms", null, null).body().size()).isZero();
    assertThat(
            call(stranger, "GET", "/audit?clientId=" + id, null, null)
                .body()
                .path("total")
                .asInt(-1))
        .isZero();
    UUID theirPlan = call(stranger, "POST", "/plans", PLAN, null).id();
    Answer borrowed =
        call(
            stranger,
            "POST",
            "/runs",
            "{\"clientId\":\"%s\",\"planId\":\"%s\",\"checkId\":\"%s\"}"
                .formatted(theirs, theirPlan, check),
            null);
    assertThat(borrowed.status()).isBetween(400, 499);
  }
}
