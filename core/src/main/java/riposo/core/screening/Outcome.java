package riposo.core.screening;

/**
 * Outcomes of both lines, mildest first within each line; the worst wins. What is still open stands
 * over what is good and under what is not, so that nothing is green before it is known and nothing
 * bad waits for the rest.
 */
public enum Outcome {
  READY(false),
  READY_WITH_LIMITS(false),
  /** Questions that decide it are not answered yet; nothing found so far is worse. */
  NOT_KNOWN(false),
  ASK_FIRST(false),
  CLEARANCE_ONLY(false),
  GO(true),
  CAUTION(true),
  /** A reading or an answer that is wanted is not there yet; nothing found so far is worse. */
  STILL_OPEN(true),
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
