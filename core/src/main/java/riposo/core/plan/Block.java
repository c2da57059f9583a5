package riposo.core.plan;

/** The three blocks of a session plan. */
public enum Block {
  WARM_UP,
  WORK,
  COOL_DOWN
}
