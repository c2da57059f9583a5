package riposo.core.tolerance;

import org.jspecify.annotations.Nullable;
import riposo.core.run.DoneSet;

/** What comes of a professional's own decision on a family: a change, or why there is none. */
public sealed interface Overriding {
  /** The change it comes to. */
  record To(Change change) implements Overriding {}

  /** It is not for anyone to decide so now. */
  record Refused(Bar bar) implements Overriding {}

  /** Why a decision is refused. */
  enum Bar {
    STOP_STAYS(
        "stop-stays",
        "A stop and refer is not overridden: it ends by a recorded word, a clinician’s, or yours for a cleared false alarm."),
    NO_PROGRESSION(
        "no-progression", "Stepping up is ruled out while exertion makes the next day worse."),
    ASK_OPEN("ask-open", "Stepping up is ruled out while a clinician’s word is wanted."),
    LIMIT_IN_THE_WAY(
        "limit-in-the-way",
        "A limit or the kit closes the next rung and there is no heavier weight."),
    NO_STEP_LEFT(
        "no-step-left", "Lowered slowly already, and no rung or weight is left to step to.");

    public final String code;
    public final String sentence;

    Bar(String code, String sentence) {
      this.code = code;
      this.sentence = sentence;
    }
  }

  /**
   * Decides otherwise than the record says.
   *
   * @param stops a stop and refer stands: then nothing but that can be decided
   * @param at the set the client stands at
   */
  static Overriding of(
      Verdict wanted, boolean stops, DoneSet at, Steps steps, Tolerance tolerance) {
    if (stops && wanted != Verdict.STOP_AND_REFER) {
      return new Refused(Bar.STOP_STAYS);
    }
    return switch (wanted) {
      case STAY -> new To(new Change.None(at.movementId(), at.grams()));
      case STOP_AND_REFER -> new To(new Change.Stop(at.movementId(), at.grams()));
      case EASE -> new To(down(at, steps));
      case STEP_UP -> up(at, steps, tolerance);
    };
  }

  /** A step below where the client stands: no weight below leaves none, no rung the same one. */
  static Change down(DoneSet at, Steps steps) {
    Integer grams = at.grams();
    if (grams != null && grams > 0) {
      Integer less = steps.previousGrams();
      return new Change.LoadDown(at.movementId(), less == null ? 0 : less, grams);
    }
    String rung = steps.previousRung();
    return new Change.RungDown(rung == null ? at.movementId() : rung);
  }

  private static Overriding up(DoneSet at, Steps steps, Tolerance tolerance) {
    if (tolerance.noProgression()) {
      return new Refused(Bar.NO_PROGRESSION);
    }
    if (tolerance.askOpen()) {
      return new Refused(Bar.ASK_OPEN);
    }
    Integer grams = at.grams();
    @Nullable Integer next = steps.nextGrams();
    if (next != null && grams != null) {
      return new To(new Change.LoadUp(at.movementId(), next, grams, null));
    }
    if (steps.nextRung() != null) {
      return new To(new Change.RungUp(steps.nextRung(), null));
    }
    if (steps.blocked()) {
      return new Refused(Bar.LIMIT_IN_THE_WAY);
    }
    if (steps.slow()) {
      return new Refused(Bar.NO_STEP_LEFT);
    }
    return new To(new Change.Slower(at.movementId(), grams, null));
  }
}
