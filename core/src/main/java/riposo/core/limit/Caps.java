package riposo.core.limit;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * The limits of one day combined: the lowest cap per axis and side, and which {@link FloorWay}s
 * they leave open. Order-free and idempotent.
 */
public final class Caps {
  private static final int FLOOR = Axis.FLOOR_WAY.cell(Side.BOTH);
  private static final int RISE = Axis.RISE_ROLL.cell(Side.BOTH);
  private static final int TRAINING = Axis.act(Act.FLOOR_TRAINING).cell(Side.BOTH);

  private final int[] caps;
  private final List<Limit> active;
  private final LocalDate day;
  private final int effortRaise;
  private final Floor floor;

  /** The cells that anything limits, and each active limit with a side and cell it covers. */
  private final int[] capped;

  private final List<Cover> covers;
  private final boolean sided;
  private final Set<FloorWay> open;
  private final List<Broken> closed;

  /** A limit on one side: one entry a side for what covers both. */
  record Cover(Limit limit, Axis axis, Side side, int cell, int cap) {
    /** Whether a way that has been seen to go well is still closed by it. */
    boolean firm() {
      return limit.strength() == Strength.FIRM
          || axis.id.startsWith("surface.")
          || axis.id.startsWith("position.");
    }
  }

  /**
   * What the day offers for getting down and up.
   *
   * @param pad whether a knee pad is at hand
   * @param seen ways the professional has seen go well and that still hold: only what is FIRM, a
   *     surface or a position closes them
   * @param group whether the person is one of a group, where getting down is not practised
   * @param onceUp the wish to stay up for the rest of a session once up from the floor
   */
  public record Floor(boolean pad, Set<FloorWay> seen, boolean group, boolean onceUp) {
    public static final Floor UNSEEN = new Floor(false, Set.of(), false);

    public Floor(boolean pad, Set<FloorWay> seen, boolean group) {
      this(pad, seen, group, false);
    }

    public Floor {
      seen = Set.copyOf(seen);
    }
  }

  private Caps(LocalDate day, List<Limit> active, int effortRaise, Floor floor) {
    this.day = day;
    this.active = active;
    this.effortRaise = effortRaise;
    this.floor = floor;
    this.caps = Axis.openCaps();
    List<Cover> all = new ArrayList<>();
    for (Limit limit : active) {
      Axis axis = limit.axis();
      for (Side side : sidesOf(limit)) {
        int cell = axis.cell(side);
        int cap = axis == Axis.EFFORT ? Math.max(0, limit.cap() - effortRaise) : limit.cap();
        caps[cell] = Math.min(caps[cell], cap);
        all.add(new Cover(limit, axis, axis.sided ? side : Side.BOTH, cell, limit.cap()));
      }
    }
    derive(all);
    this.covers = List.copyOf(all);
    EnumSet<FloorWay> ways = EnumSet.noneOf(FloorWay.class);
    List<Broken> none = new ArrayList<>();
    for (FloorWay way : FloorWay.values()) {
      List<Broken> broken = brokenOn(way);
      if (broken.isEmpty()) {
        ways.add(way);
      } else {
        broken.stream().filter(b -> !none.contains(b)).forEach(none::add);
      }
    }
    this.open = Collections.unmodifiableSet(ways);
    this.closed = ways.isEmpty() ? List.copyOf(none) : List.of();
    if (ways.isEmpty()) {
      caps[FLOOR] = 0;
    }
    this.capped =
        IntStream.range(0, caps.length).filter(i -> caps[i] < Integer.MAX_VALUE).toArray();
    this.sided =
        Arrays.stream(capped)
            .mapToObj(Axis::ofCell)
            .anyMatch(a -> a.sided && caps[a.cell(Side.LEFT)] != caps[a.cell(Side.RIGHT)]);
  }

