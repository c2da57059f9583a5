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
 * @param rest seconds after it, of which a client with a work-for-rest cap has a share
 * @param more seconds of a long rest after that, which is no part of the share
 * @param still the movement is held, whatever it usually is
 * @param pace what a work-for-rest cap changes
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
    int more,
    @Nullable Integer stage,
    boolean still,
    Pace pace) {

  static final int BEAT = 60;

  /** The set of recorded extra work: past the longest phrase, 50 times 8 parts, each side apart. */
  static final int EXTRA = 1000;

  /** What a work-for-rest cap changes. */
  enum Pace {
    /** A shared clock: the client works the first part of work and rest. */
    CLOCK,
    /** The count is the dose: the rest grows. */
    COUNT,
    /** Part of a set whose last part has the rest; it counts towards that. */
    ON,
    /** Reckoned already. */
    SETTLED
  }

  /**
   * The bouts of a block in order; none for a block without a clock or as many as possible.
   *
   * @param cap work as a percentage of rest; {@link Integer#MAX_VALUE} when nothing caps
   */
  static List<Bout> of(
      PlanBlock b, Function<String, Station> stations, @Nullable Integer beat, int cap) {
    Maker m = new Maker(b, stations, beat == null ? BEAT : beat, cap);
    m.make();
    for (Slot s : b.slots()) {
      Extra e = s.extra();
      if (e != null && !m.out.isEmpty()) {
        int last = b.format().rounds();
        m.out.add(
            new Bout(
                s.keyAt(last),
                last,
                EXTRA,
                e.side(),
                e.side(),
                e.seconds(),
                null,
                0,
                0,
                null,
                false,
                Pace.CLOCK));
      }
    }
    return m.out;
  }

  private Bout resting(int other, int longer) {
    return new Bout(
        key,
        round,
        set,
        side,
        first,
        seconds,
        reps,
        other,
        longer,
        stage,
        still,
        // where a set ends, its rest is reckoned
        pace == Pace.ON ? Pace.COUNT : pace);
  }

  /** A slot's bout of so many seconds, both sides in it. */
  static Bout at(Slot slot, int round, int seconds) {
    return new Bout(
        slot.keyAt(1),
        round,
        round == 0 ? 0 : 1,
        null,
        slot.startSide(),
        seconds,
        null,
        0,
        0,
        null,
        false,
        Pace.SETTLED);
  }

  /** The same with so many repetitions in so many seconds; on the one side of its station. */
  Bout of(int other, @Nullable Integer count, Station st) {
    return new Bout(
        key,
        round,
        set,
        st.oneSided() && st.sides() == Sides.ONE_ONLY ? first : side,
        first,
        other,
        count,
        rest,
        more,
        stage,
        still,
        pace);
  }

  private Bout on() {
    return new Bout(key, round, set, side, first, seconds, reps, rest, more, stage, still, Pace.ON);
  }

  private static final List<Side> BOTH_IN_TURN = List.of(Side.LEFT, Side.RIGHT);

  private static final class Maker {
    private final PlanBlock b;
    private final Format f;
    private final Function<String, Station> stations;
    private final int beat;
    private final int n;
    private final List<Bout> out = new ArrayList<>();

    private final int cap;

    Maker(PlanBlock b, Function<String, Station> stations, int beat, int cap) {
      this.b = b;
      this.f = b.format();
      this.stations = stations;
      this.beat = beat;
      this.cap = cap;
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
                longRest(f.get(Param.LONG_REST));
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
              longRest(work);
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
            int sets = f.get(Param.SETS) + station(i, 1).more();
            for (int r = 1; r <= sets; r++) {
              Integer own = b.slots().get(i).at(r).reps();
              boolean last = r == sets;
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
              Integer own = b.slots().get(i).hold();
              timed(i, r, own == null ? f.get(Param.HOLD) : own, f.get(Param.REST));
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
              lastRest(r < f.get(Param.ROUNDS) || i + 1 < n ? f.get(Param.REST) : 0);
            }
          }
        }
        case GROWING -> {
          for (int i = 0; i < n; i += 2) {
            for (int r = 1; r <= f.get(Param.ROUNDS); r++) {
              boolean last = r == f.get(Param.ROUNDS) && i + 2 >= n;
              growing(i, r, last ? 0 : f.get(Param.REST));
              if (!last) {
                longRest(f.get(Param.REST));
              }
            }
          }
        }
        case PHRASE -> {
          for (int i = 0; i < n; i++) {
            phrase(i);
            lastRest(i + 1 < n ? f.get(Param.REST) : 0);
          }
        }
        case ROUNDS_POSSIBLE, THROUGH_DAY -> {}
      }
    }

    /** Clocked work: both sides in it, an interval each, or the side of the round. */
    private void timed(int i, int round, int seconds, int rest) {
      Station st = station(i, round);
      Side first = first(i, round);
      Side only = only(st, i, round);
      if (only != null) {
        bout(i, round, 1, only, seconds, null, null);
      } else if (!st.oneSided()
          || b.sides() != PlanBlock.SideMode.EACH && f.kind() != FormatKind.HOLDS) {
        bout(i, round, 1, null, seconds, null, null);
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
      Side only = only(st, i, round);
      if (!st.oneSided() || only != null) {
        set(i, round, 1, st, only, reps);
      } else {
        Side first = first(i, round);
        set(i, round, 1, st, first, reps);
        set(i, round, 2, st, first.other(), reps);
      }
      lastRest(rest);
    }

    private void set(int i, int round, int set, Station st, @Nullable Side side, int asked) {
      int reps = st.piece(side).reps(asked);
      bout(i, round, set, side, reps * st.tempo().seconds(), reps, null);
    }

    /** The one side that has the round; null where both are in it. */
    private @Nullable Side only(Station st, int i, int round) {
      if (!st.oneSided()) {
        return null;
      }
      boolean byRound =
          st.sides() == Sides.BY_ROUND
              || st.sides() == null && b.sides() == PlanBlock.SideMode.BY_ROUND;
      return st.sides() == Sides.ONE_ONLY
          ? b.slots().get(i).startSide()
          : byRound ? sideOf(i, round) : null;
    }

    /** Every part of the phrase names its side; two alike in a row are one bout. */
    private void phrase(int i) {
      Station st = station(i, 1);
      int each = st.tempo().seconds();
      int set = 1;
      for (int k = 0; k < f.get(Param.REPEATS); k++) {
        for (int p = 0; p < f.phrase().size(); ) {
          Side side = named(st, f.phrase().get(p));
          int alike = p;
          while (alike < f.phrase().size() && named(st, f.phrase().get(alike)) == side) {
            alike++;
          }
          int reps = alike - p;
          p = alike;
          boolean split = st.pieces().size() == 2 && !st.pieces().get(0).like(st.pieces().get(1));
          for (Side s : side == Side.BOTH && split ? BOTH_IN_TURN : List.of(side)) {
            bout(i, 1, set++, s, reps * each, reps, null);
          }
        }
      }
      // the rest belongs to the phrase as a whole
      for (int k = out.size() - set + 1; k < out.size(); k++) {
        out.set(k, out.get(k).on());
      }
    }

    /** Where one side at a time may not be, both sides do every part. */
    private static Side named(Station st, Side side) {
      return st.oneSided() ? side : Side.BOTH;
    }

    private void staged(int i, int round) {
      Station st = station(i, round);
      List<Stage> stages = b.slots().get(i).stages();
      Side only = only(st, i, round);
      Side first = only == null ? first(i, round) : only;
      int sides = st.oneSided() && only == null ? 2 : 1;
      int set = 1;
      for (int s = 0; s < sides; s++) {
        if (s > 0) {
          lastRest(0);
        }
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
            out.set(out.size() - 1, out.get(out.size() - 1).on());
          }
          at = end;
        }
      }
    }

    private void growing(int i, int round, int rest) {
      // the client's share of the interval, counted up in it; the rest of it is rest. Only a rest
      // that comes is shared
      int left = Format.workWithin(f.get(Param.WORK), rest, cap);
      int over = f.get(Param.WORK) - left;
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
      lastRest(over);
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
              0,
              stage,
              f.kind() == FormatKind.HOLDS
                  || stage != null && s.stages().get(stage).held(beat, station(i, round).holdCap()),
              f.kind() == FormatKind.GROWING
                  ? Pace.SETTLED
                  : f.kind().countKept() ? Pace.COUNT : Pace.CLOCK));
    }

    private void lastRest(int rest) {
      int last = out.size() - 1;
      out.set(last, out.get(last).resting(rest, 0));
    }

    /** A long rest after what was done last, on top of its own. */
    private void longRest(int rest) {
      int last = out.size() - 1;
      out.set(last, out.get(last).resting(out.get(last).rest(), rest));
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
