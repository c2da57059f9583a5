package riposo.bench;

import java.io.File;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import tools.jackson.databind.JsonNode;

/**
 * Kills the server while two devices post events of one group's run, starts it again and sends what
 * was not answered, over and over: {@code ./riposo bench kills 20}. What was acknowledged must be
 * there, and nothing twice.
 */
public final class Kills {
  private static final int PEOPLE = 3;

  private final List<String> command;
  private final File words;
  private final Desk desk;
  private final Set<String> acknowledged = Collections.synchronizedSet(new HashSet<>());
  private final Map<String, List<String>> pending = new HashMap<>();
  private final Map<String, Integer> seq = new HashMap<>();
  private JsonNode run;

  /**
   * What came of it.
   *
   * @param acknowledged events the server said it has
   * @param lost acknowledged ones that are not there
   * @param doubled ids that are there more than once
   * @param sets that are not what the events come to
   */
  public record Outcome(int kills, int acknowledged, int sent, int lost, int doubled, int sets) {}

  /**
   * @param command starts a server at {@code base}
   * @param words where the server's own words go
   */
  public Kills(List<String> command, String base, File words) {
    this(command, new Desk(base), words);
  }

  private Kills(List<String> command, Desk desk, File words) {
    this.command = command;
    this.words = words;
    this.desk = desk;
  }

  /** The port, how many kills, then the command that starts the server. */
  public static void main(String[] args) throws Exception {
    String base = "http://127.0.0.1:" + args[0];
    List<String> command = List.of(args).subList(2, args.length);
    File words = File.createTempFile("riposo-kills", ".log");
    Outcome o =
        new Kills(command, base, words)
            .run("marit@lanternfield.example", "lantern-light", Integer.parseInt(args[1]));
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
      for (int i = 0; i < kills; i++) {
        List<Thread> devices = new ArrayList<>();
        for (String device : List.of("a", "b")) {
          Thread t = new Thread(() -> post(device, Integer.MAX_VALUE));
          t.start();
          devices.add(t);
        }
        int enough = acknowledged.size() + 20;
        for (int k = 0; k < 200 && acknowledged.size() < enough; k++) {
          Thread.sleep(50);
        }
        Thread.sleep(random.nextInt(500));
        server.destroyForcibly().waitFor(30, TimeUnit.SECONDS);
        for (Thread t : devices) {
          t.join();
        }
        server = up();
      }
      // what was not answered is sent until it is
      for (String device : List.of("a", "b")) {
        post(device, 0);
      }
      return outcome(kills);
    } finally {
      server.destroyForcibly().waitFor(30, TimeUnit.SECONDS);
    }
  }

  /** Starts a server and waits until it answers. */
  static Process up(List<String> command, Desk desk, File words)
      throws IOException, InterruptedException {
    return new Kills(command, desk, words).up();
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

  /** Sends what waits of a device, then new events, until the server is gone. */
  private void post(String device, int most) {
    List<String> waiting;
    synchronized (pending) {
      waiting = pending.computeIfAbsent(device, d -> new ArrayList<>());
    }
    for (int n = 0; n < most || !waiting.isEmpty(); n++) {
      if (waiting.isEmpty()) {
        int next;
        synchronized (seq) {
          next = seq.merge(device, 1, Integer::sum);
        }
        for (int k = 0; k < 1 + next % 3; k++) {
          waiting.add(RunLoad.event(run, "ENTRY", next * 3 + k, device));
        }
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
        return;
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        return;
      }
    }
  }

  private Outcome outcome(int kills) throws IOException, InterruptedException {
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
        Math.abs(sets - rounds.size()));
  }
}
