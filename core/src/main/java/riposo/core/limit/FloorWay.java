package riposo.core.limit;

import java.util.ArrayList;
import java.util.List;

/**
 * A way down to the floor and up again. What is done on the floor asks for one of them, demand for
 * demand. Where a side may be chosen (which arm props, which leg leads) each choice is a demand of
 * its own and one that passes will do. Degrees and shares: house rule, worked from the rungs of
 * getting down and up.
 */
public enum FloorWay {
  /**
   * One foot forward, the other knee down, a hand on the floor: knee 120°, hip 100° and weight on
   * both legs, 25 % on an arm with the wrist at 70°.
   */
  HALF_KNEELING("through half-kneeling") {
    @Override
    void build(List<int[]> bare) {
      for (Side arm : new Side[] {Side.LEFT, Side.RIGHT}) {
        for (Side lead : new Side[] {Side.LEFT, Side.RIGHT}) {
          int[] v = shared();
          put(v, Axis.position("half-kneeling"), Side.BOTH, 1);
          joint(v, JointMotion.KNEE_FLEXION, Side.BOTH, 120, true);
          joint(v, JointMotion.HIP_FLEXION, Side.BOTH, 100, true);
          joint(v, JointMotion.WRIST_EXTENSION, arm, 70, true);
          put(v, Axis.BEARING_ARM, arm, 25);
          put(v, Axis.BEARING_LEG, lead, 80);
          put(v, Axis.BEARING_LEG, lead.other(), 50);
          put(v, Axis.act(Act.SPLIT_STANCE), Side.BOTH, 1);
          put(v, Axis.act(Act.UNEVEN_LEGS), Side.BOTH, 1);
          bare.add(v);
        }
      }
    }
  },
  /**
   * Hands on the seat of a chair, both knees to the floor together: knee 110° carrying little and
   * so counted as free, hip 95°, 25 % on both arms, no split stance.
   */
  CHAIR("through a chair") {
    @Override
    void build(List<int[]> bare) {
      int[] v = shared();
      put(v, Axis.position("kneeling"), Side.BOTH, 1);
      joint(v, JointMotion.KNEE_FLEXION, Side.BOTH, 110, false);
      joint(v, JointMotion.HIP_FLEXION, Side.BOTH, 95, true);
      put(v, Axis.BEARING_ARM, Side.BOTH, 25);
      put(v, Axis.BEARING_LEG, Side.BOTH, 50);
      bare.add(v);
    }
  };

  public final String words;

  private final List<int[]> bare = new ArrayList<>();
  private final List<int[]> padded = new ArrayList<>();

  FloorWay(String words) {
    this.words = words;
    build(bare);
    for (int[] v : bare) {
      int[] soft = v.clone();
      soft[Axis.KNEEL_BARE.cell(Side.BOTH)] = 0;
      padded.add(soft);
    }
  }

  abstract void build(List<int[]> bare);

  /**
   * What the way asks for, one array of cells for each choice of sides; not to be changed.
   *
   * @param pad whether the knees meet a pad
   */
  public List<int[]> demands(boolean pad) {
    return List.copyOf(pad ? padded : bare);
  }

  /** What both ways ask: knees down, pressure 1, effort 4, balance 2 with support. */
  private static int[] shared() {
    int[] v = new int[Axis.CELLS];
    put(v, Axis.FLOOR_TRANSFER, Side.BOTH, 1);
    put(v, Axis.FLOOR, Side.BOTH, 1);
    put(v, Axis.KNEEL_BARE, Side.BOTH, 1);
    put(v, Axis.act(Act.LEG_WORK), Side.BOTH, 1);
    put(v, Axis.BALANCE_HELD, Side.BOTH, 2);
    put(v, Axis.PRESSURE, Side.BOTH, 1);
    put(v, Axis.EFFORT, Side.BOTH, 4);
    return v;
  }

  private static void joint(int[] v, JointMotion motion, Side side, int degrees, boolean loaded) {
    put(v, Axis.joint(motion, Loading.FREE), side, degrees);
    if (loaded) {
      put(v, Axis.joint(motion, Loading.OWN), side, degrees);
    }
  }

  private static void put(int[] v, Axis axis, Side side, int value) {
    if (side != Side.RIGHT) {
      v[axis.cell(Side.LEFT)] = value;
    }
    if (side != Side.LEFT) {
      v[axis.cell(Side.RIGHT)] = value;
    }
  }
}
