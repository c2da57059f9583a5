package riposo.core.plan;

import java.util.List;
import org.jspecify.annotations.Nullable;
import riposo.core.movement.Movement;
import riposo.core.movement.SidePattern;

/** How the two sides of a slot come. */
public enum Sides {
  /** A repetition on one side, then one on the other. */
  IN_TURN("in turn"),
  /** Everything on the first side, then everything on the other. */
  ONE_THEN_OTHER("one side, then the other"),
  /** The first side in odd rounds, the other in even ones. */
  BY_ROUND("one side a round"),
  /** The side that begins, and only that: recorded, and left out of left against right. */
  ONE_ONLY("one side only");

  public final String words;

  Sides(String words) {
    this.words = words;
  }

  /** Whether a movement can be done so. */
  public boolean fits(Movement m) {
    return m.does(this == IN_TURN ? SidePattern.ALTERNATING : SidePattern.ONE_SIDE);
  }

  /** The ways a movement can be done; empty where both sides work at once. */
  public static List<Sides> of(Movement m) {
    return java.util.Arrays.stream(values()).filter(s -> s.fits(m)).toList();
  }

  /** As it is done of itself; null where both sides work at once. */
  public static @Nullable Sides usual(Movement m) {
    return switch (m.sides()) {
      case BOTH -> null;
      case ALTERNATING -> IN_TURN;
      case ONE_SIDE -> ONE_THEN_OTHER;
    };
  }
}
