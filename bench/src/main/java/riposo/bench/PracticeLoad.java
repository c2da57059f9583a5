package riposo.bench;

import java.io.IOException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntFunction;
import tools.jackson.databind.JsonNode;

/**
 * How a practice made by {@code ./riposo bench seed} answers: {@code ./riposo bench load}. Every
 * route alone with one user, then with 20 and 50 users at one request a second each, while once a
 * second something of a client with many runs changes; statements a request, counted by the
 * database.
 */
public final class PracticeLoad {
  private static final int[] USERS = {20, 50};
  private static final int ONE = 12;
  private static final int SECONDS = 8;
  private static final int WARM_UP_SECONDS = 90;
  private static final int WARM_UP_USERS = 4;

  /** Something of a client changes so often while many ask: of twenty requests one writes. */
  private static final int CHANGE_MS = 1000;

  /** So many are closed and answered before it counts, and so many that count. */
  private static final int WARM_UP = 60;

  private static final int WRITES = 30;

  /** A route: what is asked at its n-th time. */
  private record Route(String name, IntFunction<String> path) {}

  private final String base;
  private final List<Desk> desks = new ArrayList<>();
  private final Connection db;
  private int[] users = USERS;
  private List<String> deep;
  private List<String> fresh;
  private String group;
  private String plan;

  private PracticeLoad(String base, Connection db) {
    this.base = base;
    this.db = db;
  }

  /**
   * The port of the server, a part of the name of the routes to measure (all), the most users at
   * once (50); the database is named by the environment.
   */
  public static void main(String[] args) throws Exception {
    try (Connection db =
        DriverManager.getConnection(
            System.getenv("RIPOSO_DB_URL"),
            System.getenv("RIPOSO_DB_USER"),
            System.getenv("RIPOSO_DB_PASSWORD"))) {
      new PracticeLoad("http://127.0.0.1:" + args[0], db)
          .measure(
              args.length > 1 ? args[1] : "",
              args.length > 2 ? Integer.parseInt(args[2]) : USERS[USERS.length - 1]);
    }
  }

  private void measure(String only, int most) throws Exception {
    users = Arrays.stream(USERS).filter(u -> u <= most).toArray();
    for (int i = 0; i < Math.max(8, most); i++) {
      Desk d = new Desk(base);
      d.signIn("marit@lanternfield.example", "lantern-light");
      desks.add(d);
    }
    deep =
        Sql.strings(
            db,
            "select client_id from run_person group by client_id having count(*) >= 0.8 *"
                + " (select max(n) from (select count(*) as n from run_person group by client_id) x) order by client_id");
    fresh =
        Sql.strings(
            db,
            "select id from client c where archived_on is null and not exists (select 1 from run_person p where"
                + " p.client_id = c.id) and exists (select 1 from screening s where s.client_id = c.id) order by id limit 200");
    group =
        Sql.strings(
                db,
                "select g.id from training_group g join group_member m on m.group_id = g.id group by g.id order by count(*) desc limit 1")
            .get(0);
    plan = desks.get(0).plan();
    System.out.printf(
        Locale.ROOT,
        "%d clients with up to %s runs, %d without one%n",
        deep.size(),
        Sql.strings(
                db, "select count(*) from run_person group by client_id order by 1 desc limit 1")
            .get(0),
        fresh.size());
    System.out.printf(
        "%-32s %10s %22s %22s %22s%n",
        "", "statements", "1 user p50/p95 ms", "20 users", "50 users");
    List<Route> routes =
        List.of(
            new Route("day sheet", i -> "/day"),
            new Route("clients", i -> "/client-list"),
            new Route("group sheet of 30", i -> "/groups/" + group + "/sheet"),
            new Route("tolerance", i -> "/clients/" + at(deep, i) + "/tolerance?weeks=12"),
            new Route(
                "tolerance, changed since",
                i -> "/clients/" + changed(at(deep, i)) + "/tolerance?weeks=12"),
            new Route("tolerance, five years", i -> "/clients/" + at(deep, i) + "/tolerance"),
            new Route("calendar", i -> "/calendar.ics"),
            new Route(
                "adapted plan, many runs", i -> "/clients/" + at(deep, i) + "/adapted/" + plan),
            new Route("adapted plan, no run", i -> "/clients/" + at(fresh, i) + "/adapted/" + plan),
            new Route("runs of a client", i -> "/clients/" + at(deep, i) + "/runs"),
            new Route("readiness", i -> "/clients/" + at(deep, i) + "/readiness"),
            new Route("week", i -> "/clients/" + at(deep, i) + "/adapted/" + plan + "/week"),
            new Route("outbox", i -> "/outbox"));
    System.out.printf("%d requests to warm up%n", warm(routes));
    for (Route r : routes) {
      if (only.isEmpty() || r.name.contains(only)) {
        row(r.name, (d, i) -> d.text(r.path.apply(i)));
      }
    }
    if (only.isEmpty() || "all at once".contains(only)) {
      row("all of these in turn", (d, i) -> d.text(routes.get(i % routes.size()).path.apply(i)));
    }
    if (only.isEmpty() || "adapted a second".contains(only)) {
      System.out.printf(
          Locale.ROOT,
          "adapted plans a second, 8 at once, each asked for before: %.0f for clients without a run, %.0f for those with many%n",
          ceiling(fresh),
          ceiling(deep));
    }
    if (only.isEmpty() || "crowd".contains(only)) {
      Crowd crowd =
          new Crowd(
              base,
              desks,
              List.of("/calendar.ics", "/day", "/clients/" + deep.get(0) + "/tolerance"));
      crowd.heavy();
      crowd.guesses();
    }
    if (only.isEmpty() || "writes".contains(only)) {
      closing();
      answering();
    }
  }

