package riposo.bench;

import java.io.File;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import riposo.catalogue.EntryDocument;
import riposo.catalogue.EventDocument;
import riposo.core.plan.Segment;
import riposo.core.run.RunEvent;
import riposo.core.run.RunState;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Runs made up by chance against a real server: two devices tell of one run, with requests that
 * never arrive and answers that never come, things told late and twice, devices that start again
 * from what they kept, and the server killed in between: {@code ./riposo bench chaos 1000}. What
 * was acknowledged must be there once, and the server and both devices must come to the same.
 */
public final class Chaos {
  private static final int PEOPLE = 2;
  private static final int STEPS = 40;

  /** Runs of the same people, so that no history grows without end. */
  private static final int TOGETHER = 25;

  private final JsonMapper json = JsonMapper.builder().build();
  private final Desk desk;
  private final @Nullable Runnable kill;
  private String plan = "";
  private String group = "";
  private List<String> people = List.of();

  /**
   * What came of it.
   *
   * @param events that were told
   * @param acknowledged of them, by an answer that arrived
   * @param lost acknowledged ones that are not there
   * @param doubled ids that are there more than once
   * @param apart runs in which the server and a device do not come to the same
   */
  public record Outcome(int runs, int events, int acknowledged, int lost, int doubled, int apart) {
    Outcome and(Outcome o) {
      return new Outcome(
          runs + o.runs,
          events + o.events,
          acknowledged + o.acknowledged,
          lost + o.lost,
          doubled + o.doubled,
          apart + o.apart);
    }
  }

  /**
   * @param kill kills the server and starts it again; null where it is left alone
   */
  public Chaos(Desk desk, @Nullable Runnable kill) {
    this.desk = desk;
    this.kill = kill;
  }

  /** The port, how many runs, then the command that starts the server. */
  public static void main(String[] args) throws Exception {
    Desk desk = new Desk("http://127.0.0.1:" + args[0]);
    List<String> command = List.of(args).subList(2, args.length);
    File words = File.createTempFile("riposo-chaos", ".log");
    Process[] server = {Kills.up(command, desk, words)};
    try {
      desk.signIn("marit@lanternfield.example", "lantern-light");
      Outcome o =
          new Chaos(
                  desk,
                  () -> {
                    try {
                      server[0].destroyForcibly().waitFor(30, TimeUnit.SECONDS);
                      server[0] = Kills.up(command, desk, words);
                    } catch (IOException | InterruptedException e) {
                      throw new IllegalStateException(e);
                    }
                  })
              .runs(Integer.parseInt(args[1]), 2026);
      System.out.println(o);
      if (o.lost() + o.doubled() + o.apart() > 0) {
        System.exit(1);
      }
    } finally {
      server[0].destroyForcibly().waitFor(30, TimeUnit.SECONDS);
    }
  }

  /** So many runs; the server is killed in one of a hundred of them. */
  public Outcome runs(int runs, long seed) throws IOException, InterruptedException {
    Outcome all = new Outcome(0, 0, 0, 0, 0, 0);
    plan = desk.plan();
    for (int i = 0; i < runs; i++) {
      if (i % TOGETHER == 0) {
        people = new ArrayList<>();
        for (int p = 0; p < PEOPLE; p++) {
          people.add(desk.client("Chaos " + i + " " + p));
        }
        group = desk.group("Chaos " + i, plan, people);
      }
      all = all.and(one(new Random(seed + i), kill != null && i % 100 == 50));
    }
    return all;
  }

  /** A device: what it has made, what still waits, what it knows of the other's. */
  private static final class Device {
    final String name;
    final Map<String, String> made = new LinkedHashMap<>();
    final Set<String> waiting = new LinkedHashSet<>();
    final Set<String> acknowledged = new HashSet<>();
    int seq;
    long behind;

    Device(String name) {
      this.name = name;
    }
  }

  private Outcome one(Random random, boolean killed) throws IOException, InterruptedException {
    JsonNode run = desk.startGroup(group, people);
    String path = "/runs/" + run.path("id").asString();
    List<Device> devices = List.of(new Device("a"), new Device("b"));
    long now = System.currentTimeMillis();
    for (int step = 0; step < STEPS; step++) {
      Device d = devices.get(random.nextInt(devices.size()));
      now += random.nextInt(3000);
      if (random.nextInt(3) < 2) {
        tell(random, run, d, now);
      } else {
        send(random, path, d);
      }
      if (random.nextInt(12) == 0) {
        // a reload: only what was kept is left, and the clock may have been set meanwhile
        d.behind = random.nextInt(20_000) - 10_000;
      }
      if (killed && step == STEPS / 2 && kill != null) {
        kill.run();
      }
    }
    add(devices.get(0), now + 1, "FINISH", null, "");
    for (Device d : devices) {
      while (!d.waiting.isEmpty()) {
        deliver(path, d, true, true);
      }
    }
    return outcome(path, run, devices);
  }

