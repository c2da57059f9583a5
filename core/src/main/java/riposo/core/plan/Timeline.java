package riposo.core.plan;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.movement.Position;

/**
 * A session to the second: segments that tile the whole without gap or overlap. Everything on
 * screen and in the run reads this.
 *
 * @param postureChanges how often the posture changes
 * @param floorTrips how often the client goes down to the floor
 */
public record Timeline(
    List<Segment> segments,
    int total,
    int workSeconds,
    int restSeconds,
    int postureChanges,
    int floorTrips) {

  /**
   * Compiles stations in order. Work stations repeat for each round with the format's work and
   * rest; warm-up and cool-down stations follow each other without rest. A change of posture uses
   * up the rest before it; only what is longer is added. One-sided work is split into equal halves,
   * an odd second going to the change of side.
   *
   * @param workCap work as a percentage of rest, {@link Integer#MAX_VALUE} when nothing caps; under
   *     a cap the client works the first part of each work + rest, the clock stays shared
   */
  public static Timeline compile(
      List<Station> stations, IntervalsInOrder format, int workCap, Mobility mobility) {
    Compiler c = new Compiler(mobility);
    stations.stream()
        .filter(s -> s.block() == Block.WARM_UP)
        .forEach(s -> c.station(s, 0, s.seconds(), 0));
    int work = format.workWithin(workCap);
    for (int round = 1; round <= format.rounds(); round++) {
      for (Station s : stations) {
        if (s.block() == Block.WORK) {
          c.station(s, round, work, format.work() + format.rest() - work);
        }
      }
    }
    stations.stream()
        .filter(s -> s.block() == Block.COOL_DOWN)
        .forEach(s -> c.station(s, 0, s.seconds(), 0));
    return c.finish();
  }

  private static final class Compiler {
    private final Mobility mobility;
    private final List<Segment> out = new ArrayList<>();
    private int now;
    private @Nullable Integer height;
    private int changes;
    private int trips;

    Compiler(Mobility mobility) {
      this.mobility = mobility;
    }

    void station(Station s, int round, int work, int rest) {
      boolean split = s.pieces().size() == 2;
      int half = split ? work / 2 : work;
      for (int i = 0; i < s.pieces().size(); i++) {
        Piece p = s.pieces().get(i);
        Position position = p.position();
        moveTo(position == null ? height == null ? 2 : height : position.height, s, round);
        if (i == 1 && work % 2 == 1) {
          put(1, Segment.Kind.SIDE_CHANGE, s, round, Side.BOTH, null, null);
        }
        boolean still = p.holdSeconds() > 0;
        Integer reps = null;
        if (!still && p.tempo() != null) {
          int r = p.tempo().repsIn(half);
          reps = p.alternating() ? r - r % 2 : r;
        }
        Segment.Kind kind = p.tempo() == null ? Segment.Kind.REST : Segment.Kind.WORK;
        put(half, kind, s, round, p.side(), reps, still ? Math.min(half, p.holdSeconds()) : null);
      }
      if (rest > 0) {
        put(rest, Segment.Kind.REST, s, round, Side.BOTH, null, null);
      }
    }

    private void moveTo(int to, Station s, int round) {
      if (height == null) {
        height = to;
        return;
      }
      int cost = mobility.seconds(height, to);
      if (cost > 0) {
        changes++;
        if (to <= 1) {
          trips++;
        }
        Segment last = out.get(out.size() - 1);
        int fromRest =
            last.kind() == Segment.Kind.REST && last.side() == Side.BOTH
                ? Math.min(cost, last.length())
                : 0;
        if (fromRest > 0) {
          out.remove(out.size() - 1);
          now -= last.length();
          if (last.length() > fromRest) {
            out.add(
                new Segment(
                    now,
                    last.length() - fromRest,
                    Segment.Kind.REST,
                    last.block(),
                    last.slotKey(),
                    last.round(),
                    Side.BOTH,
                    last.height(),
                    null,
                    null));
            now += last.length() - fromRest;
          }
        }
        height = to;
        put(cost, Segment.Kind.POSTURE_CHANGE, s, round, Side.BOTH, null, null);
      }
      height = to;
    }

    private void put(
        int length,
        Segment.Kind kind,
        Station s,
        int round,
        Side side,
        @Nullable Integer reps,
        @Nullable Integer hold) {
      out.add(
          new Segment(
              now,
              length,
              kind,
              s.block(),
              s.slotKey(),
              round,
              side,
              height == null ? 2 : height,
              reps,
              hold));
      now += length;
    }

    Timeline finish() {
      int work = 0;
      int rest = 0;
      for (Segment g : out) {
        if (g.kind() == Segment.Kind.WORK) {
          work += g.length();
        } else if (g.kind() == Segment.Kind.REST) {
          rest += g.length();
        }
      }
      return new Timeline(List.copyOf(out), now, work, rest, changes, trips);
    }
  }
}
