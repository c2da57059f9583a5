package riposo.core.limit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * One thing a movement can ask for and a limit can cap: the shared axes. A demand is permitted when
 * it is not above the cap. Closable axes (surfaces, positions, actions) ask for 0 or 1 and are
 * closed by a cap of 0. Every axis, and every side of a sided axis, owns one cell in the arrays
 * that demands and caps are compared in.
 */
public final class Axis {
  /** What the number of an axis means. */
  public enum Unit {
    CLOSED,
    DEGREES,
    LEVEL,
    PERCENT,
    GRAMS,
    SECONDS,
    MINUTES,
    PER_WEEK,
    /** Beats a minute. */
    BPM,
    /** A least number of minutes, kept as 60 minus it, so that less is more than the cap. */
    LEAST_MINUTES
  }

  private static final Map<String, Axis> BY_ID = new LinkedHashMap<>();
  private static final List<Axis> BY_CELL = new ArrayList<>();

  public static final Axis FLOOR = closable("surface.floor", "the floor");
  public static final Axis BED = closable("surface.bed", "a bed");
  public static final Axis CHAIR = closable("surface.chair", "a chair");
  public static final Axis STANDING = closable("surface.standing", "standing up");

  /** Asked by no movement: the room's chairs are measured against it. */
  public static final Axis LOW_CHAIR =
      closable("surface.low-chair", "a seat at or below knee height");

  /** Asked by every {@link FloorWay}. */
  public static final Axis FLOOR_TRANSFER =
      closable("transfer.floor", "getting down to the floor and up");

  /**
   * Asked by all that is done on the floor: closed when no {@link FloorWay} is open. No limit names
   * it.
   */
  public static final Axis FLOOR_WAY = derived("floor-way", "a way to the floor and up");

  /** Rolling over a side: lying on it and rising over it. */
  public static final Axis ROLL = add("roll", "rolling over the side", Unit.CLOSED, true, 1);

  /**
   * Rising from lying by a roll over whichever side is open: closed when both sides of {@link
   * #ROLL} are. No limit names it.
   */
  public static final Axis RISE_ROLL = derived("roll.either", "rolling over either side");

  public static final Axis KNEEL_BARE = closable("kneel.bare", "kneeling without a pad");

  static {
    for (String p :
        List.of(
            "supine:lying flat on the back",
            "reclined:reclining",
            "prone:lying face down",
            "side-lying:lying on the side",
            "all-fours:hands and knees",
            "kneeling:kneeling",
            "half-kneeling:half-kneeling",
            "floor-plank:a plank on the floor",
            "raised-plank:leaning on the hands",
            "long-sitting:sitting on the floor",
            "chair:sitting",
            "standing-supported:standing with support",
            "standing:standing",
            "one-leg:standing on one leg",
            "stepping:stepping up")) {
      closable("position." + p.substring(0, p.indexOf(':')), p.substring(p.indexOf(':') + 1));
    }
    for (JointMotion m : JointMotion.values()) {
      add("joint." + m.id() + ".any", m.words, Unit.DEGREES, true, 180);
      add("joint." + m.id() + ".loaded", m.words + " under load", Unit.DEGREES, true, 180);
      add("joint." + m.id() + ".added", m.words + " with added weight", Unit.DEGREES, true, 180);
    }
    for (String s :
        List.of("flexion:bend", "extension:arch", "rotation:turn", "side-bend:side bend")) {
      String id = s.substring(0, s.indexOf(':'));
      String words = "spine " + s.substring(s.indexOf(':') + 1);
      add("spine." + id + ".any", words, Unit.LEVEL, false, 2);
      add("spine." + id + ".loaded", words + " under load", Unit.LEVEL, false, 2);
    }
  }

  public static final Axis IMPACT = add("impact", "impact", Unit.LEVEL, false, 3);
  public static final Axis BALANCE =
      add("balance.unsupported", "balance without support", Unit.LEVEL, false, 4);
  public static final Axis BALANCE_HELD =
      add("balance.supported", "balance with support", Unit.LEVEL, false, 4);

  /**
   * What the trunk holds up: 0 back supported, arms low; 1 upright, arms alike below the shoulder;
   * 2 overhead, reaching, twisting, one-sided load; 3 leaning out.
   */
  public static final Axis TRUNK = add("trunk", "trunk control", Unit.LEVEL, false, 3);

  public static final Axis BEARING_ARM =
      add("bearing.arm", "weight on the arm", Unit.PERCENT, true, 100);
  public static final Axis BEARING_LEG =
      add("bearing.leg", "weight on the leg", Unit.PERCENT, true, 100);
  public static final Axis LOAD_HAND =
      add("load.hand", "weight in the hand", Unit.GRAMS, true, 100_000);
  public static final Axis LOAD_TOTAL =
      add("load.total", "weight in all", Unit.GRAMS, false, 200_000);
  public static final Axis LOAD_OVERHEAD =
      add("load.overhead", "weight overhead", Unit.GRAMS, false, 100_000);
  public static final Axis LOAD_FROM_FLOOR =
      add("load.from-floor", "weight from the floor", Unit.GRAMS, false, 100_000);
  public static final Axis HOLD = add("hold", "still effort", Unit.SECONDS, false, 600);
  public static final Axis PRESSURE = add("pressure", "trunk pressure", Unit.LEVEL, false, 3);
  public static final Axis HEAD_LOW = closable("head.below-heart", "the head below the heart");
  public static final Axis HEAD_BACK = closable("head.back", "the head tipped back");
  public static final Axis HEAD_TURN = closable("head.turn", "a quick turn of the head");
  public static final Axis GRIP = add("grip", "grip", Unit.LEVEL, true, 3);
  public static final Axis EFFORT = add("effort", "effort", Unit.LEVEL, false, 10);
  public static final Axis COMPLEXITY =
      add("complexity", "parts to coordinate", Unit.LEVEL, false, 3);

