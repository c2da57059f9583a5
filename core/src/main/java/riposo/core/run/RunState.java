package riposo.core.run;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.plan.Segment;

/**
 * A run folded from its events: the clock and the sets. The clock is wall time less pauses, moved
 * by GOTO and held by EXTEND; it is never counted in ticks. Any STOP wins, however late it arrives
 * and whatever else ended the run: a run ends at FINISH, or once everybody in it was stopped, and
 * is stopped from then on; every sign is kept. Of one device, time never runs backwards. Where the
 * server ended what was left open, a device that had gone on after all takes that end back.
 *
 * @param positionMs milliseconds into the timeline at {@code asOf}
 * @param holdMs milliseconds of added rest still to pass before the timeline goes on
 * @param pausedAt when the present pause began; null when the clock goes
 * @param activeMs milliseconds from start to end or {@code asOf}, less pauses
 * @param leftOpen it ended because nothing was heard of it any more
 * @param entries one of each set, in the order they were first told
 * @param stops every STOP, earliest first
 */
public record RunState(
    Status status,
    long positionMs,
    long holdMs,
    @Nullable Long pausedAt,
    @Nullable Long startedAt,
    @Nullable Long endedAt,
    long activeMs,
    boolean leftOpen,
    List<Known> entries,
    List<RunEvent.Stop> stops) {

  /** What is known of a set of a person. */
  public record Known(UUID person, Entry entry) {}

  private record SetKey(UUID person, String slotKey, int round, Side side) {}

  /** The stops that stand: all but those withdrawn as tapped in error. */
  public List<RunEvent.Stop> standing(Set<UUID> withdrawn) {
    return stops.stream().filter(s -> !withdrawn.contains(s.id())).toList();
  }

  /** Where a run stands. */
  public enum Status {
    READY,
    RUNNING,
    PAUSED,
    STOPPED,
    FINISHED;

    /** Ended, by the clock or at the stop panel. */
    public boolean ended() {
      return this == STOPPED || this == FINISHED;
    }
  }

  /**
   * Folds events, given in any order and with repeats, to the state at a moment.
   *
   * @param people who the run is for, at least one
   */
  public static RunState fold(
      List<Segment> segments, Set<UUID> people, Collection<RunEvent> events, long asOf) {
    int total = segments.isEmpty() ? 0 : segments.get(segments.size() - 1).endExclusive();
    Fold f = new Fold(segments, total * 1000L, people);
    List<RunEvent> ordered = ordered(events);
    long last =
        ordered.stream()
            .filter(
                e -> !(e instanceof RunEvent.Logged || e instanceof RunEvent.Stop) && !ofServer(e))
            .mapToLong(RunEvent::at)
            .max()
            .orElse(Long.MIN_VALUE);
    ordered.stream().filter(e -> !ofServer(e) || e.at() >= last).forEach(f::take);
    return f.at(asOf);
  }

  private static boolean ofServer(RunEvent e) {
    return e.stamp().device().equals(Stamp.SERVER);
  }

  /** The end of a run that was left open: as of what was last heard of it. */
  public static RunEvent.Finish leftOpen(UUID runId, Collection<RunEvent> events, long begun) {
    long last = events.stream().mapToLong(RunEvent::at).max().orElse(begun);
    UUID id = new UUID(runId.getMostSignificantBits(), runId.getLeastSignificantBits() ^ last);
    return new RunEvent.Finish(new Stamp(id, Stamp.SERVER, last, Integer.MAX_VALUE));
  }

  /**
   * The events each once and in the order of both folds: time, then the number on the device, then
   * the id as text. Of a named device a later number is never earlier in time: its clock was set
   * back. A STOP keeps its own time whatever the others say.
   */
  static List<RunEvent> ordered(Collection<RunEvent> events) {
    Map<UUID, RunEvent> once = new LinkedHashMap<>();
    events.forEach(e -> once.putIfAbsent(e.id(), e));
    List<RunEvent> byDevice = new ArrayList<>(once.values());
    byDevice.sort(
        Comparator.comparingInt((RunEvent e) -> e.stamp().seq())
            .thenComparingLong(RunEvent::at)
            .thenComparing(e -> e.id().toString()));
    Map<String, Long> reached = new HashMap<>();
    List<RunEvent> all = new ArrayList<>();
    for (RunEvent e : byDevice) {
      Stamp s = e.stamp();
      if (e instanceof RunEvent.Stop || s.device().equals(Stamp.OLD) || ofServer(e)) {
        all.add(e);
      } else {
        long at = Math.max(s.at(), reached.getOrDefault(s.device(), Long.MIN_VALUE));
        reached.put(s.device(), at);
        all.add(
            at == s.at() ? e : e.with(new Stamp(s.id(), s.device(), at, s.seq(), s.deviceAt())));
      }
    }
    all.sort(
        Comparator.comparingLong(RunEvent::at)
            .thenComparingInt(e -> e.stamp().seq())
            .thenComparing(e -> e.id().toString()));
    return all;
  }

  private static final class Fold {
    private final List<Segment> segments;
    private final long total;
    private final Set<UUID> going;
    private final List<RunEvent.Logged> logged = new ArrayList<>();
    private Status status = Status.READY;
    private long position;
    private long hold;
    private long last;
    private long active;
    private @Nullable Long startedAt;
    private @Nullable Long endedAt;
    private @Nullable Long pausedAt;
    private boolean leftOpen;
    private final List<RunEvent.Stop> stops = new ArrayList<>();

    Fold(List<Segment> segments, long total, Set<UUID> people) {
      this.segments = segments;
      this.total = total;
      this.going = new HashSet<>(people);
    }

    void take(RunEvent e) {
      if (e instanceof RunEvent.Logged l) {
        logged.add(l);
        return;
      }
      boolean last = false;
      if (e instanceof RunEvent.Stop s) {
        stops.add(s);
        if (s.person() == null) {
          going.clear();
        } else {
          going.remove(s.person());
        }
        last = going.isEmpty();
      }
      if (endedAt != null) {
        return; // an ended run stays ended
      }
      advance(e.at());
      if (e instanceof RunEvent.Finish || last) {
        status = Status.FINISHED;
        endedAt = e.at();
        leftOpen = ofServer(e);
      } else {
        move(e);
      }
    }

    private void move(RunEvent e) {
      if (e instanceof RunEvent.Start && status == Status.READY) {
        status = Status.RUNNING;
        startedAt = e.at();
        last = e.at();
      } else if (e instanceof RunEvent.Pause && status == Status.RUNNING) {
        status = Status.PAUSED;
        pausedAt = e.at();
      } else if (e instanceof RunEvent.Resume && status == Status.PAUSED) {
        status = Status.RUNNING;
        pausedAt = null;
        last = e.at();
      } else if (e instanceof RunEvent.GoTo g && g.segment() < segments.size()) {
        position = segments.get(g.segment()).start() * 1000L;
        hold = 0;
      } else if (e instanceof RunEvent.Extend x) {
        hold += x.seconds() * 1000L;
      }
    }

    private void advance(long to) {
      if (status != Status.RUNNING || to <= last) {
        return;
      }
      long passed = to - last;
      last = to;
      active += passed;
      long held = Math.min(hold, passed);
      hold -= held;
      position = Math.min(total, position + passed - held);
    }

    private List<Known> known() {
      Set<UUID> corrected = new HashSet<>();
      logged.stream()
          .map(l -> l.entry().telling().corrects())
          .filter(java.util.Objects::nonNull)
          .forEach(corrected::add);
      Map<SetKey, Known> known = new LinkedHashMap<>();
      for (RunEvent.Logged l : logged) {
        // what an entry corrects is its own affair, not the set's
        Entry e =
            l.entry().over(Entry.of(l.entry().slotKey(), l.entry().round(), l.entry().side()));
        if (!corrected.contains(l.id())) {
          known.merge(
              new SetKey(l.person(), e.slotKey(), e.round(), e.side()),
              new Known(l.person(), e),
              (old, now) -> new Known(now.person(), now.entry().over(old.entry())));
        }
      }
      return List.copyOf(known.values());
    }

    RunState at(long asOf) {
      advance(asOf);
      return new RunState(
          going.isEmpty() ? Status.STOPPED : status,
          position,
          hold,
          pausedAt,
          startedAt,
          endedAt,
          active,
          leftOpen,
          known(),
          List.copyOf(stops));
    }
  }
}
