package riposo.core.limit;

import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * One restriction on one demand axis.
 *
 * @param id stable id
 * @param axisId an {@link Axis} id
 * @param side LEFT, RIGHT or BOTH; BOTH on an unsided axis
 * @param cap greatest permitted demand, in the unit of the axis; 0 closes a closable axis
 * @param strength FIRM or ADVISED
 * @param source who said so, in words ("physio letter 3 Sep")
 * @param from first day it holds
 * @param until last day it holds, inclusive; null means until reviewed
 * @param liftedFrom first day it no longer holds because it was lifted; null when it stands
 */
public record Limit(
    UUID id,
    String axisId,
    Side side,
    int cap,
    Strength strength,
    String source,
    LocalDate from,
    @Nullable LocalDate until,
    @Nullable LocalDate liftedFrom) {

  public Limit {
    Axis axis = Axis.of(axisId);
    if (cap < 0 || cap > axis.greatest) {
      throw new IllegalArgumentException(
          "cap for " + axisId + " must lie between 0 and " + axis.greatest + ", was " + cap);
    }
    if (!axis.sided && side != Side.BOTH) {
      throw new IllegalArgumentException(axisId + " has no sides, was given " + side);
    }
    if (until != null && until.isBefore(from)) {
      throw new IllegalArgumentException("until " + until + " lies before from " + from);
    }
    if (source.isBlank()) {
      throw new IllegalArgumentException("a limit needs a source");
    }
  }

  public Axis axis() {
    return Axis.of(axisId);
  }

  /**
   * True when the limit holds on that day. An ADVISED limit ends after its until; a FIRM one never
   * lapses by date: it becomes review-due and stays on.
   */
  public boolean activeOn(LocalDate day) {
    if (day.isBefore(from) || (liftedFrom != null && !day.isBefore(liftedFrom))) {
      return false;
    }
    return strength == Strength.FIRM || until == null || !day.isAfter(until);
  }

  /** True when a FIRM limit is past its until and waits for a clinician's word. */
  public boolean reviewDueOn(LocalDate day) {
    return activeOn(day) && until != null && day.isAfter(until);
  }
}