  /** A client of whom something just changed, as the database is told with every write. */
  private String changed(String client) {
    try (Statement s = db.createStatement()) {
      s.executeUpdate(
          "update client_stamp set stamp = stamp + 1 where client_id = '" + client + "'");
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    }
    return client;
  }

  private static String at(List<String> all, int i) {
    return all.get(Math.floorMod(i * 7, all.size()));
  }

  /** A practice's server has been up for a while: every route is asked often before it counts. */
  private int warm(List<Route> routes) throws Exception {
    AtomicInteger asked = new AtomicInteger();
    long end = System.nanoTime() + WARM_UP_SECONDS * 1_000_000_000L;
    List<Callable<Boolean>> work = new ArrayList<>();
    for (int u = 0; u < WARM_UP_USERS; u++) {
      Desk d = desks.get(u);
      work.add(
          () -> {
            while (System.nanoTime() < end) {
              int n = asked.getAndIncrement();
              d.text(routes.get(n % routes.size()).path.apply(n));
            }
            return true;
          });
    }
    ExecutorService pool = Executors.newFixedThreadPool(WARM_UP_USERS);
    for (Future<Boolean> f : pool.invokeAll(work)) {
      f.get();
    }
    pool.shutdown();
    return asked.get();
  }

  /** One request. */
  private interface Asked {
    void ask(Desk desk, int i) throws IOException, InterruptedException;
  }

  private void row(String name, Asked asked) throws Exception {
    long first = time(asked, 0);
    boolean slow = first > 1_000_000_000L;
    for (int i = 1; i < (slow ? 2 : 6); i++) {
      asked.ask(desks.get(0), i);
    }
    long before = questions();
    long[] alone = new long[slow ? 2 : ONE];
    for (int i = 0; i < alone.length; i++) {
      alone[i] = time(asked, i + 6);
    }
    long statements = (questions() - before - 1) / alone.length;
    StringBuilder line =
        new StringBuilder("%-32s %10d %22s".formatted(name, statements, say(alone)));
    for (int n : users) {
      line.append("%22s".formatted(together(n, asked)));
    }
    System.out.println(line);
  }

  private long time(Asked asked, int i) throws IOException, InterruptedException {
    long t = System.nanoTime();
    asked.ask(desks.get(0), i);
    return System.nanoTime() - t;
  }

  /** Users at one request a second each; what was refused or failed is counted beside. */
  private String together(int users, Asked asked) throws Exception {
    ExecutorService pool = Executors.newFixedThreadPool(users);
    ScheduledExecutorService practice = Executors.newSingleThreadScheduledExecutor();
    Random who = new Random(18);
    practice.scheduleAtFixedRate(
        () -> changed(deep.get(who.nextInt(deep.size()))), 0, CHANGE_MS, TimeUnit.MILLISECONDS);
    List<Callable<long[]>> work = new ArrayList<>();
    for (int u = 0; u < users; u++) {
      int user = u;
      work.add(
          () -> {
            long[] times = new long[SECONDS];
            long start = System.nanoTime() + user * 1_000_000_000L / users;
            for (int i = 0; i < SECONDS; i++) {
              long due = start + i * 1_000_000_000L;
              long wait = due - System.nanoTime();
              if (wait > 0) {
                Thread.sleep(wait / 1_000_000);
              }
              long t = System.nanoTime();
              try {
                asked.ask(desks.get(user), user + i * users);
                times[i] = System.nanoTime() - t;
              } catch (IOException e) {
                times[i] = -1;
              }
            }
            return times;
          });
    }
    List<long[]> all = new ArrayList<>();
    try {
      for (Future<long[]> f : pool.invokeAll(work)) {
        all.add(f.get());
      }
    } finally {
      pool.shutdown();
      practice.shutdown();
    }
    long[] times = all.stream().flatMapToLong(Arrays::stream).toArray();
    long failed = Arrays.stream(times).filter(t -> t < 0).count();
    return say(Arrays.stream(times).filter(t -> t >= 0).toArray())
        + (failed > 0 ? " (" + failed + " not answered)" : "");
  }