  /** What follows for the cells that no limit names. */
  private void derive(List<Cover> all) {
    if (caps[Axis.ROLL.cell(Side.LEFT)] == 0 && caps[Axis.ROLL.cell(Side.RIGHT)] == 0) {
      caps[RISE] = 0;
    }
    for (Cover c : List.copyOf(all)) {
      if (c.axis == Axis.ROLL && caps[RISE] == 0) {
        all.add(new Cover(c.limit, c.axis, c.side, RISE, 0));
      }
      // What is not trained yet is trained one to one; a FIRM word or a group leaves it closed.
      boolean closes = c.axis == Axis.FLOOR_TRANSFER && c.limit.cap() == 0;
      boolean simple = c.axis == Axis.COMPLEXITY && c.limit.cap() < Axis.COMPLEXITY.greatest;
      if ((closes || simple) && (floor.group || c.limit.strength() == Strength.FIRM)) {
        caps[TRAINING] = 0;
        all.add(new Cover(c.limit, Axis.ofCell(TRAINING), Side.BOTH, TRAINING, 0));
      }
    }
  }

  /** What closes a way, by the choice of sides that breaks least; empty when it is open. */
  private List<Broken> brokenOn(FloorWay way) {
    List<Broken> least = null;
    boolean seen = floor.seen.contains(way);
    for (int[] demand : way.demands(floor.pad)) {
      List<Broken> broken = new ArrayList<>();
      for (Cover c : covers) {
        // the way is walked at one's own pace: what the format adds is not asked of it
        if (demand[c.cell] > c.cap && (!seen || c.firm())) {
          // the floor and the way as such are closed whichever way is tried
          boolean any = c.axis == Axis.FLOOR || c.axis == Axis.FLOOR_TRANSFER;
          broken.add(Broken.of(c, demand[c.cell], day, any ? null : way));
        }
      }
      if (least == null || broken.size() < least.size()) {
        least = broken;
      }
    }
    return least == null ? List.of() : least;
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
        0,
        Floor.UNSEEN);
  }

  /** The same with what the day offers for getting to the floor. */
  public Caps with(Floor other) {
    return floor.equals(other) ? this : new Caps(day, active, effortRaise, other);
  }

  /** The same with a knee pad at hand, or without. */
  public Caps padded(boolean pad) {
    return with(new Floor(pad, floor.seen, floor.group, floor.onceUp));
  }

  /** What the day offers for getting to the floor. */
  public Floor floor() {
    return floor;
  }

  /** The ways to the floor and up that are open; empty when the floor is closed. */
  public Set<FloorWay> floorWays() {
    return open;
  }

  /** What closes that way, whether or not another is open; empty when it is open. */
  public List<Broken> closing(FloorWay way) {
    return brokenOn(way);
  }

  /** What closes the floor, way by way; empty when a way is open. */
  public List<Broken> floorClosed() {
    return closed;
  }

  /**
   * These caps for a format that makes every movement harder by so much on the effort scale: the
   * effort cap is that much lower for what a movement usually asks.
   */
  public Caps raised(int effort) {
    return effort == effortRaise ? this : new Caps(day, active, effort, floor);
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

  /**
   * The tightest limits behind a cell's cap; FIRM first. Empty when the cell is open, and for the
   * way to the floor, which {@link #floorClosed} explains.
   */
  public List<Limit> behind(int cell) {
    return covers.stream()
        .filter(c -> c.cell == cell)
        .filter(
            c -> (c.axis == Axis.EFFORT ? Math.max(0, c.cap - effortRaise) : c.cap) == caps[cell])
        .map(Cover::limit)
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
    return on(day, Stream.concat(active.stream(), more.stream()).toList())
        .with(floor)
        .raised(effortRaise);
  }

  /**
   * Only the FIRM limits of these caps: what not even a recorded reason may pass. A cell closed by
   * both keeps its FIRM cap.
   */
  public Caps firmOnly() {
    return on(day, active.stream().filter(l -> l.strength() == Strength.FIRM).toList())
        .with(floor)
        .raised(effortRaise);
  }
}
