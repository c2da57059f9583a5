package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import riposo.core.Orders;
import riposo.core.limit.Side;
import riposo.core.plan.Segment;
import riposo.core.run.Change;
import riposo.core.run.Doing;
import riposo.core.run.Entry;
import riposo.core.run.Leaving;
import riposo.core.run.RunEvent;
import riposo.core.run.RunState;
import riposo.core.run.StopSign;
import riposo.core.run.Symptom;

/** The fold of a run by cases and small logs that the browser's own fold is held to as well. */
class RunFoldTest {
  private static final Path RUNS = Path.of("src/test/resources/runs");
  private static final Path CASES = RUNS.resolve("clock-cases.json");
  private static final Path CHANGES = RUNS.resolve("change-cases.json");
  private static final UUID ONE = UUID.fromString("11111111-0000-0000-0000-000000000001");
  private static final UUID TWO = UUID.fromString("22222222-0000-0000-0000-000000000001");

  record Case(
      String name,
      @Nullable List<UUID> people,
      List<EventDocument> events,
      long at,
      RunState.Status status,
      long positionMs,
      long holdMs,
      @Nullable List<StopSign> stops,
      @Nullable List<EntryDocument> entries,
      @Nullable Map<UUID, Integer> lines,
      @Nullable Long skippedMs,
      @Nullable List<Done> doing,
      @Nullable List<Symptom> unwell,
      @Nullable Map<String, Map<String, Integer>> difficulty,
      @Nullable List<UUID> away) {
    RunState fold(List<RunEvent> all) {
      return RunState.fold(FILE.segments(), who(), painLines(), this::hardness, all, at);
    }

    private int hardness(UUID person, String slotKey, @Nullable String option) {
      return difficulty == null
          ? 0
          : difficulty
              .getOrDefault(slotKey, Map.of())
              .getOrDefault(option == null ? "" : option, 0);
    }

    Map<UUID, Integer> painLines() {
      return lines == null ? Map.of() : lines;
    }

    Set<UUID> who() {
      return people == null ? Set.of(ONE) : new LinkedHashSet<>(people);
    }

    List<RunEvent> read() {
      UUID only = who().size() == 1 ? ONE : null;
      return events.stream().map(e -> e.toEvent(only)).toList();
    }

    @Override
    public String toString() {
      return name;
    }
  }

  /** What is done in a set; what is left out is as the sheet asks. */
  record Done(
      UUID person,
      String slotKey,
      int round,
      Side side,
      @Nullable String option,
      boolean left,
      boolean hurt,
      @Nullable Integer grams) {
    static Done of(RunState s, UUID who, String slot, int round, Side side) {
      Doing d = s.changes().of(who, slot, round, side);
      return new Done(who, slot, round, side, d.option(), d.left(), d.hurt(), d.grams());
    }
  }

  record Cases(List<Segment> segments, List<Case> cases) {}

  private static final Cases FILE = read(CASES);

