package riposo.core.tolerance;

import org.jspecify.annotations.Nullable;

/**
 * What becomes of a family's verdict when its run is judged, or judged again: after the check-in,
 * after late events, after a STOP was withdrawn. What a professional decided stays while the sum
 * says the same; a stop that was decided ends by a recorded word, never by a new sum, unless the
 * STOP behind it was tapped in error; what a word has ended stays ended. Source: house rule.
 */
public sealed interface Rejudging {
  /**
   * A verdict as it was before.
   *
   * @param decided what the professional decided; null while it waits
   * @param rule the rule it was reached by
   */
  record Known(VerdictStatus status, Verdict verdict, @Nullable Verdict decided, Rule rule) {}

  /**
   * It stays as it was decided.
   *
   * @param renewed its numbers are the new ones: the verdict is the same
   */
  record Stays(boolean renewed) implements Rejudging {}

  /**
   * It is the new one.
   *
   * @param status WAITING, SETTLED or SUPERSEDED
   * @param reopened what an earlier STOP left standing is taken back with it
   */
  record Becomes(VerdictStatus status, boolean reopened) implements Rejudging {}

  /**
   * @param known what was there for this run and family; null the first time
   * @param judged what the record says now
   * @param overtaken a later run of the family has its own verdict
   */
  static Rejudging of(@Nullable Known known, Judgement judged, boolean overtaken) {
    Verdict now = judged.verdict();
    boolean withdrawn =
        known != null && known.rule() == Rule.STOP_SIGN && judged.rule() != Rule.STOP_SIGN;
    if (known != null) {
      boolean decidedStop =
          known.decided() == Verdict.STOP_AND_REFER && now != Verdict.STOP_AND_REFER;
      if (known.status() == VerdictStatus.ENDED
          || known.status() != VerdictStatus.WAITING && known.verdict() == now
          || decidedStop && !withdrawn) {
        return new Stays(known.verdict() == now);
      }
    }
    return new Becomes(
        switch (now) {
          case STAY -> VerdictStatus.SETTLED;
          case STOP_AND_REFER -> VerdictStatus.WAITING;
          case STEP_UP, EASE -> overtaken ? VerdictStatus.SUPERSEDED : VerdictStatus.WAITING;
        },
        withdrawn);
  }

  /** Whether a verdict that waits is laid aside by the one of a later run: never a stop. */
  static boolean overtakes(VerdictStatus status, Verdict verdict) {
    return status == VerdictStatus.WAITING && verdict != Verdict.STOP_AND_REFER;
  }
}
