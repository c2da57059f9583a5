package riposo.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import riposo.core.limit.Side;
import riposo.core.quantity.Pulse;

/** Which family a pulse of a run tells of. */
class WorkPulsesTest {
  private static final UUID WHO = new UUID(0, 1);
  private final List<RunEvent> events = new ArrayList<>();

  private WorkPulsesTest pulse(int at, int bpm, @Nullable Integer after) {
    events.add(
        new RunEvent.PulseRead(
            stamp(at), WHO, new Pulse(bpm), RunEvent.PulseRead.From.TYPED, after));
    return this;
  }

  private WorkPulsesTest set(int at, String slot) {
    events.add(new RunEvent.Logged(stamp(at), WHO, Entry.of(slot, 1, Side.BOTH)));
    return this;
  }

  private Stamp stamp(int second) {
    return new Stamp(UUID.randomUUID(), "tablet", second * 1000L, events.size());
  }

  @Test
  void aPulseIsOfTheFirstSetToldAfterItWithinTwoMinutes() {
    pulse(10, 110, null).pulse(20, 120, 15).pulse(25, 90, 16).set(30, "s1");
    pulse(60, 101, 0).pulse(70, 103, null).set(190, "s2");
    pulse(200, 99, null).set(210, "gone");
    pulse(300, 140, null);
    assertThat(WorkPulses.of(events, Map.of("s1", "pull", "s2", "push")))
        .as("90 was rest; 101 was told of too late; 140 has no set")
        .isEqualTo(Map.of("pull", 110, "push", 103));
  }

  @Test
  void whereNoneWasReadThereIsNone() {
    set(10, "s1");
    assertThat(WorkPulses.of(events, Map.of("s1", "pull"))).isEmpty();
  }
}
