package riposo.server;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Runs as versions before stored them, made from the frozen ones by a seed: other days, efforts,
 * pains, repetitions, corrections, stops and check-ins. What is made depends on the seed alone.
 */
final class OldRuns {
  private static final Path DIR = Path.of("../catalogue/src/test/resources/runs/old");
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final String[] SIGNS = {"CHEST", "JOINT", "LOW_SUGAR", "FALL_MINOR"};
  private static final String[] WORDS = {
    "Chest pressure or pain", "Sudden joint pain, pop or giving way", "a cramp"
  };

  /** A run with what was answered the morning after; null where nothing was. */
  record Made(
      UUID id,
      LocalDate date,
      String planName,
      String status,
      ObjectNode adapted,
      ObjectNode today,
      @Nullable Integer minutes,
      List<ObjectNode> events,
      @Nullable ObjectNode answer) {}

  private final List<JsonNode> frozen = new ArrayList<>();

  OldRuns() throws IOException {
    for (String name : names()) {
      JsonNode stored = JSON.readTree(Files.readString(DIR.resolve(name + ".json")));
      if (stored.path("events").size() > 0) {
        frozen.add(stored);
      }
    }
  }

  /** The frozen runs by name. */
  static List<String> names() throws IOException {
    try (Stream<Path> files = Files.list(DIR)) {
      return files.map(f -> f.getFileName().toString().replace(".json", "")).sorted().toList();
    }
  }

  static JsonNode frozen(String name) throws IOException {
    return JSON.readTree(Files.readString(DIR.resolve(name + ".json")));
  }

