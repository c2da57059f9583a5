package riposo.core.dose;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A family that was left alone for so long that its dose is cut, and how far back it has come. Each
 * family is counted by itself: those kept in training keep their dose. House rule: up to 9 days
 * nothing, from 10 a fifth off, from 21 two fifths and a rung down, from 42 the start dose.
 *
 * @param from the last session before the gap
 * @param until the first one after it; null while there was none
 * @param days between them, or until the day asked about
 */
public record Gap(LocalDate from, @Nullable LocalDate until, int days) {
  /** Days that take nothing off. */
  public static final int FREE = 9;

  /** Sessions back until the dose is whole again. */
  public static final int SESSIONS = 2;

  private static final int TWO_FIFTHS = 21;
  private static final int START = 42;

  /** Percent of a dose that a gap of so many days leaves; 0: it is begun anew. */
  public static int left(long days) {
    return days >= START ? 0 : days >= TWO_FIFTHS ? 60 : days > FREE ? 80 : 100;
  }

  /**
   * The gap a family comes back from on a day; null where there is none, or it is over.
   *
   * @param sessions days the family was done, newest first; the two newest are looked at
   */
  public static @Nullable Gap of(List<LocalDate> sessions, LocalDate day) {
    if (sessions.isEmpty()) {
      return null;
    }
    LocalDate last = sessions.get(0);
    int since = (int) ChronoUnit.DAYS.between(last, day);
    if (since > FREE) {
      return new Gap(last, null, since);
    }
    if (sessions.size() < SESSIONS) {
      return null;
    }
    int before = (int) ChronoUnit.DAYS.between(sessions.get(1), last);
    return before > FREE ? new Gap(sessions.get(1), last, before) : null;
  }

  /** Percent taken off; 100 where the dose is begun anew. */
  public int cut() {
    return 100 - left(days);
  }

  /** The family begins anew: the start dose, and a new screening first. */
  public boolean anew() {
    return days >= START;
  }

  /** A rung is taken off as well. */
  public boolean rungDown() {
    return days >= TWO_FIFTHS;
  }

  /** Whether something known since that day is from before the family was done again. */
  public boolean cuts(LocalDate known) {
    return until == null || known.isBefore(until);
  }

  /** Repetitions or seconds that the gap leaves of a count without a weight, at least 1. */
  public int count(int asked) {
    return Math.max(1, asked * (anew() ? left(TWO_FIFTHS) : left(days)) / 100);
  }

  /** Sessions still to be done until the dose is whole again. */
  public int toGo() {
    return until == null ? SESSIONS : SESSIONS - 1;
  }
}
