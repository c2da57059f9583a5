package riposo.core.run;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Broken;
import riposo.core.limit.Strength;
import riposo.core.screening.Finding;
import riposo.core.screening.Outcome;
import riposo.core.today.TodayCheck;

/**
 * The one place that says who may start, and why not: for one person and for each of a group by the
 * same rules, a group's being one stricter.
 */
public final class StartGate {
  /** After so long without an event an open run was left open (house rule). */
  public static final Duration LEFT_OPEN = Duration.ofHours(12);

  private StartGate() {}

  /** What stands in the way. */
  public enum Bar {
    NOT_SCREENED("not-screened", "No screening on file: screen first."),
    CLEARANCE_ONLY("clearance-only", "Only a clearance opens this; no reason lifts it."),
    STOPPED_TODAY("stopped-today", "Stopped today: no session today."),
    UNDECIDED(
        "undecided", "Proposed limits are not decided yet: accept, change or decline each first."),
    /** In a group only: alone a recorded reason passes it. */
    ASK_FIRST("ask-first", "Ask first: not started with a group until the word is there."),
    RUN_OPEN("run-open", "A session is open already: go back into it, or end it there."),
    NOT_TODAY("not-today", "Not today."),
    NO_CLOCK("no-clock", "This plan has no clock: its doses are ticked off through the day."),
    FIRM_SESSION("firm-limit", "A firm limit on the session closes this plan."),
    FIRM_WEEK("firm-limit", "A firm limit on sessions a week closes this."),
    REASON_WANTED("reason-wanted", "Starting needs a recorded reason.");

    public final String code;
    public final String sentence;

    Bar(String code, String sentence) {
      this.code = code;
      this.sentence = sentence;
    }
  }

  /**
   * Who may not start.
   *
   * @param sentence what it means
   * @param why what stands open, at least one sentence
   */
  public record Closed(Bar bar, String sentence, List<String> why) {
    static Closed of(Bar bar, List<String> why) {
      return new Closed(bar, bar.sentence, why.isEmpty() ? List.of(bar.sentence) : why);
    }
  }

  /**
   * Where somebody stands today.
   *
   * @param screened a screening is on file; without one nobody trains, whatever else is open
   * @param outcome the standing outcome; null when nothing is known
   * @param open findings of the standing line
   * @param undecided proposals not decided
   * @param stoppedToday the sentence of today's stop; null when there was none
   */
  public record Who(
      boolean screened,
      @Nullable Outcome outcome,
      List<Finding> open,
      int undecided,
      @Nullable String stoppedToday) {}

  /**
   * The session somebody would start.
   *
   * @param seconds on its clock; 0 where it has none
   * @param problems what limits on the session as a whole say against it
   * @param strength of the strongest of them; null when there is none
   * @param week limits on sessions a week that one more would break, each with its sentence
   */
  public record Session(
      int seconds, List<String> problems, @Nullable Strength strength, List<Week> week) {}

  /** A limit on sessions a week that one more would break. */
  public record Week(Broken broken, String sentence) {}

  /**
   * What is asked for.
   *
   * @param dose another than the check's; null for the check's
   * @param reason a reason is given
   */
  public record Wish(TodayCheck.@Nullable Dose dose, boolean reason) {}

  /** What comes of it. */
  public sealed interface Answer {}

  /**
   * It may start.
   *
   * @param passed what the given reason passes; empty when it needed none
   */
  public record Open(TodayCheck.Dose dose, List<String> passed) implements Answer {}

  /** It may not. */
  public record Shut(Closed closed) implements Answer {}

  /**
   * Why somebody may not train at all today, whatever reason is given by anybody; null when they
   * may, perhaps with a reason.
   */
  public static @Nullable Closed closed(Who who) {
    if (who.outcome == Outcome.CLEARANCE_ONLY) {
      return Closed.of(Bar.CLEARANCE_ONLY, worst(who.open));
    }
    if (!who.screened || who.outcome == null) {
      return Closed.of(Bar.NOT_SCREENED, List.of());
    }
    if (who.stoppedToday != null) {
      return Closed.of(Bar.STOPPED_TODAY, List.of(who.stoppedToday));
    }
    return who.undecided > 0
        ? Closed.of(
            Bar.UNDECIDED,
            List.of(
                who.undecided
                    + (who.undecided == 1 ? " proposed limit is" : " proposed limits are")
                    + " not decided yet."))
        : null;
  }

  /** Why somebody is not started with a group; null when nothing stands in the way. */
  public static @Nullable Closed withGroup(Who who) {
    Closed closed = closed(who);
    return closed == null && who.outcome == Outcome.ASK_FIRST
        ? Closed.of(Bar.ASK_FIRST, worst(who.open))
        : closed;
  }

  /**
   * Whether somebody may start this session now: the first bar that holds, else what a reason must
   * pass.
   *
   * @param inGroup started with a group: then no reason passes an open ask first
   * @param check what today's check comes to; it was found good for a start
   */
  public static Answer start(
      Who who, boolean inGroup, TodayCheck.Result check, Session session, Wish wish) {
    Closed closed = inGroup ? withGroup(who) : closed(who);
    if (closed != null) {
      return new Shut(closed);
    }
    List<String> wanted = new ArrayList<>();
    if (who.outcome == Outcome.ASK_FIRST) {
      who.open.stream()
          .filter(f -> f.outcome() == Outcome.ASK_FIRST)
          .forEach(f -> wanted.add(f.text()));
    }
    TodayCheck.Dose dose = dose(check, wish);
    if (dose == TodayCheck.Dose.NOT_TODAY) {
      return shut(Bar.NOT_TODAY, check.doseReasons());
    }
    if (dose.compareTo(check.dose()) < 0) {
      wanted.add("Today's check says " + words(check.dose()) + ", picked: " + words(dose) + ".");
    }
    if (session.seconds == 0) {
      return shut(Bar.NO_CLOCK, List.of());
    }
    if (session.strength == Strength.FIRM) {
      return shut(Bar.FIRM_SESSION, session.problems);
    }
    wanted.addAll(session.problems);
    for (Week w : session.week) {
      if (w.broken.strength() == Strength.FIRM) {
        return shut(Bar.FIRM_WEEK, List.of(w.sentence));
      }
      wanted.add(w.sentence);
    }
    return wanted.isEmpty() || wish.reason
        ? new Open(dose, wanted)
        : shut(Bar.REASON_WANTED, wanted);
  }

  private static Answer shut(Bar bar, List<String> why) {
    return new Shut(Closed.of(bar, why));
  }

  /** The dose a start would have: the one picked, else the check's; what rules today out stays. */
  public static TodayCheck.Dose dose(TodayCheck.Result check, Wish wish) {
    return wish.dose == null || check.dose() == TodayCheck.Dose.NOT_TODAY
        ? check.dose()
        : wish.dose;
  }

  /** A dose in words. */
  public static String words(TodayCheck.Dose dose) {
    return dose.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  /** Whether an open run was left open: nothing was heard of it for so long. */
  public static boolean leftOpen(Instant heard, Instant now) {
    return !heard.plus(LEFT_OPEN).isAfter(now);
  }

  /** The sentences of the findings with the worst outcome, each once. */
  public static List<String> worst(List<Finding> open) {
    Outcome worst =
        open.stream().map(Finding::outcome).max(Outcome::compareTo).orElse(Outcome.READY);
    return open.stream().filter(f -> f.outcome() == worst).map(Finding::text).distinct().toList();
  }
}
