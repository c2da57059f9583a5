package riposo.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Requests made up by chance from the API's own document: {@code ./riposo bench fuzz 20000 18}.
 * Each fits its document mostly and is odd somewhere: a value of another type, out of any range,
 * with signs nobody sees, a hole in a list, half a body, an address that is none. The same seed
 * asks the same as far as the answers do. None may be answered 5xx, none take more than two
 * seconds.
 */
public final class Fuzz {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
  private static final Pattern ID =
      Pattern.compile("[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}");
  private static final int MOST_IDS = 400;
  private static final long TOO_LONG_MS = 2_000;

  /** What ends the session or answers who one is not: left out. */
  private static final List<String> NOT_ASKED = List.of("/api/sign-out", "/api/sign-in");

  private static final List<String> TEXTS =
      List.of(
          "",
          " ",
          "Ada",
          "\u0000",
          "a\u0001b\u001f",
          "\u202egnol\u202c",
          "\u200b\u200b",
          "\ufeffBOM",
          "Zoe\u0301",
          "\ud83d\udc69\u200d\ud83e\uddbd",
          "-1",
          "1e999",
          "NaN",
          "null",
          "true",
          "'; drop table client; --",
          "<script>alert(1)</script>",
          "${jndi:ldap://x}",
          "../../etc/passwd",
          "%00%0d%0aX-Odd: 1",
          "line\r\nline",
          "\u2028",
          "\ufffe",
          "İıſK",
          "2026-02-30",
          "+999999999-12-31",
          "-0001-01-01",
          "9999-12-31T23:59:59Z",
          "P1D");

  private static final List<String> NUMBERS =
      List.of(
          "0",
          "-1",
          "1",
          "0.5",
          "-0.0",
          "1e9",
          "1e400",
          "-1e400",
          "2147483647",
          "2147483648",
          "-2147483649",
          "9223372036854775807",
          "9223372036854775808",
          "1e-400",
          "123456789012345678901234567890",
          "1E+100000");

  private record Operation(String method, String path, JsonNode told) {}

  /** One that went wrong: what was asked, and what came. */
  public record Odd(String asked, int status, long ms, String answer) {}

  /**
   * What came of it.
   *
   * @param statuses how many were answered with which
   * @param failed those of 5xx, and those not answered at all (status 0)
   * @param slow those of more than two seconds
   * @param worst the longest, in milliseconds
   */
  public record Outcome(
      int asked, Map<Integer, Integer> statuses, List<Odd> failed, List<Odd> slow, long worst) {}

  private final String base;
  private final Random random;
  private final CookieManager cookies = new CookieManager();
  private final HttpClient http =
      HttpClient.newBuilder().cookieHandler(cookies).connectTimeout(Duration.ofSeconds(5)).build();
  private final List<String> ids = new ArrayList<>();

  /** Ids by the word of the address that they stand behind. */
  private final Map<String, List<String>> named = new HashMap<>();

  private JsonNode document = MAKE.objectNode();

  public Fuzz(String base, long seed) {
    this.base = base;
    this.random = new Random(seed);
  }

  /** The port, how many, the seed, and the server's process number: its memory is told. */
  public static void main(String[] args) throws Exception {
    int count = Integer.parseInt(args[1]);
    long seed = Long.parseLong(args[2]);
    Fuzz fuzz = new Fuzz("http://127.0.0.1:" + args[0], seed);
    fuzz.signIn("marit@lanternfield.example", "lantern-light");
    int failed = 0;
    long worst = 0;
    Map<Integer, Integer> statuses = new TreeMap<>();
    for (int part = 1; part <= 10; part++) {
      Outcome o = fuzz.run(count / 10);
      o.statuses().forEach((k, v) -> statuses.merge(k, v, Integer::sum));
      failed += o.failed().size() + o.slow().size();
      worst = Math.max(worst, o.worst());
      o.failed().forEach(odd -> System.out.println("FAILED " + odd));
      o.slow().forEach(odd -> System.out.println("SLOW " + odd));
      System.out.printf(
          "%d asked, longest %d ms, server %s%n", part * count / 10, worst, memory(args[3]));
    }
    System.out.println("answered " + statuses);
    if (failed > 0) {
      System.exit(1);
    }
  }

  private static String memory(String pid) throws IOException {
    try (var lines = Files.lines(Path.of("/proc", pid, "status"))) {
      return lines
          .filter(l -> l.startsWith("VmRSS"))
          .findFirst()
          .orElse("")
          .replaceAll("\\s+", " ");
    }
  }