  private double ceiling(List<String> clients) throws Exception {
    for (String c : clients) {
      desks.get(0).text("/clients/" + c + "/adapted/" + plan);
    }
    ExecutorService pool = Executors.newFixedThreadPool(8);
    List<Callable<Integer>> work = new ArrayList<>();
    for (int u = 0; u < 8; u++) {
      int user = u;
      work.add(
          () -> {
            int n = 0;
            long until = System.nanoTime() + SECONDS * 1_000_000_000L;
            while (System.nanoTime() < until) {
              desks.get(user).text("/clients/" + at(clients, user + 8 * n++) + "/adapted/" + plan);
            }
            return n;
          });
    }
    int sum = 0;
    for (Future<Integer> f : pool.invokeAll(work)) {
      sum += f.get();
    }
    pool.shutdown();
    return sum / (double) SECONDS;
  }

  private void closing() throws IOException, InterruptedException, SQLException {
    Desk d = desks.get(0);
    List<Long> times = new ArrayList<>();
    long statements = 0;
    for (String client : deep) {
      if (times.size() >= WARM_UP + WRITES) {
        break;
      }
      try {
        JsonNode run = d.start(client, plan, d.check(client));
        String id = run.path("id").asString();
        StringBuilder events = new StringBuilder(RunLoad.event(run, "START", 0, "measure"));
        for (int k = 1; k < 12; k++) {
          events.append(",").append(RunLoad.event(run, "ENTRY", k, "measure"));
        }
        events.append(",").append(RunLoad.event(run, "FINISH", 12, "measure"));
        d.post("/runs/" + id + "/events", "{\"events\":[" + events + "]}");
        long before = questions();
        long t = System.nanoTime();
        d.post("/runs/" + id + "/after", "{\"effort\":5,\"feel\":\"GOOD\"}");
        times.add(System.nanoTime() - t);
        statements += questions() - before - 1;
      } catch (IOException e) {
        if (times.isEmpty() && !e.getMessage().contains("answered 4")) {
          throw e;
        }
      }
    }
    print("closing a run", times, statements);
  }

  private void answering() throws IOException, InterruptedException, SQLException {
    List<Long> times = new ArrayList<>();
    long statements = 0;
    for (String id : tomorrows()) {
      if (times.size() >= WARM_UP + WRITES) {
        break;
      }
      long before = questions();
      long t = System.nanoTime();
      desks
          .get(0)
          .post(
              "/check-ins/" + id + "/answer",
              "{\"by\":\"PHONE\",\"answer\":{\"pain\":1,\"compared\":\"SAME\",\"moreTired\":false,\"newSigns\":[]}}");
      times.add(System.nanoTime() - t);
      statements += questions() - before - 1;
    }
    print("a check-in", times, statements);
  }

  /** The check-ins of the runs just closed, opened a day early. */
  private List<String> tomorrows() throws SQLException {
    try (Statement s = db.createStatement()) {
      s.executeUpdate(
          "update check_in set opens_on = current_date where answered_at is null and kind = 'NEXT_DAY'"
              + " and opens_on = current_date + interval 1 day");
    }
    return Sql.strings(
        db,
        "select id from check_in where answered_at is null and opens_on = current_date and kind = 'NEXT_DAY' order by id");
  }

  private static void print(String what, List<Long> all, long statements) {
    List<Long> times = all.subList(Math.min(WARM_UP, all.size()), all.size());
    if (times.isEmpty()) {
      System.out.println(what + ": none could be measured");
      return;
    }
    System.out.printf(
        "%-32s %10d %22s  (%d times)%n",
        what,
        statements / all.size(),
        say(times.stream().mapToLong(Long::longValue).toArray()),
        times.size());
  }

  private static String say(long[] times) {
    if (times.length == 0) {
      return "none";
    }
    long[] sorted = times.clone();
    Arrays.sort(sorted);
    return String.format(
        Locale.ROOT,
        "%.0f / %.0f",
        sorted[sorted.length / 2] / 1e6,
        sorted[Math.min(sorted.length - 1, sorted.length * 95 / 100)] / 1e6);
  }

  /** Statements the database has been sent up to now. */
  private long questions() throws SQLException {
    try (Statement s = db.createStatement();
        ResultSet rs = s.executeQuery("show global status like 'Questions'")) {
      rs.next();
      return rs.getLong(2);
    }
  }
}
