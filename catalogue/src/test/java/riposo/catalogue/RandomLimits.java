package riposo.catalogue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import riposo.core.adapt.Situation;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Kit;

/** Seeded limit sets for the laws. */
final class RandomLimits {
  static final LocalDate DAY = LocalDate.of(2026, 11, 24);
  private final Random random;
  private final List<Axis> axes =
      Axis.all().stream().filter(a -> !a.id.startsWith("session.")).toList();

  RandomLimits(long seed) {
    random = new Random(seed);
  }

  Limit next() {
    Axis axis = axes.get(random.nextInt(axes.size()));
    Side side = axis.sided ? Side.values()[random.nextInt(3)] : Side.BOTH;
    return limit(axis.id, side, cap(axis));
  }

  /** A joint, balance or effort limit: the kinds that modifiers mend. */
  Limit mild() {
    List<Axis> some =
        axes.stream().filter(a -> a.id.startsWith("joint.") || a.id.startsWith("balance")).toList();
    Axis axis = some.get(random.nextInt(some.size()));
    return limit(axis.id, axis.sided ? Side.values()[random.nextInt(3)] : Side.BOTH, cap(axis));
  }

  private int cap(Axis axis) {
    return switch (axis.unit) {
      case CLOSED -> 0;
      case DEGREES -> random.nextInt(19) * 10;
      case GRAMS -> random.nextInt(10) * 500;
      case PERCENT -> random.nextInt(11) * 10;
      case SECONDS -> random.nextInt(60);
      default -> random.nextInt(axis.greatest + 1);
    };
  }

  List<Limit> some() {
    List<Limit> list = new ArrayList<>();
    int n = 1 + random.nextInt(5);
    for (int i = 0; i < n; i++) {
      list.add(random.nextBoolean() ? mild() : next());
    }
    return list;
  }

  Limit limit(String axis, Side side, int cap) {
    return new Limit(
        new UUID(random.nextLong(), random.nextLong()),
        axis,
        side,
        cap,
        random.nextBoolean() ? Strength.FIRM : Strength.ADVISED,
        "made up",
        DAY,
        null,
        null);
  }

  Set<Kit> kit() {
    Set<Kit> kit = EnumSet.allOf(Kit.class);
    if (random.nextInt(3) == 0) {
      kit.removeIf(k -> random.nextInt(3) == 0);
    }
    return kit;
  }

  <T> T pick(List<T> list) {
    return list.get(random.nextInt(list.size()));
  }

  static Situation all(List<Limit> limits) {
    return new Situation(Caps.on(DAY, limits), EnumSet.allOf(Kit.class), Map.of());
  }
}
