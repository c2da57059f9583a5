package riposo.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import riposo.core.limit.Side;
import riposo.core.plan.Block;
import riposo.core.plan.Segment;

/** How long each of a room was in it. */
class OwnTimeTest {
  private static final UUID ANN = new UUID(0, 1);
  private static final UUID BEN = new UUID(0, 2);
  private static final Set<UUID> BOTH = Set.of(ANN, BEN);
  private static final List<Segment> HOUR =
      List.of(
          new Segment(
              0,
              3600,
              Segment.Kind.WORK,
              Block.WORK,
              "s1",
              1,
              1,
              Side.BOTH,
              4,
              null,
              null,
              null,
              null));
  private final List<RunEvent> events = new ArrayList<>();

  private Stamp at(int minute) {
    return new Stamp(UUID.randomUUID(), "tablet", minute * 60_000L, events.size());
  }

  private int minutes(UUID who, @Nullable Integer joined, Set<UUID> withdrawn) {
    return OwnTime.minutes(
        HOUR,
        BOTH,
        joined == null ? null : (Long) (joined * 60_000L),
        events,
        who,
        withdrawn,
        90 * 60_000L);
  }

  private int minutes(UUID who) {
    return minutes(who, null, Set.of());
  }

  @Test
  void aPauseOfTheRoomIsNobodysTime() {
    events.add(new RunEvent.Start(at(0)));
    events.add(new RunEvent.Pause(at(10)));
    events.add(new RunEvent.Resume(at(15)));
    events.add(new RunEvent.Finish(at(40)));
    assertThat(minutes(ANN)).isEqualTo(35);
    assertThat(minutes(BEN, 12, Set.of())).as("came in the pause").isEqualTo(25);
    assertThat(minutes(BEN, 20, Set.of())).isEqualTo(20);
  }

  @Test
  void whoLeftHasTheTimeUntilThenAndWhoCameBackAllOfIt() {
    events.add(new RunEvent.Start(at(0)));
    events.add(new RunEvent.Away(at(12), ANN, Leaving.values()[0]));
    events.add(new RunEvent.Finish(at(30)));
    assertThat(minutes(ANN)).isEqualTo(12);
    assertThat(minutes(BEN)).isEqualTo(30);
    events.add(2, new RunEvent.Away(at(20), ANN, null));
    assertThat(minutes(ANN)).isEqualTo(30);
  }

  @Test
  void aStopEndsOnesOwnTimeUnlessItWasTappedInError() {
    events.add(new RunEvent.Start(at(0)));
    RunEvent.Stop stop = new RunEvent.Stop(at(9), ANN, StopSign.FAINT, StopSign.FAINT.words, true);
    events.add(stop);
    events.add(new RunEvent.Finish(at(30)));
    assertThat(minutes(ANN)).isEqualTo(9);
    assertThat(minutes(BEN)).isEqualTo(30);
    assertThat(minutes(ANN, null, Set.of(stop.id()))).isEqualTo(30);
  }

  @Test
  void aClockThatNeverWentIsNoTime() {
    assertThat(minutes(ANN)).isZero();
  }
}
