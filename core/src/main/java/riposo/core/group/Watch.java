package riposo.core.group;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Position;
import riposo.core.movement.Variant;
import riposo.core.plan.Mobility;

/**
 * Why somebody needs watching in a slot: facts, worded elsewhere. House rules, no verdicts.
 *
 * @param kind what it is
 * @param axisId the axis at its limit; null where it is about the way there
 * @param side the side that is at its limit; both where both are, or the axis has none
 * @param value the demand, or seconds
 */
public record Watch(
    UUID person, String slotKey, Kind kind, @Nullable String axisId, Side side, int value) {
  /** Reasons to look. */
  public enum Kind {
    /** Slow in changing posture, and it takes longer than the rest: so many seconds more. */
    SLOW_CHANGE,
    /** Down to the floor or up from it, slowly. */
    FLOOR,
    /** Balance asked for right at what is allowed. */
    BALANCE_EDGE,
    /** A firm limit reached exactly. */
    FIRM_EDGE
  }

  /**
   * What to look for when a person does a variant.
   *
   * @param from the posture before; null at the start
   * @param rest seconds of rest before it
   */
  public static List<Watch> of(
      Participant who, String slotKey, Variant v, @Nullable Position from, int rest) {
    List<Watch> all = new ArrayList<>();
    if (from != null && who.mobility() == Mobility.SLOW) {
      int way = who.mobility().seconds(from, v.position());
      if (way > rest) {
        all.add(new Watch(who.id(), slotKey, Kind.SLOW_CHANGE, null, Side.BOTH, way - rest));
      }
      if (v.position().onFloor() != from.onFloor()) {
        all.add(new Watch(who.id(), slotKey, Kind.FLOOR, null, Side.BOTH, way));
      }
    }
    Caps caps = who.caps();
    int[] demand = v.whole();
    for (Axis a : new Axis[] {Axis.BALANCE, Axis.BALANCE_HELD}) {
      int asked = demand[a.cell(Side.BOTH)];
      if (asked > 0 && asked == caps.cap(a, Side.BOTH)) {
        all.add(new Watch(who.id(), slotKey, Kind.BALANCE_EDGE, a.id, Side.BOTH, asked));
      }
    }
    for (Limit l : caps.active()) {
      if (l.strength() != Strength.FIRM
          || l.cap() == 0
          || l.axis() == Axis.BALANCE
          || l.axis() == Axis.BALANCE_HELD) {
        continue;
      }
      List<Side> at =
          (l.axis().sided ? List.of(Side.LEFT, Side.RIGHT) : List.of(Side.BOTH))
              .stream()
                  .filter(s -> !l.axis().sided || l.side().covers(s))
                  .filter(s -> demand[l.axis().cell(s)] == l.cap())
                  .toList();
      if (!at.isEmpty()) {
        Side side = at.size() == 1 ? at.get(0) : Side.BOTH;
        all.add(new Watch(who.id(), slotKey, Kind.FIRM_EDGE, l.axisId(), side, l.cap()));
      }
    }
    return all;
  }
}
