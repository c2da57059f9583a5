package riposo.core.screening;

/** Outcomes of both lines of handbook 2, mildest first within each line; the worst wins. */
public enum Outcome {
  READY(false),
  READY_WITH_LIMITS(false),
  ASK_FIRST(false),
  CLEARANCE_ONLY(false),
  GO(true),
  CAUTION(true),
  NOT_TODAY(true),
  URGENT(true);

  /** True for the line about today, false for the standing line. */
  public final boolean today;

  Outcome(boolean today) {
    this.today = today;
  }

  /** The worse of two outcomes of one line; throws when they belong to different lines. */
  public Outcome worse(Outcome other) {
    if (today != other.today) {
      throw new IllegalArgumentException(this + " and " + other + " belong to different lines");
    }
    return compareTo(other) >= 0 ? this : other;
  }
}