  /** So many runs of one client, in time order. */
  List<Made> of(long seed, int count) {
    Random random = new Random(seed);
    List<Made> all = new ArrayList<>();
    LocalDate day = LocalDate.of(2026, 1, 5);
    // a client trains by a few plans, again and again
    List<JsonNode> plans = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      plans.add(frozen.get(random.nextInt(frozen.size())));
    }
    double sore = random.nextDouble() * 0.6;
    boolean steady = seed % 2 == 0;
    for (int i = 0; i < count; i++) {
      day = day.plusDays(1 + random.nextInt(8) + (random.nextInt(6) == 0 ? 6 : 0));
      boolean strong = steady && random.nextInt(10) > 0;
      JsonNode plan = plans.get(steady ? 0 : random.nextInt(plans.size()));
      all.add(run(seed, i, plan, day, sore, strong, random));
    }
    return all;
  }

  private static UUID id(Object... of) {
    return UUID.nameUUIDFromBytes(java.util.Arrays.toString(of).getBytes(StandardCharsets.UTF_8));
  }

  private static Made run(
      long seed,
      int number,
      JsonNode stored,
      LocalDate day,
      double sore,
      boolean strong,
      Random random) {
    ObjectNode adapted = (ObjectNode) stored.path("adapted").deepCopy();
    adapted.put("date", day.toString());
    ObjectNode today = JSON.createObjectNode();
    if (random.nextInt(8) > 0) {
      today.put("painBefore", random.nextDouble() < sore ? random.nextInt(5) : 0);
    }
    today.putArray("cautions");
    String[] doses = {"AS_PLANNED", "AS_PLANNED", "AS_PLANNED", "EASED", "SHORT"};
    today.put("dose", doses[random.nextInt(random.nextInt(3) == 0 ? 5 : 3)]);
    today.putArray("reasons");
    if (strong) {
      today.put("painBefore", 0);
      today.put("dose", "AS_PLANNED");
    }
    if (random.nextInt(strong ? 9 : 4) == 0) {
      adapted.put("effortCap", 3 + random.nextInt(4));
    }
    long t = day.toEpochDay() * 86_400_000L + 36_000_000L;
    List<ObjectNode> events = new ArrayList<>();
    event(events, seed, number, t, "START", random);
    int ended = 0;
    for (JsonNode g : adapted.path("timeline").path("segments")) {
      ended = g.path("start").asInt() + g.path("length").asInt();
      if (!g.path("kind").asString().equals("WORK")
          || !g.path("block").asString().equals("WORK")
          || random.nextInt(9) == 0) {
        continue;
      }
      JsonNode part = part(adapted, g);
      int tellings = random.nextInt(7) == 0 ? 2 : 1;
      for (int k = 0; k < tellings; k++) {
        ObjectNode e = event(events, seed, number, t + ended * 1000L + k * 700L, "ENTRY", random);
        ObjectNode entry = e.putObject("entry");
        entry.put("slotKey", g.path("slotKey").asString());
        entry.put("round", g.path("round").asInt());
        entry.put("side", g.path("side").asString());
        if (random.nextInt(6) > 0) {
          entry.put("effort", 3 + random.nextInt(sore > 0.3 ? 6 : 4));
        }
        if (random.nextInt(5) > 0) {
          int pain = random.nextDouble() < sore * 0.5 ? random.nextInt(9) : 0;
          entry.put("pain", pain);
          if (pain > 0) {
            entry.put("painWhere", "left knee");
          }
        }
        if (part.path("dose").hasNonNull("reps") && random.nextInt(6) > 0) {
          entry.put(
              "reps", Math.max(0, part.path("dose").path("reps").asInt() - 1 + random.nextInt(5)));
        }
        if (part.path("dose").hasNonNull("grams") && random.nextInt(5) == 0) {
          entry.put("grams", 1000 * random.nextInt(3));
        }
        if (random.nextInt(3) == 0) {
          entry.put("formLost", random.nextInt(5) == 0);
        }
        if (strong) {
          entry.put("effort", 3 + random.nextInt(2));
          entry.put("pain", 0);
          entry.remove("painWhere");
          entry.remove("grams");
          entry.put("formLost", false);
          if (part.path("dose").hasNonNull("reps")) {
            entry.put("reps", part.path("dose").path("reps").asInt() + 2 + random.nextInt(4));
          }
        }
      }
    }
    String status = "FINISHED";
    if (random.nextInt(strong ? 40 : 14) == 0) {
      ObjectNode stop = event(events, seed, number, t + ended * 500L, "STOP", random);
      if (random.nextBoolean()) {
        stop.put("sign", SIGNS[random.nextInt(SIGNS.length)]);
      } else {
        stop.put("text", WORDS[random.nextInt(WORDS.length)]);
      }
      status = "STOPPED";
    } else {
      event(events, seed, number, t + ended * 1000L, "FINISH", random);
    }
    ObjectNode answer = null;
    if (random.nextInt(5) > 0) {
      answer = JSON.createObjectNode();
      int before = today.path("painBefore").asInt(0);
      int pain = Math.min(10, before + (random.nextDouble() < sore * 0.5 ? random.nextInt(4) : 0));
      answer.put("pain", pain);
      answer.put("compared", pain > before ? "WORSE" : random.nextBoolean() ? "SAME" : "BETTER");
      answer.put("moreTired", random.nextInt(15) == 0);
      answer.putArray("newSigns");
      if (random.nextInt(60) == 0) {
        answer.withArray("newSigns").add("NUMBNESS");
      }
      if (strong) {
        answer.put("pain", 0);
        answer.put("compared", "SAME");
        answer.put("moreTired", false);
      }
    }
    return new Made(
        id("run", seed, number),
        day,
        stored.path("planName").asString(),
        status,
        adapted,
        today,
        (ended + 30) / 60,
        events,
        answer);
  }

  private static JsonNode part(JsonNode adapted, JsonNode segment) {
    for (JsonNode s : adapted.path("slots")) {
      if (s.path("key").equals(segment.path("slotKey"))) {
        for (JsonNode p : s.path("parts")) {
          String side = p.path("side").asString();
          if (side.equals("BOTH") || side.equals(segment.path("side").asString())) {
            return p;
          }
        }
        return s.path("parts").path(0);
      }
    }
    throw new AssertionError("no slot of " + segment);
  }

  private static ObjectNode event(
      List<ObjectNode> events, long seed, int number, long at, String kind, Random random) {
    ObjectNode e = JSON.createObjectNode();
    e.put("id", id("event", seed, number, events.size()).toString());
    e.put("at", at);
    e.put("seq", events.size());
    e.put("kind", kind);
    if (seed % 3 == 0) {
      e.put("device", "d" + random.nextInt(2));
    }
    events.add(e);
    return e;
  }

  /**
   * Writes runs into the tables of before.
   *
   * @param prefix "old_" once they are set aside
   */
  static void insert(
      JdbcTemplate sql, String prefix, UUID studio, UUID client, UUID plan, List<Made> runs) {
    List<Object[]> rows = new ArrayList<>();
    List<Object[]> events = new ArrayList<>();
    for (Made m : runs) {
      rows.add(
          new Object[] {
            m.id().toString(),
            studio.toString(),
            m.date() + " 09:00:00",
            client.toString(),
            plan.toString(),
            m.planName(),
            m.date().toString(),
            m.status(),
            m.adapted().toString(),
            m.today().toString(),
            m.minutes()
          });
      for (ObjectNode e : m.events()) {
        events.add(
            new Object[] {
              e.path("id").asString(),
              studio.toString(),
              m.id().toString(),
              e.path("at").asLong(),
              e.path("seq").asInt(),
              e.path("kind").asString(),
              e.toString(),
              m.date() + " 10:00:00"
            });
      }
    }
    sql.batchUpdate(
        "insert into "
            + prefix
            + "run (id, studio_id, version, created_at, client_id, plan_id, plan_name, on_date, status, adapted, today, minutes, effort_after, feel, reviewed)"
            + " values (?, ?, 0, ?, ?, ?, ?, ?, ?, ?, ?, ?, 5, 'GOOD', false)",
        rows);
    sql.batchUpdate(
        "insert into "
            + prefix
            + "run_event (id, studio_id, run_id, at_ms, seq, kind, body, received_at) values (?, ?, ?, ?, ?, ?, ?, ?)",
        events);
  }

  /** Writes what was answered the mornings after. */
  static void answers(JdbcTemplate sql, UUID studio, UUID client, List<Made> runs) {
    for (Made m : runs) {
      if (m.answer() != null) {
        sql.update(
            "insert into check_in (id, studio_id, version, created_at, client_id, run_id, opens_on, expires_on, answered_at, answer)"
                + " values (?, ?, 0, ?, ?, ?, ?, ?, ?, ?)",
            id("check-in", m.id()).toString(),
            studio.toString(),
            m.date() + " 10:00:00",
            client.toString(),
            m.id().toString(),
            m.date().plusDays(1).toString(),
            m.date().plusDays(3).toString(),
            m.date().plusDays(1) + " 08:00:00",
            m.answer().toString());
      }
    }
  }
}
