package riposo.core.adapt;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import riposo.core.dose.Dose;
import riposo.core.dose.Held;
import riposo.core.movement.Carry;
import riposo.core.movement.Kit;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;

/**
 * What an adapted plan takes: for what is done in its slots, in the form it is done in, and for the
 * stretches in its rests. The desk, the day sheet and whatever else names kit read this.
 *
 * @param needs each thing once, or things of which one will do
 * @param weights how many of each weight are wanted at once, lightest first
 */
public record PlanKit(List<Need> needs, List<Taken> weights) {
  /**
   * One thing.
   *
   * @param anyOf of which one will do
   * @param movements ids of what asks for it, in plan order
   */
  public record Need(Set<Kit> anyOf, List<String> movements) {
    public Need {
      anyOf = Set.copyOf(anyOf);
      movements = List.copyOf(movements);
    }
  }

  /**
   * A weight and how many of it are wanted at once.
   *
   * @param together two of them in one hand, as heavy together as that
   */
  public record Taken(int grams, int count, boolean together) {}

  public PlanKit {
    needs = List.copyOf(needs);
    weights = List.copyOf(weights);
  }

  /** The kit of a plan as it is done. */
  public static PlanKit of(AdaptedPlan plan, Adapter adapter) {
    Map<Set<Kit>, Set<String>> needs = new LinkedHashMap<>();
    Map<Integer, Integer> weights = new TreeMap<>();
    Set<Integer> together = new TreeSet<>();
    for (AdaptedSlot s : plan.slots()) {
      for (int i = 0; i < s.result().parts().size(); i++) {
        Performed p = s.result().parts().get(i);
        if (!p.isRest()) {
          Dose dose = s.doses().get(i);
          boolean held = weights(dose, weights, together);
          if (dose.beside() != null) {
            needs
                .computeIfAbsent(EnumSet.of(Kit.BAND), x -> new LinkedHashSet<>())
                .add(p.movementId());
          }
          add(needs, p, adapter.variant(p).movement(), held);
        }
      }
      RestStretch rest = s.stretch();
      Performed stretch = rest == null ? null : rest.form();
      if (stretch != null) {
        add(needs, stretch, adapter.variant(stretch).movement(), false);
      }
    }
    List<Need> all = new ArrayList<>();
    needs.forEach((any, by) -> all.add(new Need(any, List.copyOf(by))));
    all.sort(Comparator.comparing((Need n) -> n.anyOf().stream().sorted().toList().toString()));
    List<Taken> taken = new ArrayList<>();
    weights.forEach((grams, count) -> taken.add(new Taken(grams, count, false)));
    together.forEach(grams -> taken.add(new Taken(grams, 2, true)));
    return new PlanKit(all, taken);
  }

  /** What some movements would need as they are asked for, whatever is there. */
  public static List<Need> asked(List<Movement> movements) {
    Map<Set<Kit>, Set<String>> needs = new LinkedHashMap<>();
    for (Movement m : movements) {
      m.kit().forEach(any -> needs.computeIfAbsent(any, x -> new LinkedHashSet<>()).add(m.id()));
    }
    List<Need> all = new ArrayList<>();
    needs.forEach((any, by) -> all.add(new Need(any, List.copyOf(by))));
    return all;
  }

  private static void add(
      Map<Set<Kit>, Set<String>> needs, Performed p, Movement m, boolean weighed) {
    for (Set<Kit> any : m.kit()) {
      // a weight is named by what is printed on it
      if (!(weighed && any.equals(EnumSet.of(Kit.DUMBBELLS)))
          && !(p.modifiers().contains(Modifier.NO_WEIGHT) && any.contains(Kit.DUMBBELLS))) {
        needs.computeIfAbsent(any, x -> new LinkedHashSet<>()).add(m.id());
      }
    }
    for (Modifier x : p.modifiers()) {
      if (!x.anyOf.isEmpty()) {
        needs.computeIfAbsent(x.anyOf, k -> new LinkedHashSet<>()).add(m.id());
      }
    }
  }

  /** Adds the weights of a dose; true where it takes one. */
  private static boolean weights(Dose d, Map<Integer, Integer> weights, Set<Integer> together) {
    Held h = d.weight();
    if (h == null || h.heavier() == 0) {
      return h != null;
    }
    if (h.way() == Carry.TWO_IN_ONE) {
      together.add(h.heavier());
      return true;
    }
    if (h.differs()) {
      for (int g : new int[] {h.left(), h.right()}) {
        if (g > 0) {
          weights.merge(g, 1, Math::max);
        }
      }
      return true;
    }
    boolean two = h.way() == Carry.EACH_HAND || h.way() == Carry.THIGHS;
    weights.merge(h.heavier(), two ? 2 : 1, Math::max);
    return true;
  }
}
