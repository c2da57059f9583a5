package riposo.core.adapt;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import riposo.core.dose.Dose;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.movement.Kit;

/**
 * An adapted plan as it stood once, with what it was reckoned from: enough to say later what has
 * changed and why.
 *
 * @param planVersion the plan's own number
 * @param kit the kit that was at hand
 * @param weights grams of each weight and how many there were
 */
public record PlanMark(
    LocalDate date,
    long planVersion,
    List<SlotMark> slots,
    List<Limit> limits,
    Set<Kit> kit,
    Map<Integer, Integer> weights,
    boolean eased,
    int totalSeconds) {

  /** One slot as it was resolved. */
  public record SlotMark(
      String key, String askedId, List<Performed> parts, Cost cost, List<Dose> doses) {}

  public PlanMark {
    slots = List.copyOf(slots);
    limits = List.copyOf(limits);
    kit = Set.copyOf(kit);
    weights = Map.copyOf(weights);
  }

  /**
   * Marks a plan just adapted.
   *
   * @param eased true when today's check had cut the dose
   */
  public static PlanMark of(
      AdaptedPlan plan, Caps caps, Kitbag kit, long planVersion, boolean eased) {
    Map<Integer, Integer> weights = new TreeMap<>();
    kit.weights().forEach(w -> weights.merge(w.grams(), w.count(), Integer::sum));
    return new PlanMark(
        plan.date(),
        planVersion,
        plan.slots().stream()
            .map(
                s ->
                    new SlotMark(
                        s.slotKey(), s.askedId(), s.result().parts(), s.result().cost(), s.doses()))
            .collect(Collectors.toList()),
        caps.active(),
        new TreeSet<>(kit.items()),
        weights,
        eased,
        plan.timeline().total());
  }
}
