package riposo.core.plan;

import java.util.ArrayList;
import java.util.List;

/**
 * A remark of the checker: facts, worded elsewhere. Short warm-ups and cool-downs are flagged, not
 * refused (handbook 5).
 *
 * @param value what the plan has, in seconds or a count
 * @param wanted what the rule asks for
 */
public record PlanCheck(String rule, int value, int wanted) {
  public static final String WARM_UP_SHORT = "plan.warm-up-short";
  public static final String COOL_DOWN_SHORT = "plan.cool-down-short";
  public static final String FLOOR_TRIPS = "plan.floor-trips";

  /**
   * Checks a compiled plan: a warm-up of at least max(5 min, 15 % of the session), a third when the
   * session is under 15 min; a cool-down of at least 3 min; more than one trip to the floor.
   */
  public static List<PlanCheck> of(Timeline timeline) {
    List<PlanCheck> checks = new ArrayList<>();
    int warm = seconds(timeline, Block.WARM_UP);
    int cool = seconds(timeline, Block.COOL_DOWN);
    int total = timeline.total();
    int wanted = total < 900 ? (total + 2) / 3 : Math.max(300, (total * 15 + 99) / 100);
    if (warm < wanted) {
      checks.add(new PlanCheck(WARM_UP_SHORT, warm, wanted));
    }
    if (cool < 180) {
      checks.add(new PlanCheck(COOL_DOWN_SHORT, cool, 180));
    }
    if (timeline.floorTrips() > 1) {
      checks.add(new PlanCheck(FLOOR_TRIPS, timeline.floorTrips(), 1));
    }
    return checks;
  }

  private static int seconds(Timeline timeline, Block block) {
    return timeline.segments().stream()
        .filter(s -> s.block() == block)
        .mapToInt(Segment::length)
        .sum();
  }
}
