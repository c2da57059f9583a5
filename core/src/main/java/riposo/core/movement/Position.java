package riposo.core.movement;

import java.util.Locale;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Axis;

/** The positions, each with its height in the contour and its surface. */
public enum Position {
  SUPINE(0, Axis.FLOOR),
  RECLINED(0, Axis.FLOOR),
  PRONE(0, Axis.FLOOR),
  SIDE_LYING(0, Axis.FLOOR),
  ALL_FOURS(1, Axis.FLOOR),
  KNEELING(1, Axis.FLOOR),
  HALF_KNEELING(1, Axis.FLOOR),
  FLOOR_PLANK(1, Axis.FLOOR),
  LONG_SITTING(1, Axis.FLOOR),
  CHAIR(2, Axis.CHAIR),
  RAISED_PLANK(3, Axis.STANDING),
  STANDING_SUPPORTED(3, Axis.STANDING),
  STANDING(4, Axis.STANDING),
  ONE_LEG(4, Axis.STANDING),
  STEPPING(5, Axis.STANDING);

  /**
   * Contour height: lying 0, floor seated or all-fours 1, chair 2, leaning 3, standing 4, step 5.
   */
  public final int height;

  public final Axis surface;

  Position(int height, Axis surface) {
    this.height = height;
    this.surface = surface;
  }

  public boolean onFloor() {
    return height <= 1;
  }

  public String id() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** The surfaces as cost classes: two positions of one class ask for no change of posture. */
  public int postureClass() {
    return height >= 3 ? 3 : height;
  }

  public static @Nullable Position find(String id) {
    for (Position p : values()) {
      if (p.id().equals(id)) {
        return p;
      }
    }
    return null;
  }
}
