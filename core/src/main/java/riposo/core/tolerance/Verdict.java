package riposo.core.tolerance;

/** What the record says of a family: handbook 7, first that holds. */
public enum Verdict {
  STOP_AND_REFER,
  EASE,
  STEP_UP,
  STAY
}