  private static Cases read(Path file) {
    try {
      return RunDocument.JSON.readValue(Files.readString(file), Cases.class);
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  static List<Case> cases() {
    return Stream.concat(FILE.cases().stream(), read(CHANGES).cases().stream()).toList();
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("cases")
  void theClockIsRightInAnyOrderAndWithRepeats(Case c) {
    for (int seed = 0; seed < 10; seed++) {
      List<RunEvent> events = new ArrayList<>(c.read());
      events.addAll(c.read());
      Collections.shuffle(events, new Random(seed));
      check(c, events);
    }
  }

  private static void check(Case c, List<RunEvent> events) {
    RunState s = c.fold(events);
    assertThat(List.of(s.status(), s.positionMs(), s.holdMs()))
        .isEqualTo(List.of(c.status(), c.positionMs(), c.holdMs()));
    assertThat(s.stops().stream().map(RunEvent.Stop::sign))
        .isEqualTo(c.stops() == null ? List.of() : c.stops());
    if (c.entries() != null) {
      assertThat(s.entries().stream().map(k -> EntryDocument.of(k.entry()))).isEqualTo(c.entries());
    }
    if (c.skippedMs() != null) {
      assertThat(s.skippedMs()).isEqualTo(c.skippedMs());
    }
    if (c.doing() != null) {
      assertThat(
              c.doing().stream().map(d -> Done.of(s, d.person(), d.slotKey(), d.round(), d.side())))
          .isEqualTo(c.doing());
    }
    if (c.unwell() != null) {
      assertThat(s.unwell().stream().map(RunEvent.Unwell::symptom)).isEqualTo(c.unwell());
    }
    if (c.away() != null) {
      assertThat(s.away().keySet()).containsExactlyElementsOf(c.away());
    }
  }

  /** Logs of five events from two devices, each in all its orders: one state. */
  @ParameterizedTest(name = "{0}")
  @CsvSource({"fold-logs, 2026, 150, false", "change-logs, 16, 90, true"})
  void everyOrderOfEverySmallLogFoldsToTheOneState(
      String file, long seed, int logs, boolean changes) throws IOException {
    Path path = RUNS.resolve(file + ".json");
    if (Boolean.getBoolean("riposo.cases.write")) {
      write(path, seed, logs, changes);
    }
    List<Case> all = read(path).cases();
    assertThat(all).hasSize(logs);
    int tried = 0;
    for (Case c : all) {
      for (List<RunEvent> order : Orders.of(c.read())) {
        check(c, order);
        tried++;
      }
    }
    assertThat(tried).isEqualTo(logs * 120);
  }

  private static void write(Path path, long seed, int logs, boolean changes) throws IOException {
    Random random = new Random(seed);
    StringBuilder text = new StringBuilder("{\"segments\": [], \"cases\": [\n");
    for (int n = 0; n < logs; n++) {
      List<UUID> people = n % 3 == 2 ? List.of(ONE, TWO) : List.of(ONE);
      List<EventDocument> events = new ArrayList<>();
      for (int i = 0; i < 5; i++) {
        events.add(changes ? changing(random, i, people) : event(random, i, people, events));
      }
      Map<UUID, Integer> lines = changes ? Map.of(ONE, 2, TWO, 0) : null;
      Map<String, Map<String, Integer>> hard =
          changes ? Map.of("s1", Map.of("", 40, "o1", 20, "o2", 60)) : null;
      Case c =
          new Case(
              "log " + n,
              people,
              events,
              120_000,
              null,
              0,
              0,
              null,
              null,
              lines,
              null,
              null,
              null,
              hard,
              null);
      RunState s = c.fold(c.read());
      Case told =
          new Case(
              c.name(),
              people,
              events,
              c.at(),
              s.status(),
              s.positionMs(),
              s.holdMs(),
              s.stops().stream().map(RunEvent.Stop::sign).toList(),
              s.entries().stream().map(k -> EntryDocument.of(k.entry())).toList(),
              lines,
              changes ? (Long) s.skippedMs() : null,
              changes
                  ? people.stream()
                      .flatMap(
                          who ->
                              Stream.of(1, 2, 3)
                                  .map(round -> Done.of(s, who, "s1", round, Side.LEFT)))
                      .toList()
                  : null,
              changes ? s.unwell().stream().map(RunEvent.Unwell::symptom).toList() : null,
              hard,
              changes ? List.copyOf(s.away().keySet()) : null);
      text.append(n == 0 ? "" : ",\n").append(RunDocument.JSON.writeValueAsString(told));
    }
    Files.writeString(path, text.append("\n]}\n").toString());
  }

  /** One of a log in which what is done changes: pain over the line twice as often as not. */
  private static EventDocument changing(Random random, int i, List<UUID> people) {
    EventDocument.Kind[] kinds = {
      EventDocument.Kind.CHANGE,
      EventDocument.Kind.CHANGE,
      EventDocument.Kind.ENTRY,
      EventDocument.Kind.ENTRY,
      EventDocument.Kind.UNWELL,
      EventDocument.Kind.AWAY,
      EventDocument.Kind.GOTO
    };
    EventDocument.Kind kind =
        i == 0 ? EventDocument.Kind.START : kinds[random.nextInt(kinds.length)];
    Side side = random.nextBoolean() ? Side.LEFT : Side.BOTH;
    Change.To to = Change.To.values()[random.nextInt(4)];
    int round = 1 + random.nextInt(3);
    String option = random.nextBoolean() ? "o1" : "o2";
    boolean second = random.nextBoolean();
    boolean own = kind != EventDocument.Kind.START && kind != EventDocument.Kind.GOTO;
    return new EventDocument(
        new UUID(random.nextLong(), random.nextLong()),
        10_000L * i + random.nextInt(3) * 10_000L + 20_000L,
        i,
        kind,
        kind == EventDocument.Kind.GOTO ? (Integer) random.nextInt(3) : null,
        null,
        kind == EventDocument.Kind.ENTRY
            ? EntryDocument.of(
                Entry.of("s1", round, side)
                    .effort(random.nextInt(11))
                    .pain(random.nextInt(7), null))
            : null,
        null,
        null,
        second ? "b" : "a",
        own ? people.get(random.nextInt(people.size())) : null,
        null,
        kind == EventDocument.Kind.CHANGE
            ? new EventDocument.ChangeDocument(
                "s1",
                round,
                side,
                to,
                to == Change.To.OPTION || to == Change.To.WEIGHT && random.nextBoolean()
                    ? option
                    : null,
                to == Change.To.WEIGHT ? (Integer) (1000 * random.nextInt(3)) : null,
                random.nextBoolean())
            : null,
        kind == EventDocument.Kind.UNWELL
            ? new EventDocument.UnwellDocument(
                Symptom.values()[random.nextInt(3)],
                Symptom.How.values()[random.nextInt(2)],
                null,
                null,
                null,
                null)
            : null,
        null,
        kind == EventDocument.Kind.AWAY && random.nextInt(3) > 0
            ? Leaving.values()[random.nextInt(5)]
            : null);
  }

  private static EventDocument event(
      Random random, int i, List<UUID> people, List<EventDocument> before) {
    EventDocument.Kind[] kinds = {
      EventDocument.Kind.START,
      EventDocument.Kind.PAUSE,
      EventDocument.Kind.RESUME,
      EventDocument.Kind.GOTO,
      EventDocument.Kind.EXTEND,
      EventDocument.Kind.ENTRY,
      EventDocument.Kind.ENTRY,
      EventDocument.Kind.STOP,
      EventDocument.Kind.FINISH
    };
    EventDocument.Kind kind =
        i == 0 ? EventDocument.Kind.START : kinds[random.nextInt(kinds.length)];
    UUID who = people.get(random.nextInt(people.size()));
    EntryDocument entry = null;
    if (kind == EventDocument.Kind.ENTRY) {
      String text =
          "{\"slotKey\": \"s1\", \"round\": 1, \"side\": \"BOTH\""
              + (random.nextBoolean() ? ", \"effort\": " + random.nextInt(11) : "")
              + (random.nextBoolean() ? ", \"pain\": " + random.nextInt(4) : "")
              + switch (random.nextInt(5)) {
                case 0 -> ", \"reps\": " + random.nextInt(12);
                case 1 -> ", \"grams\": 2000";
                case 2 -> ", \"left\": 1000, \"right\": 0";
                case 3 -> ", \"parts\": [{\"reps\": 8, \"grams\": 3000}, {\"reps\": 4}]";
                default -> "";
              };
      UUID corrects =
          before.stream()
              .filter(e -> e.kind() == EventDocument.Kind.ENTRY && random.nextInt(3) == 0)
              .map(EventDocument::id)
              .findFirst()
              .orElse(null);
      entry =
          RunDocument.JSON.readValue(
              text + (corrects == null ? "}" : ", \"corrects\": \"" + corrects + "\"}"),
              EntryDocument.class);
    }
    boolean second = random.nextBoolean();
    String[] signs = {"FAINT", "JOINT", "CHEST"};
    return new EventDocument(
        new UUID(random.nextLong(), random.nextLong()),
        10_000L * i + random.nextInt(3) * 10_000L - (second ? 15_000L : 0) + 20_000L,
        Math.max(0, i - random.nextInt(2)),
        kind,
        kind == EventDocument.Kind.GOTO ? (Integer) random.nextInt(3) : null,
        kind == EventDocument.Kind.EXTEND ? (Integer) (1 + random.nextInt(20)) : null,
        entry,
        null,
        kind == EventDocument.Kind.STOP ? signs[random.nextInt(3)] : null,
        random.nextInt(6) == 0 ? null : second ? "b" : "a",
        kind == EventDocument.Kind.ENTRY || kind == EventDocument.Kind.STOP ? who : null,
        null,
        null,
        null,
        null,
        null);
  }
}
