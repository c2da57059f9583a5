package riposo.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.ToIntFunction;
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
   * @param workCap work as a percentage of rest, {@link Integer#MAX_VALUE} when nothing caps. It
   *     counts in work blocks only. On a shared clock the client works the first part of each work
   *     + rest; where the count is the dose, it stays and the rest grows
   */
  public static Timeline compile(
      SessionPlan plan, Function<String, Station> stations, int workCap, Mobility mobility) {
    return compile(plan, stations, workCap, workCap, mobility);
  }

  /**
   * The same with a cap of its own for counted work, whose rests a group shares.
   *
   * @param countCap work as a percentage of rest where the count is the dose
   */
  public static Timeline compile(
      SessionPlan plan,
      Function<String, Station> stations,
      int workCap,
      int countCap,
      Mobility mobility) {
    return compile(
        plan,
        stations,
        b -> b.format().kind().countKept() ? countCap : workCap,
        mobility,
        List.of());
  }

  /**
   * Somebody whose ways from posture to posture a shared clock waits for.
   *
   * @param positions where this person does each slot, by its key; one without stays as they are
   */
  public record Walker(Mobility mobility, Map<String, Position> positions) {
    public Walker {
      positions = Map.copyOf(positions);
    }
  }

  /**
   * The same for several people on one clock: a change of posture takes what the slowest of them
   * needs to get to where they do what comes.
   *
   * @param caps work as a percentage of rest in a block of work
   * @param walkers everybody the clock waits for, beside the stations' own posture
   */
  public static Timeline compile(
      SessionPlan plan,
      Function<String, Station> stations,
      ToIntFunction<PlanBlock> caps,
      Mobility mobility,
      List<Walker> walkers) {
    Compiler c = new Compiler(mobility, caps, stations, walkers);
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
        Bout.of(b, stations, plan.beat(), c.cap()).forEach(c::bout);
      }
    }
    return c.finish(estimated);
  }

  /** What is left after so many seconds: the part that goes on then is left out. */
  public Timeline after(int seconds) {
    List<Segment> left = segments.stream().filter(g -> g.start() >= seconds).toList();
    return left.size() == segments.size()
        ? this
        : new Timeline(
            left,
            left.stream().mapToInt(Segment::length).sum(),
            sum(left, Segment.Kind.WORK),
            sum(left, Segment.Kind.REST),
            postureChanges,
            floorTrips,
            estimated);
  }

  private static int sum(List<Segment> segments, Segment.Kind kind) {
    return segments.stream().filter(g -> g.kind() == kind).mapToInt(Segment::length).sum();
  }

  /** Seconds of a block, rests and changes included. */
  public int seconds(Block block) {
    return segments.stream().filter(s -> s.block() == block).mapToInt(Segment::length).sum();
  }

  private static final class Compiler {
    private final Mobility mobility;
    private final ToIntFunction<PlanBlock> caps;
    private final Function<String, Station> stations;
    private final List<Walker> walkers;
    private final @Nullable Position[] stand;
    private final List<Segment> out = new ArrayList<>();
    private @Nullable PlanBlock block;
    private int now;

    /** Seconds worked in a set whose rest is still to come. */
    private int worked;

    private @Nullable Position position;
    private int changes;
    private int trips;

    Compiler(
        Mobility mobility,
        ToIntFunction<PlanBlock> caps,
        Function<String, Station> stations,
        List<Walker> walkers) {
      this.mobility = mobility;
      this.caps = caps;
      this.stations = stations;
      this.walkers = walkers;
      this.stand = new @Nullable Position[walkers.size()];
    }

    void begin(PlanBlock b) {
      block = b;
      worked = 0;
      Bout first = Bout.at(b.slots().get(0), 0, 0);
      if (b.talk() > 0) {
        put(b.talk(), Segment.Kind.TALK, first, Side.BOTH, null, null);
      }
      if (b.setUp() > 0) {
        put(b.setUp(), Segment.Kind.SET_UP, first, Side.BOTH, null, null);
      }
    }

    /** The work-for-rest cap that counts in this block: warm-up and cool-down have none. */
    int cap() {
      if (block == null || block.block() != Block.WORK) {
        return Integer.MAX_VALUE;
      }
      return caps.applyAsInt(block);
    }

    void bout(Bout b) {
      Station s = stations.apply(b.key());
      int work =
          b.pace() == Bout.Pace.CLOCK
              ? Format.workWithin(b.seconds(), b.rest(), cap())
              : b.seconds();
      int before = out.size();
      int cut = work(b, s, work);
      int rest = b.seconds() - work + cut + b.rest() + b.more();
      if (b.pace() == Bout.Pace.ON || b.pace() == Bout.Pace.COUNT) {
        for (Segment g : out.subList(before, out.size())) {
          worked += g.kind() == Segment.Kind.WORK ? g.length() : 0;
        }
      }
      if (b.pace() == Bout.Pace.COUNT) {
        rest = Math.max(rest, Format.restFor(worked, cap()));
        worked = 0;
      }
      if (rest > 0) {
        put(rest, Segment.Kind.REST, b, Side.BOTH, null, null);
      }
    }

    /** Lays the work of a bout and says how much of its time a cap on holds has left for rest. */
    private int work(Bout b, Station s, int seconds) {
      if (seconds < 1) {
        return 0;
      }
      int cut = 0;
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
        Integer longest = p.hold() != null ? p.hold() : b.still() ? (Integer) s.holdCap() : null;
        boolean rests = p.isRest() || longest != null && longest < 1;
        Integer reps = null;
        if (longest == null && !rests && p.tempo() != null) {
          int r =
              b.reps() == null
                  ? p.reps(p.tempo().repsIn(half))
                  : b.reps() * half / Math.max(1, b.seconds());
          reps = p.alternating() ? r - r % 2 : r;
        }
        // one hold, asked for as such: what a cap takes off it is rest
        boolean one =
            block != null && block.format().kind() == FormatKind.HOLDS
                || b.stage() != null && b.reps() == null;
        int time = one && longest != null && !rests ? Math.min(half, longest) : half;
        put(
            time,
            rests ? Segment.Kind.REST : Segment.Kind.WORK,
            b,
            side(b, s, p),
            reps,
            rests || longest == null ? null : (Integer) Math.min(half, longest));
        cut += half - time;
      }
      return cut;
    }

    private static Side side(Bout b, Station s, Piece p) {
      return b.side() != null && p.side() == Side.BOTH && s.oneSided() ? b.side() : p.side();
    }

    /** The pieces of a bout: both in their order, or the one of its side. */
    private List<Piece> pieces(Bout b, Station s) {
      if (s.pieces().size() == 1) {
        return s.pieces();
      }
      Side only = b.side();
      Piece left = s.pieces().get(0);
      Piece right = s.pieces().get(1);
      if (only == Side.BOTH) {
        // a phrase has both at once, which are alike
        return List.of(
            new Piece(Side.BOTH, left.position(), left.tempo(), left.hold(), false, left.most()));
      }
      if (only != null) {
        return s.pieces().stream().filter(p -> p.side() == only).limit(1).toList();
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
          int asked = slot.reps() == null ? b.format().get(Param.REPS) : slot.reps();
          boolean two = s.oneSided() && s.sides() != Sides.ONE_ONLY;
          int reps = s.piece(slot.startSide()).reps(asked) * (two ? 2 : 1);
          int wanted = reps * s.tempo().seconds();
          Bout at = Bout.at(slot, round, wanted);
          int left = time - (now - from);
          int way = way(s.pieces().get(0).position(), at.key());
          if (way >= left) {
            put(left, Segment.Kind.REST, at, Side.BOTH, null, null);
            return;
          }
          moveTo(s.pieces().get(0).position(), at);
          left = time - (now - from);
          // what does not fit with its rest any more is shortened
          int seconds = Math.min(wanted, Format.workWithin(left, 0, cap()));
          if (seconds < 1) {
            put(left, Segment.Kind.REST, at, Side.BOTH, null, null);
            return;
          }
          int before = now;
          work(at.of(seconds, seconds == wanted ? (Integer) reps : null, s), s, seconds);
          int over = now - from - time;
          if (over > 0) {
            // the other side's posture took longer than was left
            trim(over);
            return;
          }
          int worked = 0;
          for (int k = out.size() - 1; k >= 0 && out.get(k).start() >= before; k--) {
            worked += out.get(k).kind() == Segment.Kind.WORK ? out.get(k).length() : 0;
          }
          int rest = Math.min(Format.restFor(worked, cap()), time - (now - from));
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

    private int way(@Nullable Position to, String key) {
      int longest = position == null || to == null ? 0 : mobility.seconds(position, to);
      for (int i = 0; i < stand.length; i++) {
        Walker w = walkers.get(i);
        Position from = stand[i];
        Position there = w.positions().get(key);
        if (from != null && there != null) {
          longest = Math.max(longest, w.mobility().seconds(from, there));
        }
      }
      return longest;
    }

    private void moveTo(@Nullable Position to, Bout b) {
      if (to == null) {
        return;
      }
      int cost = way(to, b.key());
      for (int i = 0; i < stand.length; i++) {
        Position there = walkers.get(i).positions().get(b.key());
        stand[i] = there == null ? stand[i] : there;
      }
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
