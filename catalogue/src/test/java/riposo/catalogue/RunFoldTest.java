package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import riposo.core.Orders;
import riposo.core.plan.Segment;
import riposo.core.run.RunEvent;
import riposo.core.run.RunState;
import riposo.core.run.StopSign;

/** The fold of a run by cases and small logs that the browser's own fold is held to as well. */
class RunFoldTest {
  private static final Path CASES = Path.of("src/test/resources/runs/clock-cases.json");
  private static final Path LOGS = Path.of("src/test/resources/runs/fold-logs.json");
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
      @Nullable List<EntryDocument> entries) {
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
    return FILE.cases();
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
    RunState s = RunState.fold(FILE.segments(), c.who(), events, c.at());
    assertThat(List.of(s.status(), s.positionMs(), s.holdMs()))
        .isEqualTo(List.of(c.status(), c.positionMs(), c.holdMs()));
    assertThat(s.stops().stream().map(RunEvent.Stop::sign))
        .isEqualTo(c.stops() == null ? List.of() : c.stops());
    if (c.entries() != null) {
      assertThat(s.entries().stream().map(k -> EntryDocument.of(k.entry()))).isEqualTo(c.entries());
    }
  }

  /** Logs of five events from two devices, each in all its orders: one state. */
  @Test
  void everyOrderOfEverySmallLogFoldsToTheOneState() throws IOException {
    if (Boolean.getBoolean("riposo.cases.write")) {
      write();
    }
    List<Case> logs = read(LOGS).cases();
    assertThat(logs).hasSize(150);
    int tried = 0;
    for (Case c : logs) {
      for (List<RunEvent> order : Orders.of(c.read())) {
        check(c, order);
        tried++;
      }
    }
    assertThat(tried).isEqualTo(150 * 120);
  }

  private static void write() throws IOException {
    Random random = new Random(2026);
    List<Case> all = new ArrayList<>();
    for (int n = 0; n < 150; n++) {
      List<UUID> people = n % 3 == 2 ? List.of(ONE, TWO) : List.of(ONE);
      List<EventDocument> events = new ArrayList<>();
      for (int i = 0; i < 5; i++) {
        events.add(event(random, n, i, people, events));
      }
      Case c =
          new Case("log " + n, people, events, 120_000, RunState.Status.READY, 0, 0, null, null);
      RunState s = RunState.fold(FILE.segments(), c.who(), c.read(), c.at());
      all.add(
          new Case(
              c.name(),
              people,
              events,
              c.at(),
              s.status(),
              s.positionMs(),
              s.holdMs(),
              s.stops().stream().map(RunEvent.Stop::sign).toList(),
              s.entries().stream().map(k -> EntryDocument.of(k.entry())).toList()));
    }
    StringBuilder text = new StringBuilder("{\"segments\": [], \"cases\": [\n");
    for (Case c : all) {
      text.append(RunDocument.JSON.writeValueAsString(c)).append(c == all.get(149) ? "\n" : ",\n");
    }
    Files.writeString(LOGS, text.append("]}\n").toString());
  }

  private static EventDocument event(
      Random random, int n, int i, List<UUID> people, List<EventDocument> before) {
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
        null);
  }
}
