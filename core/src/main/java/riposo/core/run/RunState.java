package riposo.core.run;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.plan.Segment;

/**
 * A run folded from its events: the clock and the sets. The clock is wall time less pauses, moved
 * by GOTO and held by EXTEND; it is never counted in ticks. Any STOP wins, however late it arrives
 * and whatever else ended the run: the run ends at its earliest STOP or FINISH, is stopped when
 * there is a STOP at all, and every sign is kept.
 *
 * @param positionMs milliseconds into the timeline at {@code asOf}
 * @param holdMs milliseconds of added rest still to pass before the timeline goes on
 * @param pausedAt when the present pause began; null when the clock goes
 * @param stopSign the earliest sign of the stop panel in words; null when there was none
 * @param stops every STOP, earliest first
 * @param activeMs milliseconds from start to end or {@code asOf}, less pauses
 */
public record RunState(
    Status status,
    long positionMs,
    long holdMs,
    @Nullable Long pausedAt,
    @Nullable Long startedAt,
    @Nullable Long endedAt,
    @Nullable String stopSign,
    long activeMs,
    List<RunEvent.Entry> entries,
    List<Stop> stops) {
  /**
   * One tap on the stop panel.
   *
   * @param id of its event
   * @param words as the panel showed them
   * @param after what it leaves behind; older runs named no sign and keep what they were told, an
   *     emergency
   */
  public record Stop(UUID id, long at, StopSign sign, String words, StopSign.After after) {
    static Stop of(RunEvent e) {
      StopSign sign = StopSign.of(e.sign(), e.text());
      return new Stop(
          e.id(),
          e.at(),
          sign,
          e.text() == null ? sign.words : e.text(),
          e.sign() == null ? StopSign.After.EMERGENCY : sign.after);
    }
  }

  /** The stops that stand: all but those withdrawn as tapped in error. */
  public List<Stop> standing(Set<UUID> withdrawn) {
    return stops.stream().filter(s -> !withdrawn.contains(s.id())).toList();
  }

  /** Time, then the number on the device, then the id as text: the order of both folds. */
  public static final Comparator<RunEvent> ORDER =
      Comparator.comparingLong(RunEvent::at)
          .thenComparingInt(RunEvent::seq)
          .thenComparing(e -> e.id().toString());

  /** Where a run stands. */
  public enum Status {
    READY,
    RUNNING,
    PAUSED,
    STOPPED,
    FINISHED
  }

  /** Folds events, given in any order and with repeats, to the state at a moment. */
  public static RunState fold(List<Segment> segments, Collection<RunEvent> events, long asOf) {
    Map<UUID, RunEvent> once = new LinkedHashMap<>();
    events.forEach(e -> once.putIfAbsent(e.id(), e));
    List<RunEvent> ordered = new ArrayList<>(once.values());
    ordered.sort(ORDER);
    int total = segments.isEmpty() ? 0 : segments.get(segments.size() - 1).endExclusive();
    Fold f = new Fold(segments, total * 1000L);
    ordered.forEach(f::take);
    return f.at(asOf);
  }

  private static final class Fold {
    private final List<Segment> segments;
    private final long total;
    private final Map<String, RunEvent.Entry> entries = new LinkedHashMap<>();
    private Status status = Status.READY;
    private long position;
    private long hold;
    private long last;
    private long active;
    private @Nullable Long startedAt;
    private @Nullable Long endedAt;
    private @Nullable Long pausedAt;
    private final List<Stop> stops = new ArrayList<>();

    Fold(List<Segment> segments, long total) {
      this.segments = segments;
      this.total = total;
    }

    void take(RunEvent e) {
      if (e.kind() == RunEvent.Kind.ENTRY) {
        if (e.entry() != null) {
          String key = e.entry().slotKey() + "/" + e.entry().round() + "/" + e.entry().side();
          entries.merge(key, e.entry(), (old, now) -> now.over(old));
        }
        return;
      }
      if (e.kind() == RunEvent.Kind.STOP) {
        stops.add(Stop.of(e));
      }
      if (endedAt != null) {
        return; // an ended run stays ended
      }
      advance(e.at());
      switch (e.kind()) {
        case START -> {
          if (status == Status.READY) {
            status = Status.RUNNING;
            startedAt = e.at();
            last = e.at();
          }
        }
        case PAUSE -> {
          if (status == Status.RUNNING) {
            status = Status.PAUSED;
            pausedAt = e.at();
          }
        }
        case RESUME -> {
          if (status == Status.PAUSED) {
            status = Status.RUNNING;
            pausedAt = null;
            last = e.at();
          }
        }
        case GOTO -> {
          if (e.segment() != null && e.segment() >= 0 && e.segment() < segments.size()) {
            position = segments.get(e.segment()).start() * 1000L;
            hold = 0;
          }
        }
        case EXTEND -> hold += e.seconds() == null ? 0 : e.seconds() * 1000L;
        case STOP, FINISH -> {
          status = Status.FINISHED;
          endedAt = e.at();
        }
        default -> throw new IllegalStateException("unexpected " + e.kind());
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

    RunState at(long asOf) {
      advance(asOf);
      return new RunState(
          stops.isEmpty() ? status : Status.STOPPED,
          position,
          hold,
          pausedAt,
          startedAt,
          endedAt,
          stops.isEmpty() ? null : stops.get(0).words(),
          active,
          List.copyOf(entries.values()),
          List.copyOf(stops));
    }
  }
}
