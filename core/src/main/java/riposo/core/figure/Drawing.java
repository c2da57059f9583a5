package riposo.core.figure;

import java.util.List;

/**
 * Lines to draw, in units of about a centimetre; x to the right, y down, the ground at 0.
 * Everything lies within {@link #LEFT}, {@link #TOP}, {@link #WIDTH} and {@link #HEIGHT}.
 *
 * @param lines drawn in this order
 */
public record Drawing(List<Line> lines, List<Disc> discs) {
  public static final int LEFT = -105;
  public static final int TOP = -215;
  public static final int WIDTH = 210;
  public static final int HEIGHT = 225;

  /** What a line stands for. */
  public enum Role {
    GROUND,
    /** A chair, a wall, a step: what the body meets. */
    PROP,
    /** The limb farther from the viewer, or the one that does not work. */
    FAR,
    BODY,
    /** Where the full range would end when a limit cuts it. */
    CLOSED,
    WEIGHT
  }

  /**
   * A chain of points.
   *
   * @param points x and y in turn, at least two points
   */
  public record Line(Role role, List<Double> points) {
    public Line {
      points = List.copyOf(points);
    }
  }

  /** A head. */
  public record Disc(Role role, double x, double y, double radius) {}

  public Drawing {
    lines = List.copyOf(lines);
    discs = List.copyOf(discs);
  }
}
