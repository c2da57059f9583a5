package riposo.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import riposo.core.screening.Question;
import riposo.core.screening.Screening;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A professional signed in over HTTP, as the measuring programs need one. */
public final class Desk {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private final String base;
  private final CookieManager cookies = new CookieManager();
  private final HttpClient http =
      HttpClient.newBuilder().cookieHandler(cookies).connectTimeout(Duration.ofSeconds(5)).build();

  /** A status and the body that came with it; an empty object where there was none. */
  public record Answer(int status, JsonNode body) {}

  public Desk(String base) {
    this.base = base;
  }

  /** Whether a server answers there. */
  public boolean up() throws InterruptedException {
    try {
      return send(HttpRequest.newBuilder(URI.create(base + "/actuator/health"))).status() == 200;
    } catch (IOException e) {
      return false;
    }
  }

  public void signIn(String email, String password) throws IOException, InterruptedException {
    send(HttpRequest.newBuilder(URI.create(base + "/api/me")));
    post("/sign-in", "{\"email\":\"%s\",\"password\":\"%s\"}".formatted(email, password));
  }

  public JsonNode get(String path) throws IOException, InterruptedException {
    return good(path, send(HttpRequest.newBuilder(URI.create(base + "/api" + path))));
  }

  /** The answer as it came, unread. */
  public String text(String path) throws IOException, InterruptedException {
    HttpResponse<String> r =
        http.send(
            HttpRequest.newBuilder(URI.create(base + "/api" + path))
                .timeout(Duration.ofSeconds(60))
                .build(),
            HttpResponse.BodyHandlers.ofString());
    if (r.statusCode() / 100 != 2) {
      throw new IOException(path + " answered " + r.statusCode() + " " + r.body());
    }
    return r.body();
  }

  public JsonNode post(String path, String body) throws IOException, InterruptedException {
    String token =
        cookies.getCookieStore().getCookies().stream()
            .filter(c -> c.getName().equals("XSRF-TOKEN"))
            .map(HttpCookie::getValue)
            .findFirst()
            .orElse("");
    return good(
        path,
        send(
            HttpRequest.newBuilder(URI.create(base + "/api" + path))
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", token)
                .POST(HttpRequest.BodyPublishers.ofString(body))));
  }

  private static JsonNode good(String path, Answer a) throws IOException {
    if (a.status() / 100 != 2) {
      throw new IOException(path + " answered " + a.status() + " " + a.body());
    }
    return a.body();
  }

  private Answer send(HttpRequest.Builder request) throws IOException, InterruptedException {
    HttpResponse<String> r =
        http.send(
            request.timeout(Duration.ofSeconds(30)).build(), HttpResponse.BodyHandlers.ofString());
    String text = r.body();
    return new Answer(
        r.statusCode(),
        text.startsWith("{") || text.startsWith("[")
            ? JSON.readTree(text)
            : JSON.createObjectNode());
  }

  /** A made-up client who may start at once. */
  public String client(String name) throws IOException, InterruptedException {
    String id =
        post(
                "/clients",
                """
                {"name":"%s","birthDate":"1970-01-01","mobility":"USUAL","school":"PAIN_FREE","usualPain":0,"goalEffort":6,
                 "kit":["CHAIR","WALL","DUMBBELLS","COUNTER","MAT"],"weights":[{"grams":1000,"count":2},{"grams":2000,"count":2}]}"""
                    .formatted(name))
            .path("id")
            .asString();
    Map<String, String> answers =
        Screening.questions().stream()
            .filter(q -> q.kind() == Question.Kind.YES_NO)
            .collect(Collectors.toMap(Question::id, q -> q.protective() ? "yes" : "no"));
    post(
        "/clients/" + id + "/screenings",
        "{\"signedClient\":\"%s\",\"answers\":%s}"
            .formatted(name, JSON.writeValueAsString(answers)));
    return id;
  }

  /** The plan of that name. */
  public String plan(String name) throws IOException, InterruptedException {
    return get("/plans")
        .valueStream()
        .filter(p -> p.path("name").asString().equals(name))
        .findFirst()
        .orElseThrow(() -> new IOException("no plan " + name))
        .path("id")
        .asString();
  }

  /** The first plan; the first starting point made one where there is none. */
  public String plan() throws IOException, InterruptedException {
    JsonNode there = get("/plans");
    if (there.isEmpty()) {
      String name = get("/plans/starting-points").get(0).path("name").asString();
      return post("/plans/starting-points/copy", "{\"name\":\"%s\"}".formatted(name))
          .path("id")
          .asString();
    }
    return there.get(0).path("id").asString();
  }

  /** Checks a client as well today; returns the check. */
  public String check(String client) throws IOException, InterruptedException {
    return post(
            "/clients/" + client + "/today-checks",
            "{\"sleep\":7,\"energy\":7,\"pain\":0,\"pulseIrregular\":false,\"severeLow\":false,\"wobbly\":false,\"hardYesterday\":false,\"signs\":[\"NONE\"]}")
        .path("id")
        .asString();
  }

  /** A group of these clients in no room, with the first plan that has a clock; returns its id. */
  public String group(String name, String plan, List<String> members)
      throws IOException, InterruptedException {
    return post(
            "/groups",
            "{\"name\":\"%s\",\"planId\":\"%s\",\"lanes\":3,\"members\":[%s]}"
                .formatted(
                    name,
                    plan,
                    members.stream().map(m -> "\"" + m + "\"").collect(Collectors.joining(","))))
        .path("id")
        .asString();
  }

  /** Checks these of a group as well today and starts them; returns the run as shown. */
  public JsonNode startGroup(String group, List<String> who)
      throws IOException, InterruptedException {
    StringBuilder people = new StringBuilder();
    for (String id : who) {
      people
          .append(people.isEmpty() ? "" : ",")
          .append(
              "{\"clientId\":\"%s\",\"checkId\":\"%s\",\"reason\":\"measured\"}"
                  .formatted(id, check(id)));
    }
    String run =
        post(
                "/groups/" + group + "/runs",
                "{\"id\":\"%s\",\"people\":[%s]}".formatted(UUID.randomUUID(), people))
            .path("runId")
            .asString();
    return get("/runs/" + run);
  }

  /** Starts a run; returns it as shown. */
  public JsonNode start(String client, String plan, String check)
      throws IOException, InterruptedException {
    return post(
        "/runs",
        "{\"id\":\"%s\",\"clientId\":\"%s\",\"planId\":\"%s\",\"checkId\":\"%s\",\"reason\":\"measured\"}"
            .formatted(UUID.randomUUID(), client, plan, check));
  }
}
