package riposo.core.limit;

import java.time.LocalDate;
import java.util.Collection;

/**
 * A way to the floor and up that the professional has seen go well for a client. While it holds,
 * ADVISED limits do not close that way; FIRM ones, surfaces and positions always do. House rule:
 * good for 6 months, in pregnancy for 6 weeks, ended by a fall, an operation or a flare.
 *
 * @param seen the day it was seen
 * @param help what help was needed, in words; empty for none
 */
public record WaySeen(FloorWay way, LocalDate seen, String help) {
  public static final int MONTHS = 6;
  public static final int WEEKS_IN_PREGNANCY = 6;

  /** The last day it is good for, inclusive, if nothing ends it before. */
  public LocalDate until(boolean pregnant) {
    return pregnant ? seen.plusWeeks(WEEKS_IN_PREGNANCY) : seen.plusMonths(MONTHS);
  }

  /**
   * Whether it holds on a day.
   *
   * @param pregnant whether the client is pregnant on that day
   * @param ends the days of falls, operations and flares; one on the day it was seen ends it too,
   *     one after the day asked for does not yet
   */
  public boolean holds(LocalDate day, boolean pregnant, Collection<LocalDate> ends) {
    return !day.isBefore(seen)
        && !day.isAfter(until(pregnant))
        && ends.stream().noneMatch(e -> !e.isBefore(seen) && !e.isAfter(day));
  }
}
