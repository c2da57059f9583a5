package riposo.core.plan;

import riposo.core.movement.Position;

/** How long a client takes to change posture: slow takes 40 s from standing to floor. */
public enum Mobility {
  USUAL,
  SLOW;

  /** Seconds from one position to another; 0 within the same posture. */
  public int seconds(Position from, Position to) {
    if (faceUp(from) && to == Position.PRONE || from == Position.PRONE && faceUp(to)) {
      return 8;
    }
    return seconds(from.height, to.height);
  }

  private static boolean faceUp(Position p) {
    return p == Position.SUPINE || p == Position.RECLINED;
  }

  /** Seconds between two contour heights; 0 within the same posture. */
  public int seconds(int from, int to) {
    int a = posture(from);
    int b = posture(to);
    if (a == b) {
      return 0;
    }
    int low = Math.min(a, b);
    int high = Math.max(a, b);
    if (low == 0) {
      return high == 2 && this == SLOW ? 40 : 20;
    }
    return 5;
  }

  /** 0 on the floor, 1 on a chair, 2 on the feet. */
  private static int posture(int height) {
    return height <= 1 ? 0 : height == 2 ? 1 : 2;
  }
}