  /** Signs in and reads the document. */
  public void signIn(String email, String password) throws IOException, InterruptedException {
    send("GET", "/api/me", null, null, null);
    String body = "{\"email\":\"%s\",\"password\":\"%s\"}".formatted(email, password);
    HttpResponse<byte[]> in =
        send(
            "POST",
            "/api/sign-in",
            body.getBytes(StandardCharsets.UTF_8),
            "application/json",
            null);
    if (in.statusCode() != 200) {
      throw new IOException("not signed in: " + in.statusCode());
    }
    document = JSON.readTree(send("GET", "/api/openapi", null, null, null).body());
  }

  /** Asks so many. */
  public Outcome run(int count) throws InterruptedException {
    List<Operation> operations = operations();
    Map<Integer, Integer> statuses = new TreeMap<>();
    List<Odd> failed = new ArrayList<>();
    List<Odd> slow = new ArrayList<>();
    long worst = 0;
    for (int i = 0; i < count; i++) {
      // lists give the ids that the others need
      Operation o =
          i < operations.size() && ids.size() < MOST_IDS
              ? operations.get(i)
              : operations.get(random.nextInt(operations.size()));
      String path = path(o);
      byte @Nullable [] body = body(o);
      String type = type(o);
      String match =
          chance(0.3)
              ? pick(
                  List.of(
                      "\"0\"",
                      "\"1\"",
                      "*",
                      "W/\"1\"",
                      "1",
                      "\"x\"",
                      "\"9223372036854775808\"",
                      ""))
              : null;
      String asked =
          o.method()
              + " "
              + path
              + (match == null ? "" : " If-Match " + match)
              + (body == null
                  ? ""
                  : " " + type + " " + cut(new String(body, StandardCharsets.UTF_8), 600));
      long from = System.nanoTime();
      int status = 0;
      String answer;
      try {
        HttpResponse<byte[]> r = send(o.method(), path, body, type, match);
        status = r.statusCode();
        answer = new String(r.body(), StandardCharsets.UTF_8);
        if (status == 401
            && !path.startsWith("/api/check-in")
            && !path.startsWith("/api/screens")) {
          throw new IllegalStateException("signed out by " + asked);
        }
      } catch (IOException e) {
        answer = e.toString();
      }
      long ms = (System.nanoTime() - from) / 1_000_000;
      worst = Math.max(worst, ms);
      statuses.merge(status, 1, Integer::sum);
      if (status == 0 || status >= 500) {
        failed.add(new Odd(asked, status, ms, cut(answer, 300)));
      } else if (ms > TOO_LONG_MS) {
        slow.add(new Odd(asked, status, ms, cut(answer, 100)));
      }
      learn(o, status, answer);
    }
    return new Outcome(count, statuses, failed, slow, worst);
  }

  private List<Operation> operations() {
    List<Operation> all = new ArrayList<>();
    document
        .path("paths")
        .properties()
        .forEach(
            p ->
                p.getValue()
                    .properties()
                    .forEach(
                        o -> {
                          if (!NOT_ASKED.contains(p.getKey())) {
                            all.add(
                                new Operation(
                                    o.getKey().toUpperCase(java.util.Locale.ROOT),
                                    p.getKey(),
                                    o.getValue()));
                          }
                        }));
    return all;
  }

  private void learn(Operation o, int status, String answer) {
    if (status / 100 == 2 && !o.path().endsWith("}") && answer.matches("(?s)[\\[{].*")) {
      JsonNode all = JSON.readTree(answer);
      String word = o.path().substring(o.path().lastIndexOf('/') + 1);
      List<String> pool = named.computeIfAbsent(word, k -> new ArrayList<>());
      for (JsonNode one : all.isArray() ? all : MAKE.arrayNode().add(all)) {
        String id = one.path("id").asString("");
        if (!id.isEmpty() && pool.size() < MOST_IDS) {
          pool.add(id);
        }
      }
    }
    Matcher m = ID.matcher(answer);
    for (int n = 0; n < 20 && m.find(); n++) {
      if (ids.size() < MOST_IDS) {
        ids.add(m.group());
      } else if (chance(0.2)) {
        ids.set(random.nextInt(MOST_IDS), m.group());
      }
    }
  }

  private String path(Operation o) {
    String path = o.path();
    StringBuilder query = new StringBuilder();
    for (JsonNode p : o.told().path("parameters")) {
      String name = p.path("name").asString();
      if (p.path("in").asString().equals("path")) {
        List<String> fitting = named.getOrDefault(before(path, name), List.of());
        String value = !fitting.isEmpty() && chance(0.85) ? pick(fitting) : word(p.path("schema"));
        path = path.replace("{" + name + "}", encoded(value));
      } else if (p.path("in").asString().equals("query")
          && (p.path("required").asBoolean(false) ? chance(0.95) : chance(0.5))) {
        int times = chance(0.05) ? 3 : 1;
        for (int k = 0; k < times; k++) {
          query
              .append(query.isEmpty() ? '?' : '&')
              .append(name)
              .append(chance(0.02) ? "[]" : "")
              .append('=')
              .append(encoded(word(p.path("schema"))));
        }
      }
    }
    return path + query;
  }

