package riposo.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import riposo.core.Orders;
import riposo.core.limit.Side;
import riposo.core.plan.Block;
import riposo.core.plan.Segment;
import riposo.core.screening.OpenFinding;

/** Laws of the fold; the table of its cases is shared with the browser's fold. */
class RunStateTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 24);
  private static final UUID WHO = UUID.randomUUID();
  private static final UUID OTHER = UUID.randomUUID();
  private static final List<Segment> SEGMENTS =
      List.of(segment(0, 40, Segment.Kind.WORK), segment(40, 20, Segment.Kind.REST));

  private enum Kind {
    START,
    PAUSE,
    RESUME,
    FINISH,
    ENTRY,
    STOP
  }

  private static Segment segment(int start, int length, Segment.Kind kind) {
    return new Segment(
        start, length, kind, Block.WORK, "s1", 1, 1, Side.BOTH, 4, null, null, null, null);
  }

  private static RunState fold(List<RunEvent> events, long asOf) {
    return RunState.fold(SEGMENTS, Set.of(WHO), events, asOf);
  }

  private static Stamp stamp(String device, long at, int seq) {
    return new Stamp(UUID.randomUUID(), device, at, seq);
  }

  private static RunEvent event(Kind kind, Stamp s) {
    return switch (kind) {
      case START -> new RunEvent.Start(s);
      case PAUSE -> new RunEvent.Pause(s);
      case RESUME -> new RunEvent.Resume(s);
      case FINISH -> new RunEvent.Finish(s);
      case ENTRY -> new RunEvent.Logged(s, WHO, Entry.of("s1", 1, Side.BOTH).effort(5));
      case STOP -> stop(s, WHO);
    };
  }

  private static RunEvent.Stop stop(Stamp s, UUID who) {
    return new RunEvent.Stop(s, who, StopSign.FAINT, StopSign.FAINT.words, true);
  }

  /**
   * All orders of up to six events with a STOP among them, from two devices: stamped by either
   * device in the order they are in, the run is always ended and the sign is always there.
   */
  @Test
  void anyOrderOfEventsWithAStopIsEndedAndKeepsTheSign() {
    int tried = 0;
    for (int set = 0; set < 1 << Kind.values().length; set++) {
      List<Kind> kinds = new ArrayList<>(List.of(Kind.STOP));
      for (int i = 0; i < Kind.values().length; i++) {
        if ((set >> i & 1) == 1) {
          kinds.add(Kind.values()[i]);
        }
      }
      if (kinds.size() > 6) {
        continue;
      }
      for (List<Kind> order : Orders.of(kinds)) {
        // the second device's clock is the same, 25 s behind, or 25 s ahead
        for (int skew : new int[] {0, -25_000, 25_000}) {
          List<RunEvent> events = new ArrayList<>();
          for (int i = 0; i < order.size(); i++) {
            boolean second = i % 2 == 1;
            Stamp s = stamp(second ? "b" : "a", 100_000 + 10_000L * i + (second ? skew : 0), i);
            events.add(event(order.get(i), s));
          }
          RunState s = fold(events, 1_000_000);
          long first =
              events.stream()
                  .filter(e -> e instanceof RunEvent.Stop || e instanceof RunEvent.Finish)
                  .mapToLong(RunEvent::at)
                  .min()
                  .orElseThrow();
          assertThat(s.status()).as("%s, skew %s", order, skew).isEqualTo(RunState.Status.STOPPED);
          assertThat(s.endedAt()).isEqualTo(first);
          assertThat(s.stops())
              .hasSize(Collections.frequency(order, Kind.STOP))
              .allMatch(x -> x.sign() == StopSign.FAINT);
          // withdrawn or not: what was withdrawn leaves nothing, every other one its finding
          Set<UUID> withdrawn = new HashSet<>();
          for (RunEvent.Stop x : s.stops()) {
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

  @Test
  void whateverTheOrderOfArrivalTheStateIsTheSame() {
    Random random = new Random(13);
    for (int n = 0; n < 400; n++) {
      List<RunEvent> events = new ArrayList<>();
      for (int i = 0; i < 12; i++) {
        boolean second = random.nextBoolean();
        Stamp s =
            stamp(
                second ? "b" : random.nextInt(4) == 0 ? Stamp.OLD : "a",
                100_000 + random.nextInt(200) * 1000L,
                random.nextInt(8));
        events.add(event(Kind.values()[random.nextInt(Kind.values().length)], s));
      }
      RunState once = fold(events, 900_000);
      List<RunEvent> other = new ArrayList<>(events);
      other.addAll(events);
      Collections.shuffle(other, random);
      assertThat(fold(other, 900_000)).isEqualTo(once);
    }
  }

  @Test
  void timeNeverRunsBackwardsWithinADeviceButAStopKeepsItsOwn() {
    RunEvent start = event(Kind.START, stamp("a", 50_000, 0));
    RunEvent back = event(Kind.PAUSE, stamp("a", 20_000, 1));
    assertThat(fold(List.of(back, start), 60_000).pausedAt()).isEqualTo(50_000L);
    // two devices may be behind "old": their clocks are not held to each other
    RunEvent one = event(Kind.START, stamp(Stamp.OLD, 50_000, 0));
    RunEvent two = event(Kind.PAUSE, stamp(Stamp.OLD, 20_000, 1));
    assertThat(fold(List.of(one, two), 60_000).status()).isEqualTo(RunState.Status.RUNNING);
    RunEvent stop = event(Kind.STOP, stamp("a", 40_000, 2));
    assertThat(fold(List.of(start, stop), 60_000).endedAt()).isEqualTo(40_000L);
    // a stop that took the server's time does not push what its device did
    RunEvent late = event(Kind.STOP, stamp("a", 900_000, 0));
    assertThat(fold(List.of(late, start), 950_000).startedAt()).isEqualTo(50_000L);
  }

  @Test
  void theSignOfOneEndsAGroupsRunOnlyWhenNobodyIsLeft() {
    Set<UUID> two = new LinkedHashSet<>(List.of(WHO, OTHER));
    RunEvent start = event(Kind.START, stamp("a", 0, 0));
    RunEvent one = stop(stamp("a", 10_000, 1), WHO);
    RunState going = RunState.fold(SEGMENTS, two, List.of(start, one), 20_000);
    assertThat(going.status()).isEqualTo(RunState.Status.RUNNING);
    assertThat(going.stops()).extracting(RunEvent.Stop::person).containsExactly(WHO);
    RunEvent other = stop(stamp("a", 15_000, 2), OTHER);
    RunState ended = RunState.fold(SEGMENTS, two, List.of(other, one, start), 20_000);
    assertThat(ended.status()).isEqualTo(RunState.Status.STOPPED);
    assertThat(ended.endedAt()).isEqualTo(15_000L);
    RunEvent all = stop(stamp("a", 12_000, 3), null);
    assertThat(RunState.fold(SEGMENTS, two, List.of(start, all), 20_000).status())
        .as("a sign that names nobody is everybody's")
        .isEqualTo(RunState.Status.STOPPED);
  }

  private static RunEvent.Logged logged(long at, Entry e) {
    return new RunEvent.Logged(stamp("a", at, (int) at), WHO, e);
  }

  private static final Entry SET = Entry.of("s1", 1, Side.BOTH);

  private static Entry only(RunEvent... events) {
    RunState s = fold(List.of(events), 100);
    assertThat(s.entries()).hasSize(1);
    return s.entries().get(0).entry();
  }

  @Test
  void laterWordsOfASetStandAndKeepWhatTheyLeaveOpen() {
    RunEvent first = logged(1, SET.effort(4).reps(10));
    RunEvent later = logged(2, SET.effort(5).pain(2, null));
    assertThat(only(later, first, later)).isEqualTo(SET.effort(5).pain(2, null).reps(10));
  }

  @Test
  void aCorrectionStandsInForWhatItCorrectsWhateverComesFirst() {
    RunEvent.Logged wrong = logged(1, SET.pain(8, "knee").reps(9));
    RunEvent.Logged more = logged(2, SET.effort(5));
    Entry right = SET.reps(9).telling(new Entry.Telling(null, null, wrong.id(), null, false));
    assertThat(only(logged(3, right), more, wrong).hurt()).isEqualTo(Entry.Hurt.NOTHING);
    assertThat(only(wrong, logged(3, right), more)).isEqualTo(SET.effort(5).reps(9));
    Entry none = SET.telling(new Entry.Telling(null, null, wrong.id(), null, false));
    assertThat(only(wrong, logged(3, none)).work()).isEqualTo(Entry.Work.NOTHING);
  }

  @Test
  void aSetToldInPartsIsToldWholeAndOneToldInOneGoReplacesParts() {
    Entry.Part eight = new Entry.Part(8, null, Entry.Hands.same(3000));
    Entry.Part four = new Entry.Part(4, null, Entry.Hands.same(2000));
    Entry parts = SET.work(new Entry.Work(null, null, null, List.of(eight, four)));
    assertThat(only(logged(1, SET.reps(12).effort(4)), logged(2, parts)))
        .isEqualTo(parts.effort(4));
    assertThat(only(logged(1, parts), logged(2, SET.effort(6)))).isEqualTo(parts.effort(6));
    assertThat(only(logged(1, parts), logged(2, SET.reps(11)))).isEqualTo(SET.reps(11));
  }
}
