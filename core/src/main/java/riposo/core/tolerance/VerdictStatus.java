package riposo.core.tolerance;

/** Where a family's verdict after one run stands. */
public enum VerdictStatus {
  /** Reached; the professional decides. A stop and refer holds already while it waits. */
  WAITING,
  ACCEPTED,
  /** Decided otherwise, with a reason. */
  OVERRIDDEN,
  /** A STAY: nothing to decide. */
  SETTLED,
  /** A later run had its verdict before this one was decided. */
  SUPERSEDED,
  /** A stop and refer that a recorded word has ended. */
  ENDED
}
