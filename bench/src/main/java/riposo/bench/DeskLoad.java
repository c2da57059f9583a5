package riposo.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/**
 * The adapted plan over HTTP with twenty users at once against a running demo: {@code ./riposo
 * bench desk}. Each user signs in and reads the desk of one client after another without a pause.
 * Prints median and 95th percentile of the whole request.
 */
public final class DeskLoad {
  private static final int USERS = 20;
  private static final int WARM = 40;
  private static final int PACED = 20;
  private static final int REQUESTS = 60;

  private final Desk desk;

  private DeskLoad(String base) {
    this.desk = new Desk(base);
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
    desk.signIn("marit@lanternfield.example", "lantern-light");
    List<String> clients =
        desk.get("/clients").valueStream().map(c -> c.path("id").asString()).toList();
    String plan = desk.plan();
    int count = paced ? PACED : REQUESTS;
    long[] times = new long[count];
    for (int i = -WARM; i < count; i++) {
      if (paced && i >= 0) {
        Thread.sleep(i == 0 ? start * 50L : Math.max(0, 1000 - times[i - 1] / 1_000_000));
      }
      String client = clients.get(Math.floorMod(start + i, clients.size()));
      long t = System.nanoTime();
      desk.get("/clients/" + client + "/adapted/" + plan);
      if (i >= 0) {
        times[i] = System.nanoTime() - t;
      }
    }
    return times;
  }
}
