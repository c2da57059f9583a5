package riposo.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;

/**
 * One interval, set or stage of a block before it is laid on the clock.
 *
 * @param key the slot's key in that round
 * @param side the side at work; null to do the movement as it is, both sides in the one bout
 * @param first the side that begins when both are in the one bout
 * @param reps asked for in these seconds; null to count by tempo
 * @param rest seconds after it
 * @param still the movement is held, whatever it usually is
 */
record Bout(
    String key,
    int round,
    int set,
    @Nullable Side side,
    Side first,
    int seconds,
    @Nullable Integer reps,
    int rest,
    @Nullable Integer stage,
    boolean still) {

  static final int BEAT = 60;

  /** The bouts of a block in order; none for a block without a clock or as many as possible. */
  static List<Bout> of(PlanBlock b, Function<String, Station> stations, @Nullable Integer beat) {
    Maker m = new Maker(b, stations, beat == null ? BEAT : beat);
    m.make();
    for (Slot s : b.slots()) {
      Extra e = s.extra();
      if (e != null && !m.out.isEmpty()) {
        int last = b.format().rounds();
        m.out.add(
            new Bout(
                s.keyAt(last), last, 9, e.side(), e.side(), e.seconds(), null, 0, null, false));
      }
    }
    return m.out;
  }

  private Bout resting(int other) {
    return new Bout(key, round, set, side, first, seconds, reps, other, stage, still);
  }

  private static final class Maker {
    private final PlanBlock b;
    private final Format f;
    private final Function<String, Station> stations;
    private final int beat;
    private final int n;
    private final List<Bout> out = new ArrayList<>();

    Maker(PlanBlock b, Function<String, Station> stations, int beat) {
      this.b = b;
      this.f = b.format();
      this.stations = stations;
      this.beat = beat;
      this.n = b.slots().size();
    }

    void make() {
      switch (f.kind()) {
        case IN_TURN -> {
          for (int i = 0; i < n; i++) {
            Integer seconds = b.slots().get(i).seconds();
            timed(i, 1, seconds == null ? 0 : seconds, 0);
          }
        }
        case INTERVALS -> {
          for (int r = 1; r <= f.get(Param.ROUNDS); r++) {
            for (int i = 0; i < n; i++) {
              timed(i, r, f.get(Param.WORK), f.get(Param.REST));
            }
          }
        }
        case PAIRED -> {
          for (int i = 0; i < n; i += 2) {
            for (int r = 1; r <= f.get(Param.ROUNDS); r++) {
              timed(i, r, f.get(Param.WORK), f.get(Param.REST));
              timed(i + 1, r, f.get(Param.WORK), f.get(Param.REST));
            }
          }
        }
        case BLOCKS -> {
          int size = f.get(Param.SIZE);
          for (int from = 0; from < n; from += size) {
            for (int r = 1; r <= f.get(Param.ROUNDS); r++) {
              for (int i = from; i < Math.min(n, from + size); i++) {
                timed(i, r, f.get(Param.WORK), f.get(Param.REST));
              }
              boolean last = from + size >= n && r == f.get(Param.ROUNDS);
              if (!last) {
                lastRest(f.get(Param.REST) + f.get(Param.LONG_REST));
              }
            }
          }
        }
        case BURSTS -> {
          for (int i = 0; i < n; i += 2) {
            for (int k = 0; k < f.get(Param.ROUNDS); k++) {
              // a slot without a partner takes every interval
              int slot = i + 1 < n ? i + k % 2 : i;
              timed(slot, k / 2 + 1, f.get(Param.WORK), f.get(Param.REST));
            }
          }
        }
        case LADDER -> {
          for (int r = 1; r <= f.ladder().size(); r++) {
            int work = f.ladder().get(r - 1);
            for (int i = 0; i < n; i++) {
              timed(i, r, work, 0);
            }
            if (r < f.ladder().size()) {
              lastRest(work);
            }
          }
        }
        case STRENGTH_PULSE -> {
          for (int r = 1; r <= f.get(Param.ROUNDS); r++) {
            for (int i = 0; i < n; i += 2) {
              timed(i, r, f.get(Param.WORK), 0);
              timed(i + 1, r, f.get(Param.BURST), f.get(Param.REST));
            }
          }
        }
        case SETS -> {
          for (int i = 0; i < n; i++) {
            for (int r = 1; r <= f.get(Param.SETS); r++) {
              Integer own = b.slots().get(i).at(r).reps();
              boolean last = r == f.get(Param.SETS);
              counted(
                  i,
                  r,
                  own == null ? f.get(Param.REPS) : own,
                  !last ? f.get(Param.REST) : i + 1 < n ? f.get(Param.BETWEEN) : 0);
            }
          }
        }
        case HOLDS -> {
          for (int i = 0; i < n; i++) {
            for (int r = 1; r <= f.get(Param.REPEATS); r++) {
              timed(i, r, f.get(Param.HOLD), f.get(Param.REST));
            }
            if (f.get(Param.DROP_LAST_REST) == 1) {
              lastRest(0);
            }
          }
        }
        case GATHER -> {
          for (int i = 0; i < n; i++) {
            int left = f.get(Param.TOTAL);
            for (int r = 1; left > 0; r++) {
              int reps = Math.min(left, f.get(Param.SET_SIZE));
              left -= reps;
              counted(i, r, reps, left > 0 || i + 1 < n ? f.get(Param.REST) : 0);
            }
          }
        }
        case WALK_IN -> {
          for (int i = 0; i < n; i++) {
            for (int r = 1; r <= f.get(Param.REPEATS); r++) {
              timed(i, r, f.get(Param.ON), f.get(Param.OFF));
            }
          }
        }
        case BY_COUNT -> {
          for (int r = 1; r <= f.get(Param.ROUNDS); r++) {
            for (int i = 0; i < n; i++) {
              Integer reps = b.slots().get(i).at(r).reps();
              counted(i, r, reps == null ? 1 : reps, 0);
            }
            if (r < f.get(Param.ROUNDS)) {
              lastRest(f.get(Param.REST));
            }
          }
        }
        case STAGED -> {
          for (int r = 1; r <= f.get(Param.ROUNDS); r++) {
            for (int i = 0; i < n; i++) {
              staged(i, r);
              if (r < f.get(Param.ROUNDS) || i + 1 < n) {
                lastRest(f.get(Param.REST));
              }
            }
          }
        }
        case GROWING -> {
          for (int i = 0; i < n; i += 2) {
            for (int r = 1; r <= f.get(Param.ROUNDS); r++) {
              growing(i, r);
              if (r < f.get(Param.ROUNDS) || i + 2 < n) {
                lastRest(f.get(Param.REST));
              }
            }
          }
        }
        case PHRASE -> {
          for (int i = 0; i < n; i++) {
            Station st = station(i, 1);
            int reps = f.get(Param.REPEATS) * f.phrase().size();
            bout(i, 1, 1, null, reps * st.tempo().seconds(), reps, null);
            if (i + 1 < n) {
              lastRest(f.get(Param.REST));
            }
          }
        }
        case ROUNDS_POSSIBLE, THROUGH_DAY -> {}
      }
    }

    /** Clocked work: both sides in it, an interval each, or the side of the round. */
    private void timed(int i, int round, int seconds, int rest) {
      Station st = station(i, round);
      Side first = first(i, round);
      if (!st.oneSided() || b.sides() == PlanBlock.SideMode.SPLIT && f.kind() != FormatKind.HOLDS) {
        bout(i, round, 1, null, seconds, null, null);
      } else if (b.sides() == PlanBlock.SideMode.BY_ROUND) {
        bout(i, round, 1, sideOf(i, round), seconds, null, null);
      } else {
        bout(i, round, 1, first, seconds, null, null);
        lastRest(rest);
        bout(i, round, 2, first.other(), seconds, null, null);
      }
      lastRest(rest);
    }

    /** Counted work: a set for each side, one after the other. */
    private void counted(int i, int round, int reps, int rest) {
      Station st = station(i, round);
      int seconds = reps * st.tempo().seconds();
      if (!st.oneSided()) {
        bout(i, round, 1, null, seconds, reps, null);
      } else if (b.sides() == PlanBlock.SideMode.BY_ROUND) {
        bout(i, round, 1, sideOf(i, round), seconds, reps, null);
      } else {
        Side first = first(i, round);
        bout(i, round, 1, first, seconds, reps, null);
        bout(i, round, 2, first.other(), seconds, reps, null);
      }
      lastRest(rest);
    }

    private void staged(int i, int round) {
      Station st = station(i, round);
      List<Stage> stages = b.slots().get(i).stages();
      boolean byRound = b.sides() == PlanBlock.SideMode.BY_ROUND;
      Side first = byRound ? sideOf(i, round) : first(i, round);
      int sides = st.oneSided() && !byRound ? 2 : 1;
      int set = 1;
      for (int s = 0; s < sides; s++) {
        int counts = 0;
        int at = 0;
        for (int k = 0; k < stages.size(); k++) {
          counts += stages.get(k).counts();
          int end = Stage.seconds(counts, beat);
          if (end > at) {
            bout(
                i,
                round,
                set++,
                st.oneSided() ? s == 0 ? first : first.other() : null,
                end - at,
                stages.get(k).kind() == Stage.Kind.HOLD ? null : (Integer) stages.get(k).count(),
                k);
          }
          at = end;
        }
      }
    }

    private void growing(int i, int round) {
      int left = f.get(Param.WORK);
      int pair = f.get(Param.PAIR);
      for (int n = 1; left > 0; n++) {
        int a = Math.min(left, n * (pair / 2));
        bout(i, round, n, null, a, a / (pair / 2), null);
        left -= a;
        int second = Math.min(left, n * (pair - pair / 2));
        if (second > 0) {
          bout(i + 1, round, n, null, second, second / (pair - pair / 2), null);
          left -= second;
        }
      }
    }

    private void bout(
        int i,
        int round,
        int set,
        @Nullable Side side,
        int seconds,
        @Nullable Integer reps,
        @Nullable Integer stage) {
      Slot s = b.slots().get(i);
      out.add(
          new Bout(
              s.keyAt(round),
              round,
              set,
              side,
              first(i, round),
              seconds,
              reps,
              0,
              stage,
              f.kind() == FormatKind.HOLDS
                  || stage != null
                      && s.stages().get(stage).held(beat, station(i, round).holdCap())));
    }

    private void lastRest(int rest) {
      int last = out.size() - 1;
      out.set(last, out.get(last).resting(rest));
    }

    private Side first(int i, int round) {
      Side start = b.slots().get(i).startSide();
      return b.alternate() && round % 2 == 0 ? start.other() : start;
    }

    private Side sideOf(int i, int round) {
      Side start = b.slots().get(i).startSide();
      return round % 2 == 0 ? start.other() : start;
    }

    private Station station(int i, int round) {
      return stations.apply(b.slots().get(i).keyAt(round));
    }
  }
}
