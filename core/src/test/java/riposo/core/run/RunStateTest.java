package riposo.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import riposo.core.limit.Side;
import riposo.core.plan.Segment;
import riposo.core.screening.OpenFinding;
import tools.jackson.databind.json.JsonMapper;

/** The clock's cases are shared with the browser's own test of the same fold. */
class RunStateTest {
  record Case(
      String name,
      List<RunEvent> events,
      long at,
      RunState.Status status,
      long positionMs,
      long holdMs,
      @Nullable List<StopSign> stops,
      @Nullable List<RunEvent.Entry> entries) {
    @Override
    public String toString() {
      return name;
    }
  }

  private static final LocalDate DAY = LocalDate.of(2026, 11, 24);

  record Cases(List<Segment> segments, List<Case> cases) {}

  private static final Cases FILE = read();

  private static Cases read() {
    try (InputStream in = RunStateTest.class.getResourceAsStream("/clock-cases.json")) {
      return JsonMapper.builder().build().readValue(in, Cases.class);
    } catch (java.io.IOException e) {
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
      List<RunEvent> events = new ArrayList<>(c.events());
      events.addAll(c.events());
      Collections.shuffle(events, new Random(seed));
      RunState s = RunState.fold(FILE.segments(), events, c.at());
      assertThat(List.of(s.status(), s.positionMs(), s.holdMs()))
          .isEqualTo(List.of(c.status(), c.positionMs(), c.holdMs()));
      assertThat(s.stops().stream().map(RunState.Stop::sign))
          .isEqualTo(c.stops() == null ? List.of() : c.stops());
      if (c.entries() != null) {
        assertThat(s.entries()).isEqualTo(c.entries());
      }
    }
  }

  /**
   * All orders of up to six events with a STOP among them, from two devices: stamped by either
   * device in the order they are in, the run is always ended and the sign is always there.
   */
  @Test
  void anyOrderOfEventsWithAStopIsEndedAndKeepsTheSign() {
    List<RunEvent.Kind> others =
        List.of(
            RunEvent.Kind.START,
            RunEvent.Kind.PAUSE,
            RunEvent.Kind.RESUME,
            RunEvent.Kind.FINISH,
            RunEvent.Kind.ENTRY,
            RunEvent.Kind.STOP);
    int tried = 0;
    for (int set = 0; set < 1 << others.size(); set++) {
      List<RunEvent.Kind> kinds = new ArrayList<>(List.of(RunEvent.Kind.STOP));
      for (int i = 0; i < others.size(); i++) {
        if ((set >> i & 1) == 1) {
          kinds.add(others.get(i));
        }
      }
      if (kinds.size() > 6) {
        continue;
      }
      for (List<RunEvent.Kind> order : permutations(kinds)) {
        // the second device's clock is the same, 25 s behind, or 25 s ahead
        for (int skew : new int[] {0, -25_000, 25_000}) {
          List<RunEvent> events = new ArrayList<>();
          for (int i = 0; i < order.size(); i++) {
            boolean second = i % 2 == 1;
            events.add(
                event(order.get(i), 100_000 + 10_000L * i + (second ? skew : 0), second ? i : 0));
          }
          RunState s = RunState.fold(FILE.segments(), events, 1_000_000);
          long first =
              events.stream()
                  .filter(e -> e.kind() == RunEvent.Kind.STOP || e.kind() == RunEvent.Kind.FINISH)
                  .mapToLong(RunEvent::at)
                  .min()
                  .orElseThrow();
          assertThat(s.status()).as("%s, skew %s", order, skew).isEqualTo(RunState.Status.STOPPED);
          assertThat(s.endedAt()).isEqualTo(first);
          assertThat(s.stops())
              .hasSize(Collections.frequency(order, RunEvent.Kind.STOP))
              .allMatch(x -> x.sign() == StopSign.FAINT);
          // withdrawn or not: what was withdrawn leaves nothing, every other one its finding
          Set<UUID> withdrawn = new HashSet<>();
          for (RunState.Stop x : s.stops()) {
            assertThat(s.standing(withdrawn)).hasSize(s.stops().size() - withdrawn.size());
            assertThat(s.standing(withdrawn))
                .allMatch(y -> OpenFinding.stopped(y.after(), y.words(), DAY, "a day").isPresent());
            withdrawn.add(x.id());
          }
          assertThat(s.standing(withdrawn)).isEmpty();
          tried++;
        }
      }
    }
    assertThat(tried).isGreaterThan(10_000);
  }

  private static RunEvent event(RunEvent.Kind kind, long at, int seq) {
    return kind == RunEvent.Kind.ENTRY
        ? entry(at, 5, null, null)
        : new RunEvent(
            UUID.randomUUID(),
            at,
            seq,
            kind,
            null,
            null,
            null,
            null,
            kind == RunEvent.Kind.STOP ? StopSign.FAINT.name() : null,
            seq == 0 ? "a" : "b",
            null);
  }

  private static <T> List<List<T>> permutations(List<T> all) {
    if (all.isEmpty()) {
      return List.of(List.of());
    }
    List<List<T>> result = new ArrayList<>();
    for (int i = 0; i < all.size(); i++) {
      List<T> rest = new ArrayList<>(all);
      T head = rest.remove(i);
      for (List<T> tail : permutations(rest)) {
        List<T> one = new ArrayList<>(List.of(head));
        one.addAll(tail);
        result.add(one);
      }
    }
    return result;
  }

  @Test
  void laterWordsOfASetStandAndKeepWhatTheyLeaveOpen() {
    RunEvent first = entry(1, 4, null, 10);
    RunEvent later = entry(2, 5, 2, null);
    RunState s = RunState.fold(FILE.segments(), List.of(later, first, later), 10);
    assertThat(s.entries()).hasSize(1);
    RunEvent.Entry e = s.entries().get(0);
    assertThat(List.of(e.effort(), e.pain(), e.reps())).isEqualTo(List.of(5, 2, 10));
  }

  private static RunEvent entry(long at, Integer effort, Integer pain, Integer reps) {
    return new RunEvent(
        UUID.randomUUID(),
        at,
        0,
        RunEvent.Kind.ENTRY,
        null,
        null,
        new RunEvent.Entry("s1", 1, Side.BOTH, effort, pain, null, reps, null, null),
        null);
  }
}