  private static void tell(Random random, JsonNode run, Device d, long now) {
    JsonNode person = run.path("people").get(random.nextInt(PEOPLE));
    String who = person.path("clientId").asString();
    JsonNode slot =
        person
            .path("slots")
            .valueStream()
            .filter(s -> s.path("block").asString().equals("WORK"))
            .skip(random.nextInt(3))
            .findFirst()
            .orElseThrow();
    String key = slot.path("key").asString();
    String side = slot.path("parts").get(0).path("side").asString();
    int round = 1 + random.nextInt(3);
    // told late: the tap was a while ago
    long at = random.nextInt(5) == 0 ? now - random.nextInt(60_000) : now;
    switch (random.nextInt(12)) {
      case 0 -> add(d, at, "START", null, "");
      case 1 -> add(d, at, random.nextBoolean() ? "PAUSE" : "RESUME", null, "");
      case 2 ->
          add(
              d,
              at,
              "GOTO",
              null,
              ",\"segment\":" + random.nextInt(run.path("timeline").path("segments").size()));
      case 3 -> add(d, at, "EXTEND", null, ",\"seconds\":15");
      case 4 -> add(d, at, "AWAY", who, random.nextBoolean() ? ",\"why\":\"TIRED\"" : "");
      case 5 ->
          add(
              d,
              at,
              "UNWELL",
              who,
              ",\"unwell\":{\"symptom\":\"WOOZY\",\"how\":\"%s\"}"
                  .formatted(random.nextBoolean() ? "FELT" : "GONE"));
      case 6, 7 -> {
        JsonNode options = slot.path("options");
        String to =
            options.isEmpty() || random.nextInt(3) == 0
                ? random.nextBoolean() ? "\"to\":\"LEAVE\"" : "\"to\":\"BACK\""
                : "\"to\":\"OPTION\",\"option\":\"%s\""
                    .formatted(options.get(random.nextInt(options.size())).path("id").asString());
        add(
            d,
            at,
            "CHANGE",
            who,
            ",\"change\":{\"slotKey\":\"%s\",\"round\":%d,\"onward\":%s,%s}"
                .formatted(key, round, random.nextBoolean(), to));
      }
      default ->
          add(
              d,
              at,
              "ENTRY",
              who,
              ",\"entry\":{\"slotKey\":\"%s\",\"round\":%d,\"side\":\"%s\",\"effort\":%d,\"pain\":%d}"
                  .formatted(key, round, side, random.nextInt(11), random.nextInt(4)));
    }
  }

  private static void add(Device d, long at, String kind, @Nullable String who, String more) {
    String id = UUID.randomUUID().toString();
    d.made.put(
        id,
        "{\"id\":\"%s\",\"at\":%d,\"seq\":%d,\"kind\":\"%s\",\"device\":\"%s\"%s%s}"
            .formatted(
                id,
                at + d.behind,
                d.seq++,
                kind,
                d.name,
                who == null ? "" : ",\"person\":\"" + who + "\"",
                more));
    d.waiting.add(id);
  }

  /** A sending: it may not arrive, its answer may not, it may go out twice, or out of order. */
  private void send(Random random, String path, Device d) throws InterruptedException {
    try {
      switch (random.nextInt(6)) {
        case 0 -> {} // never arrives
        case 1 -> deliver(path, d, false, false); // the answer is lost
        case 2 -> {
          deliver(path, d, false, false);
          deliver(path, d, true, true);
        }
        default -> deliver(path, d, true, random.nextBoolean());
      }
    } catch (IOException e) {
      // the server is gone for a moment: it all waits
    }
  }

  /**
   * Sends what waits.
   *
   * @param answered the answer arrives
   * @param inOrder as it was told; else shuffled
   */
  private void deliver(String path, Device d, boolean answered, boolean inOrder)
      throws IOException, InterruptedException {
    List<String> ids = new ArrayList<>(d.waiting);
    if (ids.isEmpty()) {
      return;
    }
    if (!inOrder) {
      Collections.shuffle(ids, new Random(ids.size()));
    }
    JsonNode kept =
        desk.post(
            path + "/events",
            "{\"clock\":%d,\"events\":[%s]}"
                .formatted(
                    System.currentTimeMillis() + d.behind,
                    String.join(",", ids.stream().map(d.made::get).toList())));
    if (!answered) {
      return;
    }
    for (JsonNode a : kept.path("answers")) {
      String id = a.path("id").asString();
      if (a.path("reply").asString().equals("REFUSED")) {
        throw new IllegalStateException("refused: " + a + " of " + d.made.get(id));
      }
      d.acknowledged.add(id);
      d.waiting.remove(id);
    }
  }

