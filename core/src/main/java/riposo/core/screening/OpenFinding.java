package riposo.core.screening;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/**
 * A finding and the day it began to hold: the screening it came from, or a stop-panel event.
 *
 * @param last true when it comes from the newest screening or from an event
 */
public record OpenFinding(Finding finding, LocalDate began, boolean last) {

  /** The rule of a stop-panel event: CLEARANCE_ONLY, the stricter of handbook 2 and 8. */
  public static final String STOP_EVENT = "standing.stop-event";

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
      boolean covered = clearances.stream().anyMatch(c -> c.covers(f, today));
      if (counts && !covered && open.stream().noneMatch(o -> o.rule().equals(f.finding().rule()))) {
        open.add(f.finding());
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
