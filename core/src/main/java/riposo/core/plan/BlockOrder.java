package riposo.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import riposo.core.movement.Movement;
import riposo.core.movement.Position;

/**
 * The best order of a block, by exact search over every order (Held and Karp's dynamic programme
 * over subsets). Pairs stay together. Compared in this order, least wins: trips to the floor, the
 * same region twice running, changes of posture, small groups before big ones, upper or lower twice
 * running; among equals the order nearest to the one given.
 */
public final class BlockOrder {
  /** Most slots for which the search is offered. */
  public static final int MOST = 12;

  private static final int BITS = 10;

  private BlockOrder() {}

  /**
   * What an order costs.
   *
   * @param floorTrips over all rounds, as is everything here
   * @param smallFirst pairs of slots with the small group first
   * @param halfTwice upper after upper, lower after lower
   */
  public record Cost(
      int floorTrips, int regionTwice, int postureChanges, int smallFirst, int halfTwice) {}

  /**
   * The best order.
   *
   * @param order indexes into the block's slots
   */
  public record Found(List<Integer> order, Cost before, Cost after) {
    public boolean better() {
      return !before.equals(after);
    }
  }

  /** Whether a block has an order to search: work of three slots to {@link #MOST}. */
  public static boolean searched(PlanBlock block) {
    return block.block() == Block.WORK && block.slots().size() > 2 && block.slots().size() <= MOST;
  }

  /**
   * Searches.
   *
   * @param from the position before the block; null when nothing is before
   * @param to the position after the block; null when nothing is after
   * @throws IllegalArgumentException with more than {@link #MOST} slots, or a movement unknown
   */
  public static Found best(
      PlanBlock block,
      @Nullable Position from,
      @Nullable Position to,
      Function<String, @Nullable Movement> movements) {
    if (block.slots().size() > MOST) {
      throw new IllegalArgumentException(
          "order is searched for 12 slots at most, this block has " + block.slots().size());
    }
    if (block.slots().isEmpty()) {
      Cost none = new Cost(0, 0, 0, 0, 0);
      return new Found(List.of(), none, none);
    }
    Search s = new Search(block, from, to, movements);
    int[] found = s.search();
    List<Integer> order = new ArrayList<>();
    for (int u : found) {
      for (int k = 0; k < s.size(u); k++) {
        order.add(u * s.unit + k);
      }
    }
    int[] as = new int[s.n];
    Arrays.setAll(as, i -> i);
    return new Found(order, s.unpack(s.cost(as)), s.unpack(s.cost(found)));
  }

  /** The cost of the slots as they stand, for a test to hold the search to. */
  static Cost cost(
      PlanBlock block,
      @Nullable Position from,
      @Nullable Position to,
      Function<String, @Nullable Movement> movements) {
    Search s = new Search(block, from, to, movements);
    int[] as = new int[s.n];
    Arrays.setAll(as, i -> i);
    return s.unpack(s.cost(as));
  }

  private static final class Search {
    final int unit;
    final int n;
    private final List<Movement> slots = new ArrayList<>();
    private final @Nullable Position from;
    private final @Nullable Position to;
    private final int rounds;
    private final int wraps;

    Search(
        PlanBlock b,
        @Nullable Position from,
        @Nullable Position to,
        Function<String, @Nullable Movement> movements) {
      for (Slot s : b.slots()) {
        Movement m = movements.apply(s.movementId());
        if (m == null) {
          throw new IllegalArgumentException("unknown movement: " + s.movementId());
        }
        slots.add(m);
      }
      this.from = from;
      this.to = to;
      unit = b.format().kind().pairs() ? 2 : 1;
      n = (slots.size() + unit - 1) / unit;
      rounds = b.circles() ? b.format().rounds() : 1;
      wraps = rounds - 1;
    }

    int size(int u) {
      return Math.min(unit, slots.size() - u * unit);
    }

    private Movement first(int u) {
      return slots.get(u * unit);
    }

    private Movement last(int u) {
      return slots.get(u * unit + size(u) - 1);
    }

    private long step(Movement a, Movement b) {
      long c = way(a.position(), b.position());
      Region r = Region.of(a);
      if (r == Region.of(b) && r.tires()) {
        c += 1L << 4 * BITS;
      }
      if (r.half == Region.of(b).half && r.half != Region.Half.NONE) {
        c += 1L << BITS;
      }
      return c;
    }

