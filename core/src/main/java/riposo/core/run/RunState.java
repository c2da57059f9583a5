package riposo.core.run;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import riposo.core.plan.Segment;

/**
 * A run folded from its events: the clock and the sets. The clock is wall time less pauses, moved
 * by GOTO and held by EXTEND; it is never counted in ticks.
 *
 * @param positionMs milliseconds into the timeline at {@code asOf}
 * @param holdMs milliseconds of added rest still to pass before the timeline goes on
 * @param pausedAt when the present pause began; null when the clock goes
 * @param stopSign what ended the run at the stop panel; null when nothing did
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
    List<RunEvent.Entry> entries) {
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
    Map<java.util.UUID, RunEvent> once = new LinkedHashMap<>();
    events.forEach(e -> once.putIfAbsent(e.id(), e));
    List<RunEvent> ordered = new ArrayList<>(once.values());
    ordered.sort(
        Comparator.comparingLong(RunEvent::at)
            .thenComparingInt(RunEvent::seq)
            .thenComparing(RunEvent::id));
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
    private @Nullable String sign;

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
      if (status == Status.STOPPED || status == Status.FINISHED) {
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
        case STOP -> {
          status = Status.STOPPED;
          sign = e.text();
          endedAt = e.at();
        }
        case FINISH -> {
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
          status,
          position,
          hold,
          pausedAt,
          startedAt,
          endedAt,
          sign,
          active,
          List.copyOf(entries.values()));
    }
  }
}
