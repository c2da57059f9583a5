package riposo.core.movement;

/** How a movement treats the two sides. */
public enum SidePattern {
  BOTH,
  ALTERNATING,
  ONE_SIDE
}
