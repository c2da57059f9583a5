package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.ClientOrder;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.Performed;
import riposo.core.adapt.PlanAdapter;
import riposo.core.dose.Weight;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Condition;
import riposo.core.limit.Limit;
import riposo.core.limit.Proposal;
import riposo.core.limit.Side;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.movement.Movement;
import riposo.core.movement.Purpose;
import riposo.core.plan.Mobility;
import riposo.core.wording.Wording;

/**
 * Every condition's default limits alone, on each side, and in all pairs, against every starting
 * plan: no limit broken, no slot silent, few slots at rest.
 */
@Order(1) // the longest begins first: the others go beside it
class HostilePassTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 25);
  private static final Catalogue CATALOGUE = CatalogueReader.shipped();
  private static final Adapter ADAPTER = new Adapter(CATALOGUE);
  private static final PlanAdapter PLANS = new PlanAdapter(ADAPTER);
  private static final Wording WORDING = new Wording(CATALOGUE);
  private static final List<PlanDocument> STARTS = PlanDocument.shipped(CATALOGUE);
  private static final Kitbag KIT =
      new Kitbag(
          EnumSet.complementOf(
              EnumSet.of(
                  Kit.BIKE, Kit.CROSS_TRAINER, Kit.ARM_CYCLE, Kit.POOL, Kit.REBOUNDER, Kit.BED)),
          List.of(new Weight(500, 2), new Weight(1000, 2), new Weight(2000, 2)));

  private static Map<String, List<Limit>> conditions(Side side) {
    Map<String, List<Limit>> all = new LinkedHashMap<>();
    for (Condition c : Condition.values()) {
      all.put(c.name(), limits(c.proposals(side, DAY)));
    }
    for (int week : new int[] {12, 24, 34, 38}) {
      LocalDate begin = DAY.minusWeeks(week);
      all.put(
          "PREGNANCY_" + week,
          limits(Condition.pregnancy(begin::plusWeeks, begin.plusWeeks(40), false, false, DAY)));
    }
    return all;
  }

  private static List<Limit> limits(List<Proposal> proposals) {
    List<Limit> list = new ArrayList<>();
    Said.of(list, proposals);
    return list;
  }

  private int sets;
  private int slots;
  private int rests;
  private int halfRests;
  private int changed;
  private int same;
  private int ofFamily;
  private int otherFamily;
  private int breathing;
  private int tripsAdded;
  private int clockTrips;
  private int unmarked;
  private int marked;
  private final Map<String, Integer> breathingBy = new TreeMap<>();
  private final Map<String, Integer> restsBy = new TreeMap<>();

  private void hold(String what, List<Limit> limits) {
    Caps caps = Caps.on(DAY, limits).padded(true);
    Set<String> seen = new HashSet<>();
    for (PlanDocument start : STARTS) {
      AdaptedPlan a = PLANS.adapt(start.plan(), caps, KIT, Map.of(), Map.of(), Mobility.USUAL);
      assertThat(a.slots()).as(what).hasSize(start.plan().asked().size());
      tripsAdded += Math.max(0, trips(a.slots(), false) - trips(a.slots(), true));
      clockTrips += Math.max(0, a.timeline().floorTrips() - a.planned().floorTrips());
      repeats(a.slots());
      if (sets < 90) {
        orders(start, a, what);
      }
      for (AdaptedSlot s : a.slots()) {
        slots++;
        count(what, s);
        for (Performed p : s.result().parts()) {
          if (!p.isRest()) {
            int[] demand = ADAPTER.variant(p).demand(p.side());
            assertThat(Brute.broken(demand, caps.active(), true))
                .as("%s: %s in %s", what, p, start.name())
                .isEmpty();
            for (Limit l : caps.active()) {
              Axis axis = l.axis();
              for (Side side : new Side[] {Side.LEFT, Side.RIGHT}) {
                if (!axis.sided || l.side().covers(side)) {
                  assertThat(demand[axis.cell(side)])
                      .as("%s: %s in %s, %s", what, p, start.name(), axis)
                      .isLessThanOrEqualTo(l.cap());
                }
              }
            }
          }
        }
        boolean asAsked = s.result().asAsked();
        assertThat(asAsked || !WORDING.reasons(s).isEmpty())
            .as("%s: %s in %s says why", what, s.slotKey(), start.name())
            .isTrue();
        if (s.result().parts().stream().anyMatch(Performed::isRest)) {
          halfRests++;
        }
        if (s.result().allRest()) {
          rests++;
          if (seen.add(s.askedId())) {
            restsBy.merge(what + " " + s.purpose().words, 1, Integer::sum);
          }
        }
      }
    }
  }

  /** What became of a slot that could not be done as asked. */
  private void count(String what, AdaptedSlot s) {
    if (s.result().asAsked()) {
      return;
    }
    changed++;
    Movement asked = CATALOGUE.movement(s.askedId());
    List<Movement> done =
        s.result().parts().stream()
            .filter(p -> !p.isRest())
            .map(p -> CATALOGUE.movement(p.movementId()))
            .toList();
    if (done.stream().allMatch(asked::equals) && !done.isEmpty()) {
      same++;
    } else if (done.isEmpty()
        || done.stream().anyMatch(m -> m.purpose() == Purpose.BREATHING)
            && asked.purpose() != Purpose.BREATHING) {
      breathing++;
      breathingBy.merge(what, 1, Integer::sum);
    } else if (done.stream().allMatch(m -> m.familyId().equals(asked.familyId()))) {
      ofFamily++;
    } else {
      otherFamily++;
    }
  }

  /** An order offered has every slot once and fewer trips. */
  private static void orders(PlanDocument start, AdaptedPlan a, String what) {
    for (ClientOrder o : PLANS.orders(start.plan(), a)) {
      assertThat(new HashSet<>(o.order())).as(what).hasSameSizeAs(o.order());
      assertThat(o.found().after().floorTrips())
          .as("%s: %s", what, start.name())
          .isLessThan(o.found().before().floorTrips());
    }
  }

  private static int trips(List<AdaptedSlot> slots, boolean asked) {
    int trips = 0;
    boolean down = false;
    for (AdaptedSlot s : slots) {
      boolean floor =
          asked
              ? CATALOGUE.variants(CATALOGUE.movement(s.askedId())).get(0).onFloor()
              : s.result().parts().stream()
                  .anyMatch(p -> !p.isRest() && ADAPTER.variant(p).onFloor());
      trips += floor && !down ? 1 : 0;
      down = floor;
    }
    return trips;
  }

  /** The same form twice where two movements were asked for, and whether it is said. */
  private void repeats(List<AdaptedSlot> slots) {
    for (int i = 0; i < slots.size(); i++) {
      AdaptedSlot a = slots.get(i);
      boolean asAsked = a.result().asAsked();
      boolean twice = slots.stream().filter(b -> b.askedId().equals(a.askedId())).count() > 1;
      if (asAsked || twice || a.result().allRest()) {
        continue;
      }
      for (int j = 0; j < slots.size(); j++) {
        AdaptedSlot b = slots.get(j);
        if (j != i
            && !b.askedId().equals(a.askedId())
            && b.result().parts().equals(a.result().parts())
            && (j < i || b.result().asAsked())) {
          boolean said = a.turn() != null;
          marked += said ? 1 : 0;
          unmarked += said ? 0 : 1;
          break;
        }
      }
    }
  }

  @Test
  void noLimitIsBrokenAndNoSlotIsSilent() {
    for (Side side : Side.values()) {
      for (Map.Entry<String, List<Limit>> c : conditions(side).entrySet()) {
        hold(c.getKey() + " " + side, c.getValue());
        sets++;
      }
    }
    int alone = rests;
    int aloneSlots = slots;
    Map<String, List<Limit>> right = conditions(Side.RIGHT);
    Map<String, List<Limit>> left = conditions(Side.LEFT);
    List<String> names = List.copyOf(right.keySet());
    for (int i = 0; i < names.size(); i++) {
      for (int j = i + 1; j < names.size(); j++) {
        List<Limit> both = new ArrayList<>(right.get(names.get(i)));
        both.addAll((i + j) % 2 == 0 ? right.get(names.get(j)) : left.get(names.get(j)));
        hold(names.get(i) + "+" + names.get(j), both);
        sets++;
      }
    }
    double share = 100.0 * rests / slots;
    System.out.printf(
        "hostile pass: %d condition sets x %d plans, %d slots; rest and breathe %d (%.2f %%), alone"
            + " %d of %d; one side rests %d (%.2f %%)%n",
        sets,
        STARTS.size(),
        slots,
        rests,
        share,
        alone,
        aloneSlots,
        halfRests,
        100.0 * halfRests / slots);
    System.out.printf(
        "  of %d slots not as asked: the same movement eased %.2f %%, another of the family %.2f %%,"
            + " another family %.2f %%, breathing %d (%.3f %%)%n",
        changed,
        100.0 * same / changed,
        100.0 * ofFamily / changed,
        100.0 * otherFamily / changed,
        breathing,
        100.0 * breathing / changed);
    breathingBy.entrySet().stream()
        .sorted(Map.Entry.<String, Integer>comparingByValue().reversed())
        .limit(20)
        .forEach(e -> System.out.println("  breathing: " + e.getKey() + ": " + e.getValue()));
    System.out.printf(
        "  trips to the floor added: %d, on the clock with every round %d; repeats marked %d, unmarked"
            + " %d%n",
        tripsAdded, clockTrips, marked, unmarked);
    assertThat(tripsAdded).as("trips to the floor added").isZero();
    assertThat(clockTrips).as("trips added, every round counted").isZero();
    assertThat(unmarked).as("repeats not said").isZero();
    restsBy.entrySet().stream()
        .sorted(Map.Entry.<String, Integer>comparingByValue().reversed())
        .limit(12)
        .forEach(e -> System.out.println("  " + e.getKey() + ": " + e.getValue()));
    assertThat(share).isLessThan(2.0);
  }
}