  static {
    for (Act a : Act.values()) {
      add("act." + a.id(), a.words, Unit.CLOSED, a == Act.FOOT_WORK, 1);
    }
  }

  /** The whole session; capped in the plan and the timeline, never asked by a movement. */
  public static final Axis SESSION_MINUTES =
      add("session.minutes", "session length", Unit.MINUTES, false, 240);

  public static final Axis SESSION_WEEK =
      add("session.week", "sessions a week", Unit.PER_WEEK, false, 14);

  /** Work as a percentage of the rest that follows: 100 means rest at least as long as work. */
  public static final Axis WORK_PER_REST =
      add("session.work-per-rest", "work for each rest", Unit.PERCENT, false, 100_000);

  /** Least warm-up, as 60 minus its minutes. */
  public static final Axis WARM_UP =
      add("session.warm-up", "warm-up", Unit.LEAST_MINUTES, false, 60);

  /** Least cool-down, as 60 minus its minutes. */
  public static final Axis COOL_DOWN =
      add("session.cool-down", "cool-down", Unit.LEAST_MINUTES, false, 60);

  /** How many slots of the session raise an arm overhead, those for the pulse counted in. */
  public static final Axis SESSION_OVERHEAD =
      add("session.overhead", "slots with the arms overhead", Unit.LEVEL, false, 40);

  /** How many more slots push than pull. */
  public static final Axis SESSION_PUSH =
      add("session.push-over-pull", "pushes beyond the pulls", Unit.LEVEL, false, 40);

  /** Read on the client during the run, asked by no movement. */
  public static final Axis PULSE = add("pulse", "pulse", Unit.BPM, false, 220);

  public static final Axis BREATHLESSNESS =
      add("breathlessness", "breathlessness", Unit.LEVEL, false, 10);

  /** How many cells a demand or caps array has. */
  public static final int CELLS = BY_CELL.size();

  public final String id;
  public final String words;
  public final Unit unit;
  public final boolean sided;
  public final int greatest;
  private final int firstCell;

  private Axis(String id, String words, Unit unit, boolean sided, int greatest, int firstCell) {
    this.id = id;
    this.words = words;
    this.unit = unit;
    this.sided = sided;
    this.greatest = greatest;
    this.firstCell = firstCell;
  }

  private static Axis closable(String id, String words) {
    return add(id, words, Unit.CLOSED, false, 1);
  }

  private static Axis add(String id, String words, Unit unit, boolean sided, int greatest) {
    Axis axis = new Axis(id, words, unit, sided, greatest, BY_CELL.size());
    if (BY_ID.put(id, axis) != null) {
      throw new IllegalStateException("axis id used twice: " + id);
    }
    BY_CELL.add(axis);
    if (sided) {
      BY_CELL.add(axis);
    }
    return axis;
  }

  /** A closable cell that follows from other limits and that no limit names. */
  private static Axis derived(String id, String words) {
    Axis axis = new Axis(id, words, Unit.CLOSED, false, 1, BY_CELL.size());
    BY_CELL.add(axis);
    return axis;
  }

  /** The axis of that id; throws {@link IllegalArgumentException} naming an unknown one. */
  public static Axis of(String id) {
    Axis axis = BY_ID.get(id);
    if (axis == null) {
      throw new IllegalArgumentException("unknown axis: " + id);
    }
    return axis;
  }

  public static boolean exists(String id) {
    return BY_ID.containsKey(id);
  }

  public static Axis joint(JointMotion motion, Loading loading) {
    return of(
        "joint."
            + motion.id()
            + switch (loading) {
              case FREE -> ".any";
              case OWN -> ".loaded";
              case ADDED -> ".added";
            });
  }

  public static Axis position(String id) {
    return of("position." + id);
  }

  public static Axis act(Act act) {
    return of("act." + act.id());
  }

  public static List<Axis> all() {
    return List.copyOf(BY_ID.values());
  }

  /** The cell of this axis for LEFT or RIGHT; an unsided axis has one cell for every side. */
  public int cell(Side side) {
    return sided && side == Side.RIGHT ? firstCell + 1 : firstCell;
  }

  /** The axis that owns a cell. */
  public static Axis ofCell(int cell) {
    return BY_CELL.get(cell);
  }

  /** The side a cell stands for; BOTH for an unsided axis. */
  public static Side sideOfCell(int cell) {
    Axis axis = BY_CELL.get(cell);
    return !axis.sided ? Side.BOTH : cell == axis.firstCell ? Side.LEFT : Side.RIGHT;
  }

  /** An array of caps that closes nothing. */
  public static int[] openCaps() {
    int[] caps = new int[CELLS];
    Arrays.fill(caps, Integer.MAX_VALUE);
    return caps;
  }

  /** Whether the axis follows from others and no limit may name it. */
  public boolean isDerived() {
    return !BY_ID.containsKey(id);
  }

  @Override
  public String toString() {
    return id;
  }
}
