package riposo.core.plan;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.movement.Movement;
import riposo.core.movement.Purpose;

/**
 * What a plan comes to, in seconds of work.
 *
 * @param left seconds of one-sided work on the left, recorded extra work left out; right likewise
 * @param both seconds of work that is not one-sided
 * @param extra seconds of recorded extra work for one side
 * @param alone seconds of work that is asked for on one side only, left out of both
 */
public record PlanTotals(
    Map<Region, Integer> regions,
    Map<Purpose, Integer> purposes,
    int left,
    int right,
    int both,
    int extra,
    int alone) {

  /** Adds up a compiled plan; a movement that is not found counts for no region. */
  public static PlanTotals of(
      SessionPlan plan, Timeline timeline, Function<String, @Nullable Movement> movements) {
    Map<String, Movement> by = new HashMap<>();
    Set<String> only = new HashSet<>();
    for (SessionPlan.Asked a : plan.asked()) {
      Movement m = movements.apply(a.slot().movementId());
      if (m != null) {
        by.put(a.key(), m);
      }
      if (a.slot().sides() == Sides.ONE_ONLY) {
        only.add(a.key());
      }
    }
    EnumMap<Region, Integer> regions = new EnumMap<>(Region.class);
    EnumMap<Purpose, Integer> purposes = new EnumMap<>(Purpose.class);
    int left = 0;
    int right = 0;
    int both = 0;
    int extra = 0;
    int alone = 0;
    for (Segment g : timeline.segments()) {
      if (g.kind() != Segment.Kind.WORK) {
        continue;
      }
      Movement m = by.get(g.slotKey());
      if (m != null) {
        regions.merge(Region.of(m), g.length(), Integer::sum);
        purposes.merge(m.purpose(), g.length(), Integer::sum);
      }
      if (g.extra()) {
        extra += g.length();
      } else if (only.contains(g.slotKey()) && g.side() != Side.BOTH) {
        alone += g.length();
      } else if (g.side() == Side.LEFT) {
        left += g.length();
      } else if (g.side() == Side.RIGHT) {
        right += g.length();
      } else {
        both += g.length();
      }
    }
    return new PlanTotals(regions, purposes, left, right, both, extra, alone);
  }

  /** Repetitions of each arm in a phrase: 8 x (left, right, both) are 16. */
  public static int phraseReps(Format f, Side side) {
    long per = f.phrase().stream().filter(s -> s == side || s == Side.BOTH).count();
    return (int) per * f.get(Param.REPEATS);
  }
}
