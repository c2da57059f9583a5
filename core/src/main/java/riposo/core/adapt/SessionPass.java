package riposo.core.adapt;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * The second pass over a session whose slots are settled one by one: deterministic, in plan order.
 * Fixed are choices by hand, slots done as asked, slots at rest and slots that ask for the same
 * movement as another.
 *
 * <ol>
 *   <li>Variety: a slot that repeats an earlier or fixed one takes its cheapest option that nothing
 *       else has, with the same purpose and muscles, at most three rungs further down and without a
 *       trip to the floor that was not there; else it stays and is marked as repeated.
 *   <li>Together: where the plan asks for the floor in slots side by side and adapting has split
 *       them, an exact search over at most six options of each for the least of purpose, trips to
 *       the floor, repeats and cost.
 * </ol>
 */
final class SessionPass {
  /** How much further down an option may be, in tenths, both sides together. */
  private static final int NEAR = 2 * 30;

  private static final int OPTIONS = 6;

  /**
   * A slot as settled by itself.
   *
   * @param asksFloor whether the plan asks for the floor here
   * @param circle the block, where it comes round again as a whole; null elsewhere
   * @param situation what the options are looked for in
   */
  record Entry(
      String key,
      String askedId,
      SlotResult result,
      boolean pinned,
      boolean asksFloor,
      @Nullable String circle,
      Situation situation) {}

  private final Adapter adapter;
  private final List<Entry> entries;
  private final List<Alternative> now = new ArrayList<>();
  private final boolean[] fixed;
  private final @Nullable Turn[] turns;

  private SessionPass(Adapter adapter, List<Entry> entries) {
    this.adapter = adapter;
    this.entries = entries;
    this.fixed = new boolean[entries.size()];
    this.turns = new @Nullable Turn[entries.size()];
    Map<String, Long> asked =
        entries.stream().collect(Collectors.groupingBy(Entry::askedId, Collectors.counting()));
    for (int i = 0; i < fixed.length; i++) {
      Entry e = entries.get(i);
      now.add(new Alternative(e.result().parts(), e.result().cost()));
      fixed[i] =
          e.pinned()
              || e.result().asAsked()
              || e.result().allRest()
              || asked.getOrDefault(e.askedId(), 0L) > 1;
    }
  }

  /** What the session makes of each slot, by key; a slot left as it was has no entry. */
  static Map<String, Turn> of(Adapter adapter, List<Entry> entries) {
    SessionPass p = new SessionPass(adapter, entries);
    p.vary();
    p.together();
    Map<String, Turn> turns = new HashMap<>();
    for (int i = 0; i < entries.size(); i++) {
      Turn t = p.turns[i];
      if (t != null) {
        turns.put(entries.get(i).key(), t);
      }
    }
    return turns;
  }

  private void vary() {
    for (int i = 0; i < fixed.length; i++) {
      int other = fixed[i] ? -1 : repeats(i, now.get(i), i);
      if (other < 0) {
        continue;
      }
      Alternative own = now.get(i);
      Alternative found = null;
      for (Alternative o : options(i)) {
        if (o.cost().purpose() == own.cost().purpose()
            && o.cost().muscles() == own.cost().muscles()
            && o.cost().distance() - own.cost().distance() <= NEAR
            && (onFloor(own) || !onFloor(o))
            && repeats(i, o, i) < 0) {
          found = o;
          break;
        }
      }
      Turn.Kind kind = found == null ? Turn.Kind.REPEATED : Turn.Kind.VARIED;
      Alternative done = found == null ? own : found;
      now.set(i, done);
      turns[i] = new Turn(kind, own.parts(), done.parts(), done.cost(), entries.get(other).key());
    }
  }

  /** The slot that already does the same: one before {@code until}, or a fixed one; -1 for none. */
  private int repeats(int slot, Alternative a, int until) {
    for (int j = 0; j < fixed.length; j++) {
      if (j != slot && (j < until || fixed[j]) && now.get(j).parts().equals(a.parts())) {
        return j;
      }
    }
    return -1;
  }

  private List<Alternative> options(int i) {
    Entry e = entries.get(i);
    return adapter.options(e.result().targetId(), e.situation());
  }

  private boolean onFloor(Alternative a) {
    return a.parts().stream().anyMatch(p -> !p.isRest() && adapter.variant(p).onFloor());
  }

  /** Runs of slots asked on the floor that are done in more trips than one. */
  private void together() {
    for (int from = 0; from < fixed.length; from++) {
      if (!entries.get(from).asksFloor()) {
        continue;
      }
      int to = from;
      while (to < fixed.length && entries.get(to).asksFloor()) {
        to++;
      }
      boolean down = from > 0 && onFloor(now.get(from - 1));
      boolean round = round(from, to);
      List<Alternative> run = now.subList(from, to);
      if (to - from > 1 && trips(run, down) + again(run, round) > 1) {
        new Search(from, to, down, round).run();
      }
      from = to;
    }
  }

  /** Whether the slots are all of a block that comes round again. */
  private boolean round(int from, int to) {
    String circle = entries.get(from).circle();
    return circle != null
        && entries.subList(from, to).stream().allMatch(e -> circle.equals(e.circle()))
        && entries.stream().filter(e -> circle.equals(e.circle())).count() == to - from;
  }

