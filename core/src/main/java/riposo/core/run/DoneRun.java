package riposo.core.run;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.today.TodayCheck.Dose;

/**
 * What one person did in one run.
 *
 * @param painBefore 0 to 10; null when not asked
 * @param dose how today cut the plan; null in runs from before it was asked
 * @param effortCap greatest effort permitted; null when nothing capped it
 * @param stopped what the signs that stand left behind
 * @param sets in the order they were told
 */
public record DoneRun(
    UUID id,
    LocalDate date,
    @Nullable Integer painBefore,
    @Nullable Dose dose,
    @Nullable Integer effortCap,
    Set<StopSign.After> stopped,
    List<DoneSet> sets) {
  public DoneRun {
    stopped = Set.copyOf(stopped);
    sets = List.copyOf(sets);
  }

  /** Today's dose cut the session, or the stop panel ended it: no step towards more. */
  public boolean cut() {
    return dose == Dose.EASED || dose == Dose.SHORT || !stopped.isEmpty();
  }
}
