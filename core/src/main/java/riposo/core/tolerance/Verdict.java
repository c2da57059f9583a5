package riposo.core.tolerance;

/** What the record says of a family, the first rule that holds. */
public enum Verdict {
  STOP_AND_REFER,
  EASE,
  STEP_UP,
  STAY
}
