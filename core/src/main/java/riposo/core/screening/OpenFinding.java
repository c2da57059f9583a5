package riposo.core.screening;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import riposo.core.dose.Gap;
import riposo.core.run.StopSign;

/**
 * A finding and the day it began to hold.
 *
 * @param began the day of the event when it is known, else of the first screening in the unbroken
 *     row of versions that found it
 * @param dated true when that is the day of the event itself
 * @param last true when it comes from the newest screening or from an event
 */
public record OpenFinding(Finding finding, LocalDate began, boolean dated, boolean last) {

  /** The rule of an emergency sign on the stop panel: CLEARANCE_ONLY. */
  public static final String STOP_EVENT = "standing.stop-event";

  /** The rule of a sign that was no emergency: ASK_FIRST. */
  public static final String STOP_ASKED = "standing.stop-asked";

  /** The rules of what today's check found and a clinician has to see. */
  public static final String CHECK_URGENT = "standing.check-urgent";

  public static final String CHECK_ASKED = "standing.check-asked";

  /** The rule of an emergency sign told at a check-in: CLEARANCE_ONLY. */
  public static final String CHECK_IN_URGENT = "standing.check-in-urgent";

  /** One screening of a client: its day and what it found. */
  public record Version(LocalDate takenOn, List<Finding> findings) {
    boolean has(String rule) {
      return findings.stream().anyMatch(f -> f.rule().equals(rule));
    }
  }

  /** An event with its own day. */
  public static OpenFinding event(Finding finding, LocalDate day) {
    return new OpenFinding(finding, day, true, true);
  }

  /** What a STOP that was not withdrawn leaves behind; empty for a low that sugar settled. */
  public static Optional<OpenFinding> stopped(
      StopSign.After after, String words, LocalDate day, String dayWords) {
    if (after == StopSign.After.GLUCOSE) {
      return Optional.empty();
    }
    boolean emergency = after == StopSign.After.EMERGENCY;
    return Optional.of(
        event(
            new Finding(
                emergency ? STOP_EVENT : STOP_ASKED,
                emergency ? Outcome.CLEARANCE_ONLY : Outcome.ASK_FIRST,
                "A session was stopped on "
                    + dayWords
                    + ", “"
                    + words
                    + "”: "
                    + (emergency
                        ? "only a clearance dated after it opens strength work."
                        : "ask a clinician first."),
                "house rule: stop panel",
                null,
                day),
            day));
  }

  /**
   * What a kept check of today leaves behind.
   *
   * @param leaves CLEARANCE_ONLY or ASK_FIRST
   * @param words what was found, as sentences
   */
  public static OpenFinding check(Outcome leaves, String words, LocalDate day, String dayWords) {
    boolean urgent = leaves == Outcome.CLEARANCE_ONLY;
    return event(
        new Finding(
            urgent ? CHECK_URGENT : CHECK_ASKED,
            leaves,
            "Found before a session on "
                + dayWords
                + ": "
                + words
                + (urgent
                    ? " Only a clinician's word dated after it opens strength work."
                    : " Ask a clinician first."),
            "house rule: today's check",
            null,
            day),
        day);
  }

  /**
   * What an emergency sign told at a check-in leaves behind.
   *
   * @param words the sign
   */
  public static OpenFinding checkIn(String words, LocalDate day, String dayWords) {
    return event(
        new Finding(
            CHECK_IN_URGENT,
            Outcome.CLEARANCE_ONLY,
            "Told at the check-in of "
                + dayWords
                + ": "
                + words
                + ". Only a clearance dated after it opens strength work.",
            "house rule: check-in",
            null,
            day),
        day);
  }

  /**
   * What six weeks without a session leave behind; empty where they are not over, or a screening
   * was taken since the last one.
   *
   * @param last the last session
   * @param screened the newest screening
   */
  public static Optional<OpenFinding> gap(
      LocalDate last, LocalDate screened, LocalDate today, String lastWords) {
    Gap gap = Gap.of(List.of(last), today);
    return gap == null || !gap.anew() || screened.isAfter(last)
        ? Optional.empty()
        : Optional.of(
            event(
                new Finding(
                    "standing.rescreen.gap",
                    Outcome.ASK_FIRST,
                    "No session for "
                        + gap.days()
                        + " days, since "
                        + lastWords
                        + ": screen again, and begin with the start dose.",
                    "house rule: after a gap",
                    null,
                    last),
                today));
  }

  /** The findings of all versions, newest first, each with the day it began. */
  public static List<OpenFinding> of(List<Version> newestFirst) {
    List<OpenFinding> all = new ArrayList<>();
    for (int i = 0; i < newestFirst.size(); i++) {
      for (Finding f : newestFirst.get(i).findings()) {
        LocalDate since = f.since();
        int j = i;
        while (j + 1 < newestFirst.size() && newestFirst.get(j + 1).has(f.rule())) {
          j++;
        }
        all.add(
            since == null
                ? new OpenFinding(f, newestFirst.get(j).takenOn(), false, i == 0)
                : new OpenFinding(f, since, true, i == 0));
      }
    }
    return all;
  }

  /** True for a new event, operation or symptom: what voids a clearance given before it. */
  public boolean event() {
    String rule = finding.rule();
    return rule.equals(STOP_EVENT)
        || rule.equals(STOP_ASKED)
        || rule.equals(CHECK_URGENT)
        || rule.equals(CHECK_ASKED)
        || rule.equals(CHECK_IN_URGENT)
        || rule.startsWith("standing.event.")
        || rule.startsWith("standing.sign.")
        || rule.equals("standing.operation")
        || rule.startsWith("standing.happened.");
  }

  /**
   * Findings of the standing line that still hold: those of the newest screening, and every
   * CLEARANCE_ONLY of an older one, which no later "no" undoes; less what a clearance covers.
   */
  public static List<Finding> standing(
      List<OpenFinding> all, List<Clearance> clearances, LocalDate today) {
    List<Finding> open = new ArrayList<>();
    for (OpenFinding f : all) {
      boolean counts =
          !f.finding().outcome().today
              && (f.last() || f.finding().outcome() == Outcome.CLEARANCE_ONLY);
      boolean covered = clearances.stream().anyMatch(c -> c.covers(f, all, today));
      if (!counts || covered) {
        continue;
      }
      int same = -1;
      for (int i = 0; i < open.size(); i++) {
        if (open.get(i).rule().equals(f.finding().rule())) {
          same = i;
        }
      }
      if (same < 0) {
        open.add(f.finding());
      } else if (open.get(same).outcome().compareTo(f.finding().outcome()) < 0) {
        open.set(same, f.finding());
      }
    }
    return open;
  }

  /** The standing outcome of those findings. */
  public static Outcome outcome(List<Finding> findings, boolean limits) {
    Outcome worst = limits ? Outcome.READY_WITH_LIMITS : Outcome.READY;
    for (Finding f : findings) {
      worst = worst.worse(f.outcome());
    }
    return worst;
  }
}
