package riposo.core.limit;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** The limits of one day combined: the lowest cap per axis and side . Order-free and idempotent. */
public final class Caps {
  private final int[] caps;
  private final List<Limit> active;
  private final LocalDate day;
  private final int effortRaise;

  /** The cells that anything limits, and each active limit with a side and cell it covers. */
  private final int[] capped;

  private final List<Cover> covers;
  private final boolean sided;

  /** A limit on one side: one entry a side for what covers both. */
  record Cover(Limit limit, Axis axis, Side side, int cell) {}

  private Caps(LocalDate day, List<Limit> active, int effortRaise) {
    this.day = day;
    this.active = active;
    this.effortRaise = effortRaise;
    this.caps = Axis.openCaps();
    for (Limit limit : active) {
      for (Side side : sidesOf(limit)) {
        int cell = limit.axis().cell(side);
        int cap =
            limit.axis() == Axis.EFFORT ? Math.max(0, limit.cap() - effortRaise) : limit.cap();
        caps[cell] = Math.min(caps[cell], cap);
      }
    }
    this.capped =
        IntStream.range(0, caps.length).filter(i -> caps[i] < Integer.MAX_VALUE).toArray();
    List<Cover> all = new ArrayList<>();
    for (Limit limit : active) {
      Axis axis = limit.axis();
      for (Side side : sidesOf(limit)) {
        all.add(new Cover(limit, axis, axis.sided ? side : Side.BOTH, axis.cell(side)));
      }
    }
    this.covers = List.copyOf(all);
    this.sided =
        Arrays.stream(capped)
            .mapToObj(Axis::ofCell)
            .anyMatch(a -> a.sided && caps[a.cell(Side.LEFT)] != caps[a.cell(Side.RIGHT)]);
  }

  /** Combines the limits that hold on that day, review-due FIRM ones included. */
  public static Caps on(LocalDate day, Collection<Limit> limits) {
    return new Caps(
        day,
        limits.stream()
            .filter(l -> l.activeOn(day))
            .sorted(
                Comparator.comparing(Limit::axisId)
                    .thenComparing(Limit::side)
                    .thenComparing(Limit::cap)
                    .thenComparing(Limit::id))
            .toList(),
        0);
  }

  /**
   * These caps for a format that makes every movement harder by so much on the effort scale: the
   * effort cap is that much lower for what a movement usually asks.
   */
  public Caps raised(int effort) {
    return effort == effortRaise ? this : new Caps(day, active, effort);
  }

  /** How much the format raises the effort of a movement that asks for any. */
  int effortRaise() {
    return effortRaise;
  }

  public static Caps open(LocalDate day) {
    return on(day, List.of());
  }

  private static List<Side> sidesOf(Limit limit) {
    return limit.axis().sided && limit.side() == Side.BOTH
        ? List.of(Side.LEFT, Side.RIGHT)
        : List.of(limit.side());
  }

  public LocalDate day() {
    return day;
  }

  /** The limits that hold on the day, in a fixed order. */
  public List<Limit> active() {
    return active;
  }

  /** The cap of a cell; {@link Integer#MAX_VALUE} where nothing limits. */
  public int cap(int cell) {
    return caps[cell];
  }

  public int cap(Axis axis, Side side) {
    return side == Side.BOTH && axis.sided
        ? Math.min(caps[axis.cell(Side.LEFT)], caps[axis.cell(Side.RIGHT)])
        : caps[axis.cell(side)];
  }

  /** The tightest limits behind a cell's cap; FIRM first. Empty when the cell is open. */
  public List<Limit> behind(int cell) {
    Axis axis = Axis.ofCell(cell);
    Side side = Axis.sideOfCell(cell);
    return active.stream()
        .filter(l -> l.axis() == axis && (!axis.sided || l.side().covers(side)))
        .filter(
            l -> (axis == Axis.EFFORT ? Math.max(0, l.cap() - effortRaise) : l.cap()) == caps[cell])
        .sorted(Comparator.comparing(Limit::strength).thenComparing(Limit::id))
        .toList();
  }

  /** True when any cap is below the demand; stops at the first. */
  public boolean forbids(int[] demand) {
    for (int i : capped) {
      if (demand[i] > caps[i]) {
        return true;
      }
    }
    return false;
  }

  /** Whether every demand above its cap is in one of the cells; true also when none is. */
  public boolean forbidsOnly(int[] demand, BitSet cells) {
    for (int i : capped) {
      if (demand[i] > caps[i] && !cells.get(i)) {
        return false;
      }
    }
    return true;
  }

  /** Whether some axis is capped otherwise on the left than on the right. */
  public boolean sided() {
    return sided;
  }

  List<Cover> covers() {
    return covers;
  }

  /** Every cell whose cap is below the demand, in cell order. */
  public List<Integer> brokenCells(int[] demand) {
    List<Integer> broken = new ArrayList<>();
    for (int i = 0; i < caps.length; i++) {
      if (demand[i] > caps[i]) {
        broken.add(i);
      }
    }
    return broken;
  }

  /** These caps with more limits of the same day added. */
  public Caps plus(Collection<Limit> more) {
    return on(day, Stream.concat(active.stream(), more.stream()).toList()).raised(effortRaise);
  }

  /**
   * Only the FIRM limits of these caps: what not even a recorded reason may pass. A cell closed by
   * both keeps its FIRM cap.
   */
  public Caps firmOnly() {
    return on(day, active.stream().filter(l -> l.strength() == Strength.FIRM).toList())
        .raised(effortRaise);
  }
}
