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
 * @param way the way to the floor and up that asks for it; null when the movement itself does
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
    boolean reviewDue,
    @Nullable FloorWay way) {

  /**
   * Every limit that the demand passes, not only the first and not only the tightest; where the
   * floor is closed, what closes each way there.
   */
  public static List<Broken> of(Caps caps, int[] demand) {
    List<Broken> broken = new ArrayList<>();
    for (Caps.Cover c : caps.covers()) {
      int asked = demand[c.cell()];
      if (c.axis() == Axis.EFFORT && asked > 0) {
        asked += caps.effortRaise();
      }
      if (asked > c.cap()) {
        broken.add(of(c, asked, caps.day(), null));
      }
    }
    if (demand[Axis.FLOOR_WAY.cell(Side.BOTH)] > 0) {
      caps.floorClosed().stream().filter(b -> !broken.contains(b)).forEach(broken::add);
    }
    return broken;
  }

  /** The same said of a way that is named already. */
  public Broken ofTheWay() {
    return new Broken(axisId, side, asked, cap, limitId, strength, source, until, reviewDue, null);
  }

  static Broken of(Caps.Cover cover, int asked, LocalDate day, @Nullable FloorWay way) {
    Limit limit = cover.limit();
    return new Broken(
        cover.axis().id,
        cover.side(),
        asked,
        cover.cap(),
        limit.id(),
        limit.strength(),
        limit.source(),
        limit.until(),
        limit.reviewDueOn(day),
        way);
  }
}
