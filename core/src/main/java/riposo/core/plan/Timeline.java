package riposo.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.movement.Position;

/**
 * A session to the second: segments that tile the whole without gap or overlap. Everything on
 * screen and in the run reads this. Blocks through the day have no clock and no segments.
 *
 * @param postureChanges how often the posture changes
 * @param floorTrips how often the client goes down to the floor
 * @param estimated some of the time is an estimate: gathered repetitions, as many as possible
 */
public record Timeline(
    List<Segment> segments,
    int total,
    int workSeconds,
    int restSeconds,
    int postureChanges,
    int floorTrips,
    boolean estimated) {

  /**
   * Compiles a plan. A change of posture uses up the rest before it; only what is longer is added.
   * One-sided work in one interval is split into equal halves, an odd second going to the change of
   * side.
   *
   * @param stations the station of a slot by its key, with its round where the round changes it
   * @param workCap work as a percentage of rest, {@link Integer#MAX_VALUE} when nothing caps; under
   *     a cap the client works the first part of each work + rest, the clock stays shared
   */
  public static Timeline compile(
      SessionPlan plan, Function<String, Station> stations, int workCap, Mobility mobility) {
    Compiler c = new Compiler(mobility, workCap, stations);
    boolean estimated = false;
    for (PlanBlock b : plan.blocks()) {
      if (b.slots().isEmpty() || b.format().kind() == FormatKind.THROUGH_DAY) {
        continue;
      }
      estimated |= b.format().kind().estimated();
      c.begin(b);
      if (b.format().kind() == FormatKind.ROUNDS_POSSIBLE) {
        c.asManyAsPossible();
      } else {
        Bout.of(b, stations, plan.beat()).forEach(c::bout);
      }
    }
    return c.finish(estimated);
  }

  /** Seconds of a block, rests and changes included. */
  public int seconds(Block block) {
    return segments.stream().filter(s -> s.block() == block).mapToInt(Segment::length).sum();
  }

  private static final class Compiler {
    private final Mobility mobility;
    private final int cap;
    private final Function<String, Station> stations;
    private final List<Segment> out = new ArrayList<>();
    private @Nullable PlanBlock block;
    private int now;
    private @Nullable Position position;
    private int changes;
    private int trips;

    Compiler(Mobility mobility, int cap, Function<String, Station> stations) {
      this.mobility = mobility;
      this.cap = cap;
      this.stations = stations;
    }

    void begin(PlanBlock b) {
      block = b;
      Bout first =
          new Bout(b.slots().get(0).keyAt(1), 1, 0, null, Side.LEFT, 0, null, 0, null, false);
      if (b.talk() > 0) {
        put(b.talk(), Segment.Kind.TALK, first, Side.BOTH, null, null);
      }
      if (b.setUp() > 0) {
        put(b.setUp(), Segment.Kind.SET_UP, first, Side.BOTH, null, null);
      }
    }

    void bout(Bout b) {
      Station s = stations.apply(b.key());
      int work = Format.workWithin(b.seconds(), b.rest(), cap);
      work(b, s, work);
      int rest = b.seconds() + b.rest() - work;
      if (rest > 0) {
        put(rest, Segment.Kind.REST, b, Side.BOTH, null, null);
      }
    }

    private void work(Bout b, Station s, int seconds) {
      if (seconds < 1) {
        return;
      }
      List<Piece> pieces = pieces(b, s);
      boolean split = pieces.size() == 2;
      int half = split ? seconds / 2 : seconds;
      for (int i = 0; i < pieces.size(); i++) {
        Piece p = pieces.get(i);
        if (half > 0) {
          moveTo(p.position(), b);
        }
        if (i == 1 && seconds % 2 == 1) {
          put(1, Segment.Kind.SIDE_CHANGE, b, Side.BOTH, null, null);
        }
        if (half == 0) {
          continue;
        }
        // Where nothing may be held at all, the time of a hold is rest.
        boolean rests = p.tempo() == null || b.still() && p.holdSeconds() == 0 && s.holdCap() < 1;
        boolean still = !rests && (p.holdSeconds() > 0 || b.still());
        Integer reps = null;
        if (!still && !rests && p.tempo() != null) {
          int r =
              b.reps() == null
                  ? p.tempo().repsIn(half)
                  : b.reps() * half / Math.max(1, b.seconds());
          reps = p.alternating() ? r - r % 2 : r;
        }
        put(
            half,
            rests ? Segment.Kind.REST : Segment.Kind.WORK,
            b,
            b.side() != null && p.side() == Side.BOTH && s.oneSided() ? b.side() : p.side(),
            reps,
            still
                ? (Integer) Math.min(half, p.holdSeconds() > 0 ? p.holdSeconds() : s.holdCap())
                : null);
      }
    }

    /** The pieces of a bout: both in their order, or the one of its side. */
    private List<Piece> pieces(Bout b, Station s) {
      if (s.pieces().size() == 1) {
        return s.pieces();
      }
      Side only = b.side();
      if (only != null) {
        return s.pieces().stream().filter(p -> p.side() == only).limit(1).toList();
      }
      Piece left = s.pieces().get(0);
      Piece right = s.pieces().get(1);
      if (block != null
          && block.format().kind() == FormatKind.PHRASE
          && left.position() == right.position()
          && left.tempo() != null
          && left.tempo().equals(right.tempo())) {
        // the phrase names the sides itself
        return List.of(
            new Piece(Side.BOTH, left.position(), left.tempo(), left.holdSeconds(), false));
      }
      return b.first() == right.side() ? List.of(right, left) : List.of(left, right);
    }

    /** Round after round within the time; the way from posture to posture counts too. */
    void asManyAsPossible() {
      PlanBlock b = java.util.Objects.requireNonNull(block);
      int from = now;
      int time = b.format().get(Param.CAP);
      for (int round = 1; ; round++) {
        for (Slot slot : b.slots()) {
          Station s = stations.apply(slot.keyAt(1));
          int reps = slot.reps() == null ? b.format().get(Param.REPS) : slot.reps();
          int wanted = reps * s.tempo().seconds() * (s.oneSided() ? 2 : 1);
          Bout at =
              new Bout(
                  slot.keyAt(1), round, 1, null, slot.startSide(), wanted, null, 0, null, false);
          int left = time - (now - from);
          int way = way(s.pieces().get(0).position());
          if (way >= left) {
            put(left, Segment.Kind.REST, at, Side.BOTH, null, null);
            return;
          }
          moveTo(s.pieces().get(0).position(), at);
          left = time - (now - from);
          int seconds = Math.min(wanted, left);
          int before = now;
          work(
              new Bout(
                  slot.keyAt(1), round, 1, null, slot.startSide(), seconds, null, 0, null, false),
              s,
              Format.workWithin(seconds, 0, cap));
          int over = now - from - time;
          if (over > 0) {
            // the other side's posture took longer than was left
            trim(over);
            return;
          }
          int rest = Math.min(seconds - (now - before), time - (now - from));
          if (rest > 0) {
            put(rest, Segment.Kind.REST, at, Side.BOTH, null, null);
          }
          if (now - from >= time) {
            return;
          }
        }
      }
    }

    private void trim(int seconds) {
      int left = seconds;
      while (left > 0) {
        Segment last = out.remove(out.size() - 1);
        now = last.start();
        if (last.length() > left) {
          out.add(last.lasting(last.length() - left));
          now += last.length() - left;
          return;
        }
        left -= last.length();
      }
    }

    private int way(@Nullable Position to) {
      return position == null || to == null ? 0 : mobility.seconds(position, to);
    }

    private void moveTo(@Nullable Position to, Bout b) {
      if (to == null) {
        return;
      }
      int cost = way(to);
      Position from = position;
      if (cost > 0 && from != null) {
        changes++;
        if (to.onFloor() && !from.onFloor()) {
          trips++;
        }
        Segment last = out.isEmpty() ? null : out.get(out.size() - 1);
        if (last != null && last.kind() == Segment.Kind.REST && last.side() == Side.BOTH) {
          int used = Math.min(cost, last.length());
          out.remove(out.size() - 1);
          now -= last.length();
          if (last.length() > used) {
            out.add(last.lasting(last.length() - used));
            now += last.length() - used;
          }
        }
        position = to;
        put(cost, Segment.Kind.POSTURE_CHANGE, b, Side.BOTH, null, null);
      }
      position = to;
    }

    private void put(
        int length,
        Segment.Kind kind,
        Bout b,
        Side side,
        @Nullable Integer reps,
        @Nullable Integer hold) {
      PlanBlock in = java.util.Objects.requireNonNull(block);
      boolean work = in.block() == Block.WORK;
      out.add(
          new Segment(
              now,
              length,
              kind,
              in.block(),
              b.key(),
              work ? b.round() : 0,
              work ? b.set() : 0,
              side,
              position == null ? firstHeight(b) : position.height,
              reps,
              hold,
              kind == Segment.Kind.WORK ? b.stage() : null,
              kind == Segment.Kind.REST ? in.rest() : null));
      now += length;
    }

    /** Before anything is done: the posture of what comes. */
    private int firstHeight(Bout b) {
      Position p = stations.apply(b.key()).pieces().get(0).position();
      return p == null ? Position.CHAIR.height : p.height;
    }

    Timeline finish(boolean estimated) {
      int work = 0;
      int rest = 0;
      for (Segment g : out) {
        if (g.kind() == Segment.Kind.WORK) {
          work += g.length();
        } else if (g.kind() == Segment.Kind.REST) {
          rest += g.length();
        }
      }
      return new Timeline(List.copyOf(out), now, work, rest, changes, trips, estimated);
    }
  }
}
