package riposo.core.limit;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A demand that passes a cap: facts only.
 *
 * @param axisId the axis
 * @param side the side asked for; BOTH on an unsided axis
 * @param asked what is demanded, in the unit of the axis
 * @param cap what is permitted
 * @param limitId the limit behind the cap
 * @param strength FIRM when a firm limit is broken, whatever else is
 * @param source the limit's source in words
 * @param until the limit's last day; null means until reviewed
 * @param reviewDue true when a FIRM limit is past its date and still on
 */
public record Broken(
    String axisId,
    Side side,
    int asked,
    int cap,
    UUID limitId,
    Strength strength,
    String source,
    @Nullable LocalDate until,
    boolean reviewDue) {

  /** Every limit that the demand passes, not only the first and not only the tightest. */
  public static List<Broken> of(Caps caps, int[] demand) {
    List<Broken> broken = new ArrayList<>();
    for (Caps.Cover c : caps.covers()) {
      Limit limit = c.limit();
      int asked = demand[c.cell()];
      if (c.axis() == Axis.EFFORT && asked > 0) {
        asked += caps.effortRaise();
      }
      if (asked > limit.cap()) {
        broken.add(
            new Broken(
                limit.axisId(),
                c.side(),
                asked,
                limit.cap(),
                limit.id(),
                limit.strength(),
                limit.source(),
                limit.until(),
                limit.reviewDueOn(caps.day())));
      }
    }
    return broken;
  }
}