  /** The trip of every further round, where the last slot is off the floor and the first on it. */
  private int again(List<Alternative> run, boolean round) {
    return round && onFloor(run.get(0)) && !onFloor(run.get(run.size() - 1)) ? 1 : 0;
  }

  private int trips(List<Alternative> done, boolean down) {
    int trips = 0;
    for (Alternative a : done) {
      boolean floor = onFloor(a);
      trips += floor && !down ? 1 : 0;
      down = floor;
    }
    return trips;
  }

  /** The exact search over one run: depth first, cut where the best so far cannot be beaten. */
  private final class Search {
    private final int from;
    private final boolean down;
    private final boolean round;
    private final List<List<Alternative>> options = new ArrayList<>();
    private final List<boolean[]> floor = new ArrayList<>();
    private final int[] leastPurpose;
    private final int[] picked;
    private int[] best;
    private int bestPurpose;
    private int bestTrips;
    private int bestRepeats;
    private Cost bestCost;

    Search(int from, int to, boolean down, boolean round) {
      this.from = from;
      this.down = down;
      this.round = round;
      for (int i = from; i < to; i++) {
        List<Alternative> mine = choices(i);
        options.add(mine);
        boolean[] on = new boolean[mine.size()];
        for (int o = 0; o < on.length; o++) {
          on[o] = onFloor(mine.get(o));
        }
        floor.add(on);
      }
      leastPurpose = new int[options.size() + 1];
      for (int i = options.size() - 1; i >= 0; i--) {
        leastPurpose[i] =
            leastPurpose[i + 1]
                + options.get(i).stream().mapToInt(a -> a.cost().purpose()).min().orElse(0);
      }
      picked = new int[options.size()];
      best = new int[options.size()];
      bestPurpose = Integer.MAX_VALUE;
      bestTrips = Integer.MAX_VALUE;
      bestRepeats = Integer.MAX_VALUE;
      bestCost = Cost.REST;
    }

    /**
     * What is done now, then the cheapest others: the nearest on the floor and off it among them.
     */
    private List<Alternative> choices(int i) {
      Alternative own = now.get(i);
      if (fixed[i]) {
        return List.of(own);
      }
      List<Alternative> all =
          options(i).stream().filter(a -> !a.parts().equals(own.parts())).toList();
      List<Alternative> mine = new ArrayList<>(List.of(own));
      boolean floor = onFloor(own);
      for (Alternative a : all) {
        boolean other = onFloor(a) != floor;
        boolean missing = mine.stream().noneMatch(x -> onFloor(x) != floor);
        if (mine.size() < OPTIONS - 1 || mine.size() < OPTIONS && (other || !missing)) {
          mine.add(a);
        }
      }
      return mine;
    }

    void run() {
      go(0, 0, 0, 0, Cost.NONE, down);
      for (int i = 0; i < picked.length; i++) {
        int slot = from + i;
        Alternative done = options.get(i).get(best[i]);
        if (best[i] > 0) {
          now.set(slot, done);
          turns[slot] =
              new Turn(
                  Turn.Kind.TOGETHER,
                  entries.get(slot).result().parts(),
                  done.parts(),
                  done.cost(),
                  null);
        }
      }
    }

    private void go(int at, int purpose, int trips, int repeats, Cost cost, boolean onFloor) {
      if (worse(purpose + leastPurpose[at], trips, repeats, cost)) {
        return;
      }
      if (at == picked.length) {
        boolean first = this.floor.get(0)[picked[0]];
        trips += round && first && !onFloor ? 1 : 0;
        if (worse(purpose, trips, repeats, cost)) {
          return;
        }
        best = Arrays.copyOf(picked, picked.length);
        bestPurpose = purpose;
        bestTrips = trips;
        bestRepeats = repeats;
        bestCost = cost;
        return;
      }
      List<Alternative> mine = options.get(at);
      for (int o = 0; o < mine.size(); o++) {
        boolean floor = this.floor.get(at)[o];
        picked[at] = o;
        go(
            at + 1,
            purpose + mine.get(o).cost().purpose(),
            trips + (floor && !onFloor ? 1 : 0),
            repeats + (taken(at, mine.get(o)) ? 1 : 0),
            cost.plus(mine.get(o).cost()),
            floor);
      }
    }

    /** Whether what comes so far is no better than the best, whatever follows. */
    private boolean worse(int purpose, int trips, int repeats, Cost cost) {
      if (bestPurpose == Integer.MAX_VALUE) {
        return false;
      }
      int c = Integer.compare(purpose, bestPurpose);
      c = c != 0 ? c : Integer.compare(trips, bestTrips);
      c = c != 0 ? c : Integer.compare(repeats, bestRepeats);
      c = c != 0 ? c : cost.compareTo(bestCost);
      return c >= 0;
    }

    private boolean taken(int at, Alternative a) {
      for (int j = 0; j < at; j++) {
        if (options.get(j).get(picked[j]).parts().equals(a.parts())) {
          return true;
        }
      }
      for (int j = 0; j < fixed.length; j++) {
        if ((j < from || j >= from + picked.length) && now.get(j).parts().equals(a.parts())) {
          return true;
        }
      }
      return false;
    }
  }
}
