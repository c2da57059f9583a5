package riposo.core.tolerance;

import org.jspecify.annotations.Nullable;

/** The numbers that decided a verdict, by the rule that held. */
public sealed interface Grounds {
  /** The rule needs no number: a sign of the stop panel, more tired the next day. */
  record Plain() implements Grounds {}

  /** The greatest pain, during or the next morning, 0 to 10. */
  record Pain(int pain) implements Grounds {}

  /** How many new signs the check-in named. */
  record NewSigns(int signs) implements Grounds {}

  /** How many eases in a row. */
  record Eases(int eases) implements Grounds {}

  /** Pain against the client's usual. */
  record OverUsual(int pain, int usual) implements Grounds {}

  /**
   * Pain in the monitored school.
   *
   * @param rise next morning less before; null when either is missing
   */
  record Monitored(int pain, @Nullable Integer rise) implements Grounds {}

  /** Next morning less before the run. */
  record Morning(int rise) implements Grounds {}

  /** Effort against the greatest permitted. */
  record OverCap(int effort, int cap) implements Grounds {}

  /** Effort against the goal. */
  record OverGoal(int effort, int goal) implements Grounds {}

  /**
   * Two for two.
   *
   * @param reps done in the last set; null for a hold
   * @param target repetitions asked; null for a hold
   */
  record TwoForTwo(@Nullable Integer reps, @Nullable Integer target, int effort, int goal)
      implements Grounds {}

  /**
   * Nothing else held.
   *
   * @param reps done in the last set; null when not told or for a hold
   * @param wanted repetitions that would count towards a step; null with reps
   * @param effort the greatest; null when not told
   * @param answered the morning after is
   * @param flagged no step up is possible for this client
   * @param steadyDays days of the same work without trouble; null where it was not so for three
   *     weeks
   */
  record Otherwise(
      @Nullable Integer reps,
      @Nullable Integer wanted,
      @Nullable Integer effort,
      boolean answered,
      boolean flagged,
      @Nullable Integer steadyDays)
      implements Grounds {
    /** Without weeks of the same. */
    public Otherwise(
        @Nullable Integer reps,
        @Nullable Integer wanted,
        @Nullable Integer effort,
        boolean answered,
        boolean flagged) {
      this(reps, wanted, effort, answered, flagged, null);
    }
  }
}
