package riposo.bench;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * Kills the server, or its database, while two devices post events of one group's run, starts it
 * again and sends what was not answered, over and over: {@code ./riposo bench kills 20}, {@code
 * ./riposo bench kills-database 20}. What was acknowledged must be there, and nothing twice.
 */
public final class Kills {
  private static final int PEOPLE = 3;

  private final List<String> command;
  private final File words;
  private final Desk desk;
  private final @Nullable Database database;
  private volatile boolean over;
  private volatile @Nullable Throwable wrong;
  private final Set<String> acknowledged = Collections.synchronizedSet(new HashSet<>());
  private JsonNode run;

  /**
   * What came of it.
   *
   * @param acknowledged events the server said it has
   * @param healed milliseconds from each start anew that was asked for to the next event
   *     acknowledged, the quickest first
   * @param lost acknowledged ones that are not there
   * @param doubled ids that are there more than once
   * @param sets that are not what the events come to
   */
  public record Outcome(
      int kills, int acknowledged, int sent, int lost, int doubled, int sets, List<Long> healed) {}

  /**
   * A database to kill in the server's place.
   *
   * @param pid where its process number stands
   * @param start brings it up again and ends when it answers
   */
  public record Database(File pid, List<String> start) {
    void kill() throws IOException {
      long number = Long.parseLong(Files.readString(pid.toPath()).strip());
      ProcessHandle process = ProcessHandle.of(number).orElseThrow();
      process.destroyForcibly();
      process.onExit().join();
    }

    void up() throws IOException, InterruptedException {
      Process p = new ProcessBuilder(start).inheritIO().start();
      if (p.waitFor() != 0) {
        throw new IOException("the database did not come up again");
      }
    }
  }

  /**
   * @param command starts a server at {@code base}
   * @param words where the server's own words go
   */
  public Kills(List<String> command, String base, File words) {
    this(command, new Desk(base), words, null);
  }

  private Kills(List<String> command, Desk desk, File words, @Nullable Database database) {
    this.command = command;
    this.words = words;
    this.desk = desk;
    this.database = database;
  }

  /**
   * The port, how many kills, the e-mail and password of an account, the file of the database's
   * process number and the program that starts it (both empty: the server is killed), then the
   * command that starts the server.
   */
  public static void main(String[] args) throws Exception {
    String base = "http://127.0.0.1:" + args[0];
    Database database =
        args[4].isEmpty() ? null : new Database(new File(args[4]), List.of(args[5].split(" ")));
    List<String> command = List.of(args).subList(6, args.length);
    File words = File.createTempFile("riposo-kills", ".log");
    Outcome o =
        new Kills(command, new Desk(base), words, database)
            .run(args[2], args[3], Integer.parseInt(args[1]));
    System.out.println(o);
    if (o.lost() + o.doubled() + o.sets() > 0) {
      System.exit(1);
    }
  }

  /** Kills so many times; ends with the server gone. */
  public Outcome run(String email, String password, int kills) throws Exception {
    Process server = up();
    try {
      desk.signIn(email, password);
      List<String> people = new ArrayList<>();
      for (int i = 0; i < PEOPLE; i++) {
        people.add(desk.client("Killed " + i + " " + System.currentTimeMillis()));
      }
      run = desk.startGroup(desk.group("Killed", desk.plan(), people), people);
      Random random = new Random(13);
      List<Thread> devices = new ArrayList<>();
      for (String device : List.of("a", "b")) {
        Thread t = new Thread(() -> post(device));
        t.setUncaughtExceptionHandler((thread, e) -> wrong = e);
        t.setDaemon(true);
        t.start();
        devices.add(t);
      }
      List<Long> healed = new ArrayList<>();
      for (int i = 0; i < kills; i++) {
        acknowledges(20);
        Thread.sleep(random.nextInt(500));
        if (database == null) {
          server.destroyForcibly().waitFor(30, TimeUnit.SECONDS);
        } else {
          database.kill();
        }
        long from = System.nanoTime();
        if (database == null) {
          server = up();
        } else {
          database.up();
        }
        acknowledges(1);
        healed.add((System.nanoTime() - from) / 1_000_000);
      }
      // what was not answered is sent until it is
      over = true;
      for (Thread t : devices) {
        t.join();
      }
      Collections.sort(healed);
      return outcome(kills, healed);
    } finally {
      over = true;
      server.destroyForcibly().waitFor(30, TimeUnit.SECONDS);
    }
  }

  /** Waits until so many more events are acknowledged. */
  private void acknowledges(int more) throws IOException, InterruptedException {
    int enough = acknowledged.size() + more;
    for (int k = 0; acknowledged.size() < enough; k++) {
      if (wrong != null || k > 1500) {
        throw new IOException("no event is acknowledged any more", wrong);
      }
      Thread.sleep(20);
    }
  }

  /** Starts a server and waits until it answers. */
  static Process up(List<String> command, Desk desk, File words)
      throws IOException, InterruptedException {
    return new Kills(command, desk, words, null).up();
  }

  private Process up() throws IOException, InterruptedException {
    Process p =
        new ProcessBuilder(command)
            .redirectErrorStream(true)
            .redirectOutput(ProcessBuilder.Redirect.appendTo(words))
            .start();
    for (int i = 0; i < 3000; i++) {
      if (desk.up()) {
        return p;
      }
      if (!p.isAlive()) {
        throw new IOException("the server stopped while starting; its words are in " + words);
      }
      Thread.sleep(100);
    }
    p.destroyForcibly();
    throw new IOException("no server within five minutes");
  }

  /** Sends events of a device, each until it is acknowledged, until it is over. */
  private void post(String device) {
    List<String> waiting = new ArrayList<>();
    for (int next = 1; !over || !waiting.isEmpty(); ) {
      if (waiting.isEmpty()) {
        for (int k = 0; k < 1 + next % 3; k++) {
          waiting.add(RunLoad.event(run, "ENTRY", next * 3 + k, device));
        }
        next++;
      }
      try {
        JsonNode kept =
            desk.post(
                "/runs/" + run.path("id").asString() + "/events",
                "{\"events\":[" + String.join(",", waiting) + "]}");
        for (JsonNode a : kept.path("answers")) {
          if (a.path("reply").asString().equals("REFUSED")) {
            throw new IllegalStateException("refused: " + a);
          }
          acknowledged.add(a.path("id").asString());
        }
        waiting.clear();
      } catch (IOException e) {
        // gone, or without its records: as a device does, try again
        if (e.getMessage() != null
            && e.getMessage().contains(" answered ")
            && !e.getMessage().contains(" answered 503 ")) {
          throw new IllegalStateException(e);
        }
        LockSupport.parkNanos(20_000_000);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        return;
      }
    }
  }

  private Outcome outcome(int kills, List<Long> healed) throws IOException, InterruptedException {
    String path = "/runs/" + run.path("id").asString();
    List<String> there =
        desk.get(path + "/events").valueStream().map(e -> e.path("id").asString()).toList();
    Set<String> once = new HashSet<>(there);
    Set<String> rounds = new HashSet<>();
    desk.get(path + "/events")
        .forEach(
            e ->
                rounds.add(
                    e.path("person").asString("")
                        + e.path("entry").path("slotKey").asString("")
                        + e.path("entry").path("round").asString("")));
    int sets = desk.get(path).path("state").path("entries").size();
    return new Outcome(
        kills,
        acknowledged.size(),
        there.size(),
        (int) acknowledged.stream().filter(id -> !once.contains(id)).count(),
        there.size() - once.size(),
        Math.abs(sets - rounds.size()),
        healed);
  }
}
