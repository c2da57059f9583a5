package riposo.catalogue;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import riposo.core.limit.Act;
import riposo.core.limit.Axis;
import riposo.core.limit.FloorWay;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;

/** What a demand breaks, limit by limit, without the caps and covers that the search uses. */
final class Brute {
  private Brute() {}

  /** Every limit broken, those of the way to the floor included when no way is open. */
  static Set<UUID> broken(int[] demand, List<Limit> limits, boolean pad) {
    Set<UUID> broken = new LinkedHashSet<>();
    own(demand, limits).forEach(l -> broken.add(l.id()));
    if (demand[Axis.FLOOR_WAY.cell(Side.BOTH)] > 0) {
      List<Limit> all = new ArrayList<>();
      boolean open = false;
      for (FloorWay way : FloorWay.values()) {
        List<Limit> least = null;
        for (int[] one : way.demands(pad)) {
          List<Limit> these = own(one, limits);
          if (least == null || these.size() < least.size()) {
            least = these;
          }
        }
        open |= least.isEmpty();
        all.addAll(least);
      }
      if (!open) {
        all.forEach(l -> broken.add(l.id()));
      }
    }
    if (demand[Axis.RISE_ROLL.cell(Side.BOTH)] > 0) {
      List<Limit> roll =
          limits.stream().filter(l -> l.axis() == Axis.ROLL && l.cap() == 0).toList();
      if (roll.stream().anyMatch(l -> l.side().covers(Side.LEFT))
          && roll.stream().anyMatch(l -> l.side().covers(Side.RIGHT))) {
        roll.forEach(l -> broken.add(l.id()));
      }
    }
    if (demand[Axis.act(Act.FLOOR_TRAINING).cell(Side.BOTH)] > 0) {
      limits.stream()
          .filter(l -> l.strength() == Strength.FIRM)
          .filter(
              l ->
                  l.axis() == Axis.FLOOR_TRANSFER && l.cap() == 0
                      || l.axis() == Axis.COMPLEXITY && l.cap() < 3)
          .forEach(l -> broken.add(l.id()));
    }
    return broken;
  }

  /** Once for each side on which a limit is broken. */
  private static List<Limit> own(int[] demand, List<Limit> limits) {
    List<Limit> broken = new ArrayList<>();
    for (Limit l : limits) {
      Axis a = l.axis();
      if ((!a.sided || l.side().covers(Side.LEFT)) && demand[a.cell(Side.LEFT)] > l.cap()) {
        broken.add(l);
      }
      if (a.sided && l.side().covers(Side.RIGHT) && demand[a.cell(Side.RIGHT)] > l.cap()) {
        broken.add(l);
      }
    }
    return broken;
  }
}
