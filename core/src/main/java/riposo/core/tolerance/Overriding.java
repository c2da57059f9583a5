package riposo.core.tolerance;

import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Sided;
import riposo.core.limit.Side;
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
        "no-step-left", "Lowered slowly already, and no rung or weight is left to step to."),
    NOT_OPEN("way-closed", "A limit, the kit or what is done already closes this change now.");

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
   * @param at the session the client stands at
   * @param way the change wanted; null for the first there is
   */
  static Overriding of(
      Verdict wanted,
      boolean stops,
      FamilySession at,
      Steps steps,
      Tolerance tolerance,
      Change.@Nullable Kind way) {
    if (stops && wanted != Verdict.STOP_AND_REFER) {
      return new Refused(Bar.STOP_STAYS);
    }
    DoneSet last = at.last();
    return switch (wanted) {
      case STAY ->
          way == null || way == Change.Kind.NONE
              ? new To(new Change.None(last.movementId(), last.grams()))
              : another(at, steps, tolerance, way);
      case STOP_AND_REFER -> new To(new Change.Stop(last.movementId(), last.grams()));
      case EASE -> new To(down(at, steps));
      case STEP_UP -> up(at, steps, tolerance, way);
    };
  }

  /** A step below where the client stands: no weight below leaves none, no rung the same one. */
  static Change down(FamilySession at, Steps steps) {
    DoneSet last = at.last();
    Integer grams = last.grams();
    if (grams != null && grams > 0) {
      return Tolerance.down(at, steps);
    }
    String rung = steps.previousRung();
    return new Change.RungDown(rung == null ? last.movementId() : rung);
  }

  /** The same weight and rung done another way. */
  private static Overriding another(
      FamilySession at, Steps steps, Tolerance tolerance, Change.Kind way) {
    Bar bar = barred(tolerance);
    if (bar != null) {
      return new Refused(bar);
    }
    return tolerance.stimulus(at, steps).stream()
        .filter(c -> c.kind() == way)
        .findFirst()
        .<Overriding>map(To::new)
        .orElse(new Refused(Bar.NOT_OPEN));
  }

  private static @Nullable Bar barred(Tolerance tolerance) {
    return tolerance.noProgression()
        ? Bar.NO_PROGRESSION
        : tolerance.askOpen() ? Bar.ASK_OPEN : null;
  }

  private static Overriding up(
      FamilySession at, Steps steps, Tolerance tolerance, Change.@Nullable Kind way) {
    Bar bar = barred(tolerance);
    if (bar != null) {
      return new Refused(bar);
    }
    DoneSet last = at.last();
    Sided weight = Level.of(at).weight();
    Side side = weight == null ? Side.BOTH : weight.lighter();
    Integer next = steps.near(side).next();
    Change load =
        next == null || weight == null
            ? null
            : Tolerance.load(last.movementId(), weight, side, next, null);
    List<Change> ways = tolerance.ways(at, side, steps);
    if (way != null) {
      return Stream.concat(Stream.ofNullable(load), ways.stream())
          .filter(c -> c.kind() == way)
          .findFirst()
          .<Overriding>map(To::new)
          .orElse(new Refused(Bar.NOT_OPEN));
    }
    if (load != null) {
      return new To(load);
    }
    if (steps.nextRung() != null) {
      return new To(new Change.RungUp(steps.nextRung(), null));
    }
    return ways.isEmpty()
        ? new Refused(steps.blocked() ? Bar.LIMIT_IN_THE_WAY : Bar.NO_STEP_LEFT)
        : new To(ways.get(0));
  }
}
