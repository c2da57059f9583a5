package riposo.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import riposo.core.limit.Side;
import riposo.core.plan.Segment;
import tools.jackson.databind.json.JsonMapper;

/** The clock's cases are shared with the browser's own test of the same fold. */
class RunStateTest {
  record Case(
      String name,
      List<RunEvent> events,
      long at,
      RunState.Status status,
      long positionMs,
      long holdMs) {
    @Override
    public String toString() {
      return name;
    }
  }

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
    }
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