    private long way(@Nullable Position a, @Nullable Position b) {
      if (a == null || b == null) {
        return 0;
      }
      long c = 0;
      if (Mobility.USUAL.seconds(a, b) > 0) {
        c += 1L << 3 * BITS;
        if (b.onFloor() && !a.onFloor()) {
          c += 1L << 5 * BITS;
        }
      }
      return c;
    }

    /** Pairs with the small group of {@code earlier} before a big one of {@code later}. */
    private long smallFirst(int earlier, int later) {
      long c = 0;
      for (int i = 0; i < size(earlier); i++) {
        for (int j = 0; j < size(later); j++) {
          if (Region.of(slots.get(earlier * unit + i)).small()
              && Region.of(slots.get(later * unit + j)).big()) {
            c += 1L << 2 * BITS;
          }
        }
      }
      return c;
    }

    private long within(int u) {
      long c = 0;
      for (int k = 1; k < size(u); k++) {
        c += step(slots.get(u * unit + k - 1), slots.get(u * unit + k)) * rounds;
        if (Region.of(slots.get(u * unit + k - 1)).small()
            && Region.of(slots.get(u * unit + k)).big()) {
          c += 1L << 2 * BITS;
        }
      }
      return c;
    }

    long cost(int[] order) {
      long c = way(from, first(order[0]).position()) + way(last(order[n - 1]).position(), to);
      c += step(last(order[n - 1]), first(order[0])) * wraps;
      for (int i = 0; i < n; i++) {
        c += within(order[i]);
        if (i > 0) {
          c += step(last(order[i - 1]), first(order[i])) * rounds;
        }
        for (int k = 0; k < i; k++) {
          c += smallFirst(order[k], order[i]) + (order[k] > order[i] ? 1 : 0);
        }
      }
      return c;
    }

    int[] search() {
      int full = (1 << n) - 1;
      long[][] adjacent = new long[n][n];
      long[][] before = new long[n][n];
      for (int i = 0; i < n; i++) {
        for (int j = 0; j < n; j++) {
          adjacent[i][j] = step(last(i), first(j)) * rounds;
          before[i][j] = smallFirst(i, j) + (i > j ? 1 : 0);
        }
      }
      // What the slots of a set cost by coming before another, once for every set.
      long[][] earlier = new long[full + 1][n];
      for (int set = 1; set <= full; set++) {
        for (int next = 0; next < n; next++) {
          earlier[set][next] =
              earlier[set & set - 1][next] + before[Integer.numberOfTrailingZeros(set)][next];
        }
      }
      long[] within = new long[n];
      Arrays.setAll(within, this::within);
      long best = Long.MAX_VALUE;
      int[] bestOrder = new int[n];
      long[][] cost = new long[full + 1][n];
      byte[][] back = new byte[full + 1][n];
      for (int start = 0; start < n; start++) {
        for (long[] row : cost) {
          Arrays.fill(row, Long.MAX_VALUE);
        }
        cost[1 << start][start] = way(from, first(start).position()) + within[start];
        for (int set = 1; set <= full; set++) {
          if ((set & 1 << start) == 0) {
            continue;
          }
          for (int at = 0; at < n; at++) {
            long c = cost[set][at];
            if (c == Long.MAX_VALUE) {
              continue;
            }
            for (int next = 0; next < n; next++) {
              if ((set & 1 << next) != 0) {
                continue;
              }
              long then = c + adjacent[at][next] + within[next] + earlier[set][next];
              int with = set | 1 << next;
              if (then < cost[with][next]) {
                cost[with][next] = then;
                back[with][next] = (byte) at;
              }
            }
          }
        }
        for (int end = 0; end < n; end++) {
          if (cost[full][end] == Long.MAX_VALUE) {
            continue;
          }
          long c =
              cost[full][end]
                  + way(last(end).position(), to)
                  + step(last(end), first(start)) * wraps;
          if (c < best) {
            best = c;
            int set = full;
            int at = end;
            for (int i = n - 1; i >= 0; i--) {
              bestOrder[i] = at;
              int previous = back[set][at];
              set &= ~(1 << at);
              at = previous;
            }
          }
        }
      }
      return bestOrder;
    }

    Cost unpack(long c) {
      int mask = (1 << BITS) - 1;
      return new Cost(
          (int) (c >> 5 * BITS) & mask,
          (int) (c >> 4 * BITS) & mask,
          (int) (c >> 3 * BITS) & mask,
          (int) (c >> 2 * BITS) & mask,
          (int) (c >> BITS) & mask);
    }
  }
}
