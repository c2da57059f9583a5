package riposo.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What somebody's pages take while many ask for much at once, and while passwords are guessed. */
final class Crowd {
  private static final int AT_ONCE = 200;
  private static final int GUESSES = 1_000;
  private static final Pattern ANSWERED = Pattern.compile(" answered (\\d{3})");

  private final String base;
  private final List<Desk> desks;
  private final List<String> heavy;

  /**
   * @param desks of who asks for much
   * @param heavy what they ask for, in turn
   */
  Crowd(String base, List<Desk> desks, List<String> heavy) {
    this.base = base;
    this.desks = desks;
    this.heavy = heavy;
  }

  /** Many heavy requests at once; what they are answered, and the light page beside them. */
  void heavy() throws Exception {
    List<Callable<String>> asked = new ArrayList<>();
    for (int i = 0; i < AT_ONCE; i++) {
      int n = i;
      asked.add(() -> status(() -> desks.get(n % desks.size()).text(heavy.get(n % heavy.size()))));
    }
    beside(AT_ONCE + " heavy requests at once", "/me", asked, AT_ONCE);
  }

  /** Passwords guessed for one account as fast as they are answered, and a page beside them. */
  void guesses() throws Exception {
    List<Desk> guessing = List.of(new Desk(base), new Desk(base), new Desk(base), new Desk(base));
    List<Callable<String>> asked = new ArrayList<>();
    for (int i = 0; i < GUESSES; i++) {
      Desk d = guessing.get(i % guessing.size());
      String guess = "no such " + i;
      asked.add(() -> status(() -> d.signIn("marit@lanternfield.example", guess)));
    }
    beside(GUESSES + " guessed passwords", "/client-list", asked, guessing.size());
  }

  private interface Ask {
    void ask() throws IOException, InterruptedException;
  }

  private static String status(Ask ask) throws InterruptedException {
    try {
      ask.ask();
      return "200";
    } catch (IOException e) {
      Matcher m = ANSWERED.matcher(String.valueOf(e.getMessage()));
      return m.find() ? m.group(1) : "none";
    }
  }

  private void beside(String what, String light, List<Callable<String>> asked, int threads)
      throws Exception {
    Desk own = desks.get(0);
    for (int i = 0; i < 20; i++) {
      own.text(light);
    }
    long[] alone = times(own, light, new AtomicBoolean(true), 50);
    ExecutorService many = Executors.newFixedThreadPool(threads + 1);
    AtomicBoolean going = new AtomicBoolean(true);
    Future<long[]> meanwhile = many.submit(() -> times(own, light, going, Integer.MAX_VALUE));
    long from = System.nanoTime();
    Map<String, Integer> answers = new TreeMap<>();
    for (Future<String> f : many.invokeAll(asked)) {
      answers.merge(f.get(), 1, Integer::sum);
    }
    going.set(false);
    long[] then = meanwhile.get();
    many.shutdown();
    System.out.printf(
        Locale.ROOT,
        "%s: answered %s in %.1f s; %s meanwhile %s ms (p50 / p95 / longest of %d), alone %s%n",
        what,
        answers,
        (System.nanoTime() - from) / 1e9,
        light,
        say(then),
        then.length,
        say(alone));
  }

  private static long[] times(Desk desk, String path, AtomicBoolean going, int most)
      throws IOException, InterruptedException {
    List<Long> all = new ArrayList<>();
    while (going.get() && all.size() < most) {
      long t = System.nanoTime();
      desk.text(path);
      all.add(System.nanoTime() - t);
      Thread.sleep(50);
    }
    return all.stream().mapToLong(Long::longValue).toArray();
  }

  private static String say(long[] times) {
    long[] t = times.clone();
    Arrays.sort(t);
    return t.length == 0
        ? "none"
        : String.format(
            Locale.ROOT,
            "%.0f / %.0f / %.0f",
            t[t.length / 2] / 1e6,
            t[Math.min(t.length - 1, t.length * 95 / 100)] / 1e6,
            t[t.length - 1] / 1e6);
  }
}
