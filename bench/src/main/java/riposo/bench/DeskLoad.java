package riposo.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The adapted plan over HTTP with twenty users at once against a running demo: {@code ./riposo
 * bench load}. Each user signs in and reads the desk of one client after another without a pause.
 * Prints median and 95th percentile of the whole request.
 */
public final class DeskLoad {
  private static final int USERS = 20;
  private static final int WARM = 40;
  private static final int PACED = 20;
  private static final int REQUESTS = 60;

  private final String base;
  private final CookieManager cookies = new CookieManager();
  private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();

  private DeskLoad(String base) {
    this.base = base;
  }

  /** One optional argument: the port of the demo, 8080 by default. */
  public static void main(String[] args) throws Exception {
    String base = "http://127.0.0.1:" + (args.length > 0 ? args[0] : "8080");
    measure(base, true);
    measure(base, false);
  }

  private static void measure(String base, boolean paced) throws Exception {
    ExecutorService users = Executors.newFixedThreadPool(USERS);
    List<Callable<long[]>> work = new ArrayList<>();
    for (int i = 0; i < USERS; i++) {
      int start = i;
      work.add(() -> new DeskLoad(base).run(start, paced));
    }
    List<long[]> all = new ArrayList<>();
    long began = System.nanoTime();
    for (Future<long[]> f : users.invokeAll(work)) {
      all.add(f.get());
    }
    double seconds = (System.nanoTime() - began) / 1e9;
    users.shutdown();
    long[] times = all.stream().flatMapToLong(Arrays::stream).sorted().toArray();
    System.out.printf(
        "adapted plan over HTTP, %d users %s, %d requests: median %.1f ms, p95 %.1f ms, p99 %.1f ms (%.0f s in all)%n",
        USERS,
        paced ? "at one a second" : "without a pause",
        times.length,
        times[times.length / 2] / 1e6,
        times[times.length * 95 / 100] / 1e6,
        times[times.length * 99 / 100] / 1e6,
        seconds);
  }

  private long[] run(int start, boolean paced) throws IOException, InterruptedException {
    get("/api/me");
    String token =
        cookies.getCookieStore().getCookies().stream()
            .filter(c -> c.getName().equals("XSRF-TOKEN"))
            .map(HttpCookie::getValue)
            .findFirst()
            .orElseThrow();
    HttpResponse<String> in =
        http.send(
            HttpRequest.newBuilder(URI.create(base + "/api/sign-in"))
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", token)
                .POST(
                    HttpRequest.BodyPublishers.ofString(
                        "{\"email\":\"marit@lanternfield.example\",\"password\":\"lantern-light\"}"))
                .build(),
            HttpResponse.BodyHandlers.ofString());
    if (in.statusCode() / 100 != 2) {
      throw new IOException("not signed in: " + in.statusCode() + " " + in.body());
    }
    List<String> clients = ids(get("/api/clients"));
    String plan = ids(get("/api/plans")).get(0);
    int count = paced ? PACED : REQUESTS;
    long[] times = new long[count];
    for (int i = -WARM; i < count; i++) {
      if (paced && i >= 0) {
        Thread.sleep(i == 0 ? start * 50L : Math.max(0, 1000 - times[i - 1] / 1_000_000));
      }
      String client = clients.get(Math.floorMod(start + i, clients.size()));
      long t = System.nanoTime();
      get("/api/clients/" + client + "/adapted/" + plan);
      if (i >= 0) {
        times[i] = System.nanoTime() - t;
      }
    }
    return times;
  }

  private String get(String path) throws IOException, InterruptedException {
    HttpResponse<String> r =
        http.send(
            HttpRequest.newBuilder(URI.create(base + path)).build(),
            HttpResponse.BodyHandlers.ofString());
    if (r.statusCode() != 200) {
      throw new IOException(path + " answered " + r.statusCode());
    }
    return r.body();
  }

  /** The ids of the entries of a list, not of what is inside them. */
  private static List<String> ids(String list) {
    List<String> ids = new ArrayList<>();
    Matcher m = Pattern.compile("(?:^\\[|\\},)\\{\"id\":\"([0-9a-f-]{36})\"").matcher(list);
    while (m.find()) {
      ids.add(m.group(1));
    }
    if (ids.isEmpty()) {
      throw new IllegalStateException(
          "nothing in " + list.substring(0, Math.min(200, list.length())));
    }
    return ids;
  }
}
