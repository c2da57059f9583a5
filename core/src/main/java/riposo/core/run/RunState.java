package riposo.core.run;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
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
 * @param skippedMs milliseconds of the timeline that were skipped and not gone back over
 * @param leftOpen it ended because nothing was heard of it any more
 * @param entries one of each set, in the order they were first told
 * @param stops every STOP, earliest first
 * @param changes of every slot that is done otherwise, in the order they were taken
 * @param unwell the mild symptoms that are not gone, of each person the last
 * @param away who left before the end and did not come back, and why
 */
public record RunState(
    Status status,
    long positionMs,
    long holdMs,
    @Nullable Long pausedAt,
    @Nullable Long startedAt,
    @Nullable Long endedAt,
    long activeMs,
    long skippedMs,
    boolean leftOpen,
    List<Known> entries,
    List<RunEvent.Stop> stops,
    Changes changes,
    List<RunEvent.Unwell> unwell,
    Map<UUID, Leaving> away) {

  /**
   * What is known of a set of a person.
   *
   * @param doing what was done in it: as it stood when it was first told
   */
  public record Known(UUID person, Entry entry, Doing doing) {}

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
    return fold(segments, people, Map.of(), Changes.Hardness.UNKNOWN, events, asOf);
  }

  /**
   * The same for the sheet a run was started with: its pain lines, and how hard its options are.
   */
  public static RunState fold(RunSheet sheet, Collection<RunEvent> events, long asOf) {
    return fold(
        sheet.timeline().segments(),
        sheet.ids(),
        sheet.painLines(),
        sheet.hardness(),
        events,
        asOf);
  }

  /**
   * The same where the pain lines are known.
   *
   * @param lines the greatest pain of each person that does not ease a movement, 0 to 10; one who
   *     has none is never told to leave one
   * @param hardness after pain over the line nothing harder is taken
   */
  public static RunState fold(
      List<Segment> segments,
      Set<UUID> people,
      Map<UUID, Integer> lines,
      Changes.Hardness hardness,
      Collection<RunEvent> events,
      long asOf) {
    int total = segments.isEmpty() ? 0 : segments.get(segments.size() - 1).endExclusive();
    Fold f = new Fold(segments, total * 1000L, people, lines, hardness);
    List<RunEvent> ordered = ordered(events);
    long last =
        ordered.stream()
            .filter(e -> ofClock(e) && !ofServer(e))
            .mapToLong(RunEvent::at)
            .max()
            .orElse(Long.MIN_VALUE);
    ordered.stream().filter(e -> !ofServer(e) || e.at() >= last).forEach(f::take);
    return f.at(asOf);
  }

  /** Whether it moves the clock by itself. */
  private static boolean ofClock(RunEvent e) {
    return !(e instanceof RunEvent.Logged
        || e instanceof RunEvent.Stop
        || e instanceof RunEvent.Changed
        || e instanceof RunEvent.Unwell
        || e instanceof RunEvent.Away
        || e instanceof RunEvent.Joined
        || e instanceof RunEvent.PulseRead);
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
    private final Map<UUID, Integer> lines;
    private final List<RunEvent> told = new ArrayList<>();
    private final Map<UUID, RunEvent.Unwell> unwell = new LinkedHashMap<>();
    private final Map<UUID, Leaving> away = new LinkedHashMap<>();
    private final Changes.Hardness hardness;
    private Status status = Status.READY;
    private long position;
    private long hold;
    private long last;
    private long active;
    private long jumped;
    private @Nullable Long startedAt;
    private @Nullable Long endedAt;
    private @Nullable Long pausedAt;
    private boolean leftOpen;
    private final List<RunEvent.Stop> stops = new ArrayList<>();

    Fold(
        List<Segment> segments,
        long total,
        Set<UUID> people,
        Map<UUID, Integer> lines,
        Changes.Hardness hardness) {
      this.hardness = hardness;
      this.segments = segments;
      this.total = total;
      this.lines = lines;
      this.going = new HashSet<>(people);
    }

    void take(RunEvent e) {
      if (e instanceof RunEvent.Logged || e instanceof RunEvent.Changed) {
        told.add(e);
        return;
      }
      if (e instanceof RunEvent.PulseRead || e instanceof RunEvent.Joined) {
        return; // told beside the run, it moves nothing
      }
      if (e instanceof RunEvent.Away a) {
        if (a.why() == null) {
          away.remove(a.person());
        } else {
          away.put(a.person(), a.why());
        }
        return;
      }
      if (e instanceof RunEvent.Unwell u) {
        unwell.remove(u.person());
        if (u.how() != Symptom.How.GONE) {
          unwell.put(u.person(), u);
        }
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
        long target = segments.get(g.segment()).start() * 1000L;
        jumped += target - position;
        position = target;
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

    /** The sets as they are known, with what was done in each, and the changes that hold. */
    private List<Known> known(Changes changes) {
      Set<UUID> corrected = new HashSet<>();
      for (RunEvent e : told) {
        if (e instanceof RunEvent.Logged l && l.entry().telling().corrects() != null) {
          corrected.add(l.entry().telling().corrects());
        }
      }
      Map<SetKey, Known> known = new LinkedHashMap<>();
      Map<SetKey, Doing> first = new HashMap<>();
      for (RunEvent e : told) {
        if (e instanceof RunEvent.Changed c) {
          changes.take(c.person(), c.change());
        } else if (e instanceof RunEvent.Logged l) {
          // what an entry corrects is its own affair, not the set's
          Entry blank = Entry.of(l.entry().slotKey(), l.entry().round(), l.entry().side());
          Entry now = l.entry().over(blank);
          SetKey key = new SetKey(l.person(), now.slotKey(), now.round(), now.side());
          Doing doing =
              first.computeIfAbsent(
                  key, k -> changes.of(k.person(), k.slotKey(), k.round(), k.side()));
          if (corrected.contains(l.id())) {
            continue;
          }
          Known set =
              known.merge(
                  key,
                  new Known(l.person(), now, doing),
                  (old, later) -> new Known(key.person(), now.over(old.entry()), doing));
          Integer pain = set.entry().hurt().greatest();
          Integer line = lines.get(key.person());
          if (pain != null && line != null && pain > line) {
            changes.hurt(key.person(), key.slotKey(), key.round(), key.side());
          }
        }
      }
      return known.values().stream().filter(k -> !k.entry().telling().notDone()).toList();
    }

    RunState at(long asOf) {
      advance(asOf);
      Changes changes = new Changes(hardness);
      List<Known> known = known(changes);
      return new RunState(
          going.isEmpty() ? Status.STOPPED : status,
          position,
          hold,
          pausedAt,
          startedAt,
          endedAt,
          active,
          Math.max(0, jumped),
          leftOpen,
          known,
          List.copyOf(stops),
          changes,
          List.copyOf(unwell.values()),
          Collections.unmodifiableMap(away));
    }
  }
}
