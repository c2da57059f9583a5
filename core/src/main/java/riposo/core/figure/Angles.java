package riposo.core.figure;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import riposo.core.movement.Position;

/**
 * Joint angles of one moment, in degrees, and the posture they start from. Letters: t trunk leaning
 * ahead (sideways from the front), c spine rounding, n head, s shoulder, e elbow, h hip, k knee, f
 * ankle pointing; s, e, h, k and f take 1 for the near or working limb and 2 for the other.
 *
 * @param at another posture than the movement's; null for the movement's own
 */
public record Angles(@Nullable Position at, Map<String, Double> degrees) {
  private static final Pattern TOKEN = Pattern.compile("([tcnsehkf])([12]:)?(-?\\d{1,3})");
  private static final String PAIRED = "sehkf";

  public Angles {
    degrees = Map.copyOf(degrees);
  }

  /** Reads "t40 s1:90 k95 @chair"; throws {@link IllegalArgumentException} naming what is wrong. */
  public static Angles of(String text) {
    Position at = null;
    Map<String, Double> degrees = new LinkedHashMap<>();
    for (String token : text.trim().isEmpty() ? new String[0] : text.trim().split(" +")) {
      if (token.startsWith("@")) {
        at = Position.find(token.substring(1).toLowerCase(Locale.ROOT));
        if (at == null) {
          throw new IllegalArgumentException("unknown posture " + token);
        }
        continue;
      }
      Matcher m = TOKEN.matcher(token);
      if (!m.matches() || m.group(2) != null && !PAIRED.contains(m.group(1))) {
        throw new IllegalArgumentException("not an angle: " + token);
      }
      double value = Double.parseDouble(m.group(3));
      if (m.group(2) != null) {
        degrees.put(m.group(1) + m.group(2).charAt(0), value);
      } else if (PAIRED.contains(m.group(1))) {
        degrees.put(m.group(1) + "1", value);
        degrees.put(m.group(1) + "2", value);
      } else {
        degrees.put(m.group(1), value);
      }
    }
    return new Angles(at, degrees);
  }

  double get(String joint) {
    return degrees.getOrDefault(joint, 0.0);
  }

  /** These angles laid over those of a posture. */
  Angles over(Angles base) {
    Map<String, Double> all = new LinkedHashMap<>(base.degrees);
    all.putAll(degrees);
    return new Angles(at, all);
  }

  /** So many percent of the way to other angles of the same posture; exact at 0 and 100. */
  Angles toward(Angles end, int percent) {
    Map<String, Double> all = new LinkedHashMap<>();
    Set<String> joints = new LinkedHashSet<>(degrees.keySet());
    joints.addAll(end.degrees.keySet());
    for (String joint : joints) {
      double from = get(joint);
      double to = end.get(joint);
      all.put(joint, percent == 100 ? to : from + (to - from) * percent / 100);
    }
    return new Angles(end.at, all);
  }
}
