package riposo.catalogue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import riposo.core.adapt.Situation;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Condition;
import riposo.core.limit.Limit;
import riposo.core.limit.Proposal;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Kit;

/**
 * Limits as a table says them, parted by semicolons: an axis and its cap ("hold 20", "grip 1 left",
 * "joint.hip-flexion.any 90 F"), a condition with all it proposes ("FALLS", "KNEE right",
 * "STERNOTOMY 6 weeks"), or a week of pregnancy ("week 27").
 */
final class Said {
  static final LocalDate DAY = RandomLimits.DAY;

  private Said() {}

  static List<Limit> limits(String said) {
    List<Limit> all = new ArrayList<>();
    for (String one : said.isBlank() ? new String[0] : said.split(";")) {
      List<String> p = Arrays.asList(one.trim().split(" "));
      Side side = p.contains("left") ? Side.LEFT : p.contains("right") ? Side.RIGHT : Side.BOTH;
      if (p.get(0).equals("week")) {
        LocalDate begin = DAY.minusWeeks(Integer.parseInt(p.get(1)));
        of(all, Condition.pregnancy(begin::plusWeeks, begin.plusWeeks(40), false, false, DAY));
      } else if (Character.isUpperCase(p.get(0).charAt(0))) {
        int weeks = p.contains("weeks") ? Integer.parseInt(p.get(p.indexOf("weeks") - 1)) : 0;
        of(all, Condition.valueOf(p.get(0)).proposals(side, DAY, DAY.minusWeeks(weeks)));
      } else {
        all.add(
            limit(
                one.trim(),
                p.get(0),
                side,
                Integer.parseInt(p.get(1)),
                p.contains("F") ? Strength.FIRM : Strength.ADVISED));
      }
    }
    return all;
  }

  static void of(List<Limit> all, List<Proposal> proposals) {
    for (Proposal p : proposals) {
      all.add(
          new Limit(
              UUID.nameUUIDFromBytes((p.key() + p.from()).getBytes()),
              p.axisId(),
              p.side(),
              p.cap(),
              p.strength(),
              p.source(),
              p.from(),
              p.until(),
              null));
    }
  }

  private static Limit limit(String key, String axis, Side side, int cap, Strength strength) {
    return new Limit(
        UUID.nameUUIDFromBytes(key.getBytes()),
        Axis.of(axis).id,
        side,
        cap,
        strength,
        "table",
        DAY.minusYears(1),
        null,
        null);
  }

  /** With every kit there is, but a bed and a strap. */
  static Situation situation(String said) {
    return situation(said, Set.of(Kit.BED, Kit.STRAP));
  }

  static Situation situation(String said, Set<Kit> without) {
    Set<Kit> kit = EnumSet.allOf(Kit.class);
    kit.removeAll(without);
    return new Situation(Caps.on(DAY, limits(said)), kit, Map.of());
  }
}
