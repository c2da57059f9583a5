package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.Performed;
import riposo.core.adapt.PlanAdapter;
import riposo.core.adapt.StairRung;
import riposo.core.adapt.Standing;
import riposo.core.dose.Weight;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Family;
import riposo.core.movement.Kit;
import riposo.core.movement.Movement;
import riposo.core.plan.Mobility;
import riposo.core.plan.SessionPlan;

/** The stair and the plan read the same client's day: what one closes the other never does. */
class StairAndPlanTest {
  private static final Catalogue CATALOGUE = CatalogueReader.shipped();
  private static final Adapter ADAPTER = new Adapter(CATALOGUE);
  private static final PlanAdapter PLANS = new PlanAdapter(ADAPTER);
  private static final List<SessionPlan> SHIPPED =
      PlanDocument.shipped(CATALOGUE).stream().map(PlanDocument::plan).toList();
  private static final int CLIENTS = 5000;

  private static ClientDay someone(long seed) {
    Random random = new Random(seed);
    RandomLimits limits = new RandomLimits(seed);
    List<Limit> all = new ArrayList<>(random.nextInt(4) == 0 ? List.of() : limits.some());
    if (random.nextInt(4) == 0) {
      all.add(limits.limit(Axis.EFFORT.id, Side.BOTH, 3 + random.nextInt(5)));
    }
    Map<String, Standing> standings = new HashMap<>();
    List<Family> families = List.copyOf(CATALOGUE.families());
    for (int i = 0; i < random.nextInt(5); i++) {
      Family f = families.get(random.nextInt(families.size()));
      Movement at = f.rungs().get(random.nextInt(f.rungs().size()));
      String[] verdicts = {"STAY", "STEP_UP", "EASE", "STOP_AND_REFER"};
      String verdict = verdicts[random.nextInt(4)];
      standings.put(
          f.id(),
          new Standing(
              f.id(),
              at.id(),
              at.id(),
              null,
              null,
              null,
              verdict,
              verdict.equals("STOP_AND_REFER"),
              RandomLimits.DAY));
    }
    Set<Kit> kit = limits.kit();
    return PLANS.day(
        new UUID(0, seed),
        Caps.on(RandomLimits.DAY, all),
        new Kitbag(kit.isEmpty() ? EnumSet.of(Kit.CHAIR) : kit, List.of(new Weight(2000, 2))),
        standings,
        Mobility.USUAL);
  }

  @Test
  void whatThePlanTakesIsOpenOnTheStairAndWhatIsOpenThereAsItStandsThePlanTakes() {
    int taken = 0;
    int asked = 0;
    for (int seed = 0; seed < CLIENTS; seed++) {
      ClientDay day = someone(seed);
      SessionPlan plan = SHIPPED.get(seed % SHIPPED.size());
      AdaptedPlan adapted = PLANS.adapt(plan, day, Map.of());
      Map<String, Integer> raise = new HashMap<>();
      plan.asked().forEach(a -> raise.put(a.key(), a.block().effortRaise(a.index())));
      for (AdaptedSlot slot : adapted.slots()) {
        int by = raise.get(slot.slotKey());
        for (Performed p : slot.result().parts()) {
          if (p.movementId() != null && p.side() == Side.BOTH) {
            StairRung rung = rung(p.movementId(), day, by);
            assertThat(rung.open())
                .as("client %d, %s: the plan takes %s", seed, slot.slotKey(), p)
                .isTrue();
            taken++;
          }
        }
        // nothing but limits, kit and verdicts keeps the plan from what is asked
        Movement m = CATALOGUE.movement(slot.askedId());
        StairRung here = rung(m.id(), day, by);
        boolean under =
            !day.ceilings().containsKey(m.familyId())
                || m.rung() <= day.ceilings().get(m.familyId()).rung();
        if (here.open() && here.modifiers().isEmpty() && under && slot.turn() == null) {
          Standing from = day.standings().get(m.familyId());
          if (from == null) {
            assertThat(slot.result().asAsked())
                .as("client %d, %s: %s is open on the stair", seed, slot.slotKey(), m.id())
                .isTrue();
            asked++;
          }
        }
        if (!here.open()) {
          assertThat(slot.result().parts())
              .as("client %d, %s: %s is closed on the stair", seed, slot.slotKey(), m.id())
              .noneMatch(p -> p.side() == Side.BOTH && m.id().equals(p.movementId()));
        }
      }
    }
    assertThat(taken).isGreaterThan(20_000);
    assertThat(asked).isGreaterThan(10_000);
  }

  private static StairRung rung(String movement, ClientDay day, int raise) {
    String family = CATALOGUE.movement(movement).familyId();
    return ADAPTER.stair(family, day.byHand(raise)).stream()
        .filter(r -> r.movementId().equals(movement))
        .findFirst()
        .orElseThrow();
  }
}