  private Outcome outcome(String path, JsonNode run, List<Device> devices)
      throws IOException, InterruptedException {
    List<JsonNode> there = desk.get(path + "/events").valueStream().toList();
    Set<String> once = new HashSet<>();
    there.forEach(e -> once.add(e.path("id").asString()));
    JsonNode state = desk.get(path).path("state");
    int acknowledged = 0;
    int lost = 0;
    boolean apart = false;
    for (Device d : devices) {
      acknowledged += d.acknowledged.size();
      lost += (int) d.acknowledged.stream().filter(id -> !once.contains(id)).count();
      // what the device made as it made it, and the rest as the server tells it
      List<RunEvent> known = new ArrayList<>();
      for (JsonNode e : there) {
        String own = d.made.get(e.path("id").asString());
        known.add(read(own == null ? e.toString() : own));
      }
      Collections.shuffle(known, new Random(known.size()));
      apart |= !told(run, known).equals(shown(state));
    }
    return new Outcome(
        1,
        devices.stream().mapToInt(d -> d.made.size()).sum(),
        acknowledged,
        lost,
        there.size() - once.size(),
        apart ? 1 : 0);
  }

  private RunEvent read(String event) {
    return json.readValue(event, EventDocument.class).toEvent(null);
  }

  /** What a device comes to, in the few words that everything else hangs on. */
  private Map<String, Object> told(JsonNode run, List<RunEvent> events) {
    List<Segment> segments =
        run.path("timeline")
            .path("segments")
            .valueStream()
            .map(s -> json.treeToValue(s, Segment.class))
            .toList();
    Set<UUID> who = new LinkedHashSet<>();
    Map<UUID, Integer> lines = new HashMap<>();
    for (JsonNode p : run.path("people")) {
      UUID id = UUID.fromString(p.path("clientId").asString());
      who.add(id);
      if (p.has("painLine")) {
        lines.put(id, p.path("painLine").asInt());
      }
    }
    RunState s =
        RunState.fold(
            segments,
            who,
            lines,
            (person, key, option) -> hardness(run, person, key, option),
            events,
            System.currentTimeMillis() + 86_400_000L);
    Map<String, Object> all = new LinkedHashMap<>();
    all.put("status", s.status().name());
    all.put("position", s.positionMs());
    all.put("active", s.activeMs());
    Set<String> sets = new HashSet<>();
    s.entries()
        .forEach(
            k ->
                sets.add(
                    k.person()
                        + k.entry().slotKey()
                        + k.entry().round()
                        + k.entry().side()
                        + EntryDocument.of(k.entry()).effort()
                        + k.doing().option()
                        + k.doing().left()));
    all.put("sets", sets);
    Set<String> away = new HashSet<>();
    s.away().keySet().forEach(id -> away.add(id.toString()));
    all.put("away", away);
    return all;
  }

  private static int hardness(JsonNode run, UUID who, String key, @Nullable String option) {
    for (JsonNode p : run.path("people")) {
      for (JsonNode s : p.path("slots")) {
        if (p.path("clientId").asString().equals(who.toString())
            && s.path("key").asString().equals(key)) {
          JsonNode parts = s.path("parts");
          for (JsonNode o : s.path("options")) {
            parts = o.path("id").asString().equals(option) ? o.path("parts") : parts;
          }
          return parts.valueStream().mapToInt(x -> x.path("difficulty").asInt(0)).max().orElse(0);
        }
      }
    }
    return 0;
  }

  /** What the server comes to, in the same words. */
  private static Map<String, Object> shown(JsonNode state) {
    Map<String, Object> all = new LinkedHashMap<>();
    all.put("status", state.path("status").asString());
    all.put("position", state.path("positionMs").asLong());
    all.put("active", state.path("activeMs").asLong());
    Set<String> sets = new HashSet<>();
    for (JsonNode k : state.path("entries")) {
      JsonNode e = k.path("entry");
      sets.add(
          k.path("person").asString()
              + e.path("slotKey").asString()
              + e.path("round").asInt()
              + e.path("side").asString()
              + e.path("effort").asInt()
              + k.path("doing").path("option").asStringOpt().orElse(null)
              + k.path("doing").path("left").asBoolean());
    }
    all.put("sets", sets);
    Set<String> away = new HashSet<>();
    state.path("away").forEach(a -> away.add(a.path("person").asString()));
    all.put("away", away);
    return all;
  }
}
