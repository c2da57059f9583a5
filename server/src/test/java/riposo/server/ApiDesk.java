package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.net.URI;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
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

/**
 * What tests of the API share: a studio and a stranger's, calls, answers, a client to work with.
 */
@SpringBootTest
@AutoConfigureMockMvc
abstract class ApiDesk {
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

  Professional me;
  Professional stranger;

  @BeforeEach
  void studio() {
    me =
        new Professional(
            UUID.randomUUID(), studios.create("Test", "Europe/Oslo", "112"), "a@b.example", "A");
    stranger =
        new Professional(
            UUID.randomUUID(), studios.create("Other", "UTC", "112"), "s@b.example", "S");
  }

  /** How far the clock goes to that hour of the studio's day, so that no test meets midnight. */
  Duration to(int hour) {
    Instant now = Instant.now();
    ZoneId oslo = ZoneId.of("Europe/Oslo");
    return Duration.between(
        now, LocalDate.ofInstant(now, oslo).atTime(hour, 0).atZone(oslo).toInstant());
  }

  @AfterEach
  void today() {
    clock.shift(Duration.ZERO);
  }

  Answer call(Professional who, String method, String path, String body, Object version)
      throws Exception {
    MockHttpServletRequestBuilder r =
        request(HttpMethod.valueOf(method), URI.create("/api" + path))
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

  Answer get(String path) throws Exception {
    return call(me, "GET", path, null, null);
  }

  Answer post(String path, String body) throws Exception {
    return call(me, "POST", path, body, null);
  }

  static String client(String name, String birth) {
    return """
        {"name":"%s","birthDate":"%s","mobility":"USUAL","school":"PAIN_FREE","usualPain":0,"goalEffort":6,
         "kit":["CHAIR","WALL","DUMBBELLS","COUNTER","MAT","BAND"],"weights":[{"grams":1000,"count":2},{"grams":2000,"count":2}]}"""
        .formatted(name, birth);
  }

  UUID anyClient() throws Exception {
    return post("/clients", client("Ada Test", "1960-01-01")).id();
  }

  /**
   * Answers of a healthy client with those given; what they bring up is answered no, or the first.
   */
  static String answers(String... pairs) {
    var all =
        Screening.questions().stream()
            .filter(q -> q.kind() == Question.Kind.YES_NO)
            .collect(Collectors.toMap(Question::id, q -> q.protective() ? "yes" : "no"));
    for (Question q : Screening.questions()) {
      if (q.kind() == Question.Kind.SIDE) {
        all.put(q.id(), "left");
      } else if (q.kind() == Question.Kind.CHOICE) {
        all.put(q.id(), q.options().get(0).value());
      }
    }
    for (int i = 0; i < pairs.length; i += 2) {
      all.put(pairs[i], pairs[i + 1]);
    }
    return all.entrySet().stream()
        .map(e -> "\"" + e.getKey() + "\":\"" + e.getValue() + "\"")
        .collect(Collectors.joining(",", "{", "}"));
  }

  /** A block of a plan as the API takes it. */
  static String block(String block, String format, String... slots) {
    return "{\"key\":\"%s\",\"block\":\"%s\",\"format\":%s,\"alternate\":false,\"talk\":0,\"setUp\":0,\"slots\":[%s]}"
        .formatted(
            block.toLowerCase(java.util.Locale.ROOT), block, format, String.join(",", slots));
  }

  static String slot(String key, String movement, int seconds) {
    return "{\"key\":\"%s\",\"movementId\":\"%s\"%s}"
        .formatted(key, movement, seconds == 0 ? "" : ",\"seconds\":" + seconds);
  }

  static String plan(String name, String... blocks) {
    return "{\"name\":\"%s\",\"plan\":{\"blocks\":[%s]}}".formatted(name, String.join(",", blocks));
  }

  static final String IN_TURN = "{\"kind\":\"IN_TURN\"}";
  static final String INTERVALS =
      "{\"kind\":\"INTERVALS\",\"values\":{\"WORK\":40,\"REST\":20,\"ROUNDS\":2}}";
  static final String PLAN =
      plan(
          "Plan",
          block("WARM_UP", IN_TURN, slot("w1", "march", 300)),
          block(
              "WORK",
              INTERVALS,
              slot("s1", "squat", 0),
              slot("s2", "hinged-row", 0),
              slot("s3", "counter-push-up", 0),
              slot("s4", "overhead-press", 0),
              slot("s5", "one-leg-stand", 0)),
          block("COOL_DOWN", IN_TURN, slot("c1", "seated-breathing", 180)));

  UUID screened(String... pairs) throws Exception {
    UUID id = anyClient();
    Answer s =
        post(
            "/clients/" + id + "/screenings",
            "{\"signedClient\":\"Ada Test\",\"answers\":" + answers(pairs) + "}");
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

  static String check(String more) {
    return "{\"sleep\":7,\"energy\":7,\"pain\":0,\"pulseIrregular\":false,\"severeLow\":false,\"wobbly\":false,\"hardYesterday\":false,\"signs\":[\"NONE\"]%s}"
        .formatted(more);
  }

  /** Today's check with some readings, then the start; a refused check is the answer. */
  Answer start(UUID client, UUID plan, String more, String reason) throws Exception {
    Answer c = post("/clients/" + client + "/today-checks", check(more));
    return c.status() != 201 ? c : start(client, plan, c.id(), reason);
  }

  Answer start(UUID client, UUID plan, UUID check, String reason) throws Exception {
    return post(
        "/runs",
        "{\"clientId\":\"%s\",\"planId\":\"%s\",\"checkId\":\"%s\"%s}"
            .formatted(
                client, plan, check, reason.isEmpty() ? "" : ",\"reason\":\"" + reason + "\""));
  }

  Answer start(UUID client, UUID plan, String more) throws Exception {
    return start(client, plan, more, "");
  }

  String event(String kind, long at, int seq, String more) {
    return "{\"id\":\"%s\",\"at\":%d,\"seq\":%d,\"kind\":\"%s\"%s}"
        .formatted(UUID.randomUUID(), at, seq, kind, more);
  }
}