  /** The word before a place of an address. */
  private static String before(String path, String name) {
    String[] words = path.substring(0, path.indexOf("{" + name + "}")).split("/");
    return words[words.length - 1];
  }

  /** A value of an address. */
  private String word(JsonNode schema) {
    if (chance(0.03)) {
      return pick(TEXTS);
    }
    if (chance(0.01)) {
      return "x".repeat(chance(0.5) ? 300 : 6_000);
    }
    JsonNode v = value(schema, 0);
    String s =
        v.isArray()
            ? v.valueStream().map(x -> x.asString("")).collect(Collectors.joining(","))
            : v.asString("");
    return s.isEmpty() && chance(0.9) ? id() : s;
  }

  private static String encoded(String s) {
    String e = URLEncoder.encode(s, StandardCharsets.UTF_8).replace("+", "%20");
    return e.equals(".") || e.equals("..") ? "%2e" : e;
  }

  private @Nullable String type(Operation o) {
    JsonNode content = o.told().path("requestBody").path("content");
    if (content.isEmpty()) {
      return null;
    }
    return chance(0.02)
        ? pick(
            List.of(
                "text/plain",
                "application/xml",
                "multipart/form-data",
                "application/json;charset=utf-16",
                "x"))
        : content.propertyNames().iterator().next();
  }

  private byte @Nullable [] body(Operation o) {
    JsonNode content = o.told().path("requestBody").path("content");
    if (content.isEmpty()) {
      return null;
    }
    String type = content.propertyNames().iterator().next();
    if (!type.contains("json")) {
      byte[] bytes = new byte[random.nextInt(200)];
      random.nextBytes(bytes);
      return chance(0.5)
          ? bytes
          : pick(List.of(
                  "a: &a [1,1]\nb: [*a,*a]",
                  "{\"plan\":1}",
                  "- - - - - -",
                  "%PDF-1.4",
                  "a: !!x y",
                  "[".repeat(2000),
                  "{\"name\":\"\\ud800\"}"))
              .getBytes(StandardCharsets.UTF_8);
    }
    String text = value(content.path(type).path("schema"), 0).toString();
    // numbers that no node can hold, and names said twice
    if (chance(0.05)) {
      text = text.replaceFirst("-?[0-9]+(\\.[0-9]+)?", Matcher.quoteReplacement(pick(NUMBERS)));
    }
    if (chance(0.02)) {
      text = text.replaceFirst("\\{\"(\\w+)\":", "{\"$1\":null,\"$1\":");
    }
    if (chance(0.02)) {
      text =
          pick(
              List.of(
                  "",
                  "null",
                  "[]",
                  "{}",
                  "\"\"",
                  "0",
                  "[[[[",
                  "{\"a\":".repeat(900),
                  "\\ud800",
                  "\"\\ud800\""));
    }
    byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
    if (chance(0.02) && bytes.length > 0) {
      return Arrays.copyOf(bytes, random.nextInt(bytes.length));
    }
    if (chance(0.02)) {
      for (int n = 0; n < 3 && bytes.length > 0; n++) {
        bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
      }
    }
    return bytes;
  }

  private JsonNode value(JsonNode schema, int depth) {
    return value("", schema, depth);
  }

  /**
   * @param name of the field it is for
   */
  private JsonNode value(String name, JsonNode schema, int depth) {
    JsonNode s = schema;
    while (s.has("$ref")) {
      s = document.at(s.path("$ref").asString().substring(1));
    }
    if (depth > 0 && chance(0.04)) {
      return odd();
    }
    for (String several : List.of("oneOf", "anyOf", "allOf")) {
      if (s.has(several)) {
        return value(s.path(several).get(random.nextInt(s.path(several).size())), depth);
      }
    }
    if (s.has("enum")) {
      return s.path("enum").get(random.nextInt(s.path("enum").size()));
    }
    String type =
        s.path("type").isArray()
            ? s.path("type").get(0).asString()
            : s.path("type").asString("object");
    return switch (type) {
      case "boolean" -> MAKE.booleanNode(random.nextBoolean());
      case "integer" -> MAKE.numberNode(whole(s));
      case "number" -> MAKE.numberNode(whole(s) + random.nextInt(10) / 10.0);
      case "array" -> list(s, depth);
      case "string" -> MAKE.stringNode(text(s, name));
      default -> object(s, depth);
    };
  }

  private long whole(JsonNode s) {
    long least = s.path("minimum").asLong(chance(0.1) ? -100 : 0);
    long most = s.path("maximum").asLong(least + (chance(0.1) ? 1_000_000 : 12));
    return least + (long) (random.nextDouble() * (most - least + 1));
  }

  private JsonNode list(JsonNode s, int depth) {
    ArrayNode list = MAKE.arrayNode();
    int size = depth > 6 ? 0 : chance(0.02) ? 300 : random.nextInt(4);
    for (int i = 0; i < size; i++) {
      list.add(chance(0.03) ? MAKE.nullNode() : value(s.path("items"), depth + 1));
    }
    return list;
  }

  private JsonNode object(JsonNode s, int depth) {
    ObjectNode o = MAKE.objectNode();
    List<String> required = s.path("required").valueStream().map(JsonNode::asString).toList();
    for (Map.Entry<String, JsonNode> p : s.path("properties").properties()) {
      if (required.contains(p.getKey()) ? chance(0.98) : depth < 8 && chance(0.6)) {
        o.set(p.getKey(), value(p.getKey(), p.getValue(), depth + 1));
      }
    }
    if (s.path("additionalProperties").isObject()) {
      for (int i = random.nextInt(3); i > 0; i--) {
        o.set(pick(TEXTS), value(s.path("additionalProperties"), depth + 1));
      }
    }
    if (chance(0.02)) {
      o.set(pick(TEXTS), odd());
    }
    return o;
  }

  private String text(JsonNode s, String name) {
    if (chance(0.15)) {
      return pick(TEXTS);
    }
    if (chance(0.01)) {
      return "x".repeat(10_000);
    }
    return switch (s.path("format").asString("")) {
      case "uuid" -> id(name);
      case "date" ->
          LocalDate.now().plusDays(random.nextInt(chance(0.1) ? 400_000 : 60) - 30).toString();
      case "date-time" ->
          java.time.Instant.now().plusSeconds(random.nextInt(200_000) - 100_000).toString();
      default -> chance(0.3) ? id() : "word " + random.nextInt(1_000);
    };
  }

  private JsonNode odd() {
    return switch (random.nextInt(8)) {
      case 0 -> MAKE.nullNode();
      case 1 -> MAKE.stringNode(pick(TEXTS));
      case 2 -> MAKE.numberNode(random.nextLong());
      case 3 -> MAKE.numberNode(random.nextGaussian() * 1e6);
      case 4 -> MAKE.arrayNode().add(MAKE.nullNode());
      case 5 -> MAKE.objectNode().put("odd", 1);
      case 6 -> MAKE.booleanNode(true);
      default -> MAKE.stringNode("x".repeat(1 + random.nextInt(5_000)));
    };
  }

  /** An id for a field such as planId, if there is any of the kind. */
  private String id(String name) {
    List<String> pool = named.getOrDefault(name.replaceFirst("Id$", "s"), List.of());
    return !pool.isEmpty() && chance(0.9) ? pick(pool) : id();
  }

  private String id() {
    return ids.isEmpty() || chance(0.05)
        ? new UUID(random.nextLong(), random.nextLong()).toString()
        : ids.get(random.nextInt(ids.size()));
  }

  private boolean chance(double p) {
    return random.nextDouble() < p;
  }

  private <T> T pick(List<T> of) {
    return of.get(random.nextInt(of.size()));
  }

  private static String cut(String s, int most) {
    return s.length() > most ? s.substring(0, most) + "…" : s;
  }

  private HttpResponse<byte[]> send(
      String method,
      String path,
      byte @Nullable [] body,
      @Nullable String type,
      @Nullable String match)
      throws IOException, InterruptedException {
    String token =
        cookies.getCookieStore().getCookies().stream()
            .filter(c -> c.getName().equals("XSRF-TOKEN"))
            .map(HttpCookie::getValue)
            .findFirst()
            .orElse("");
    HttpRequest.Builder r =
        HttpRequest.newBuilder(URI.create(base + path))
            .timeout(Duration.ofSeconds(60))
            .header("X-XSRF-TOKEN", token)
            .method(
                method,
                body == null
                    ? HttpRequest.BodyPublishers.noBody()
                    : HttpRequest.BodyPublishers.ofByteArray(body));
    if (type != null) {
      r.header("Content-Type", type);
    }
    if (match != null && !match.isEmpty()) {
      r.header("If-Match", match);
    }
    return http.send(r.build(), HttpResponse.BodyHandlers.ofByteArray());
  }
}
