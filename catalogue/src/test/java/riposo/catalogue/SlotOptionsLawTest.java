package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.Performed;
import riposo.core.adapt.PlanAdapter;
import riposo.core.adapt.Situation;
import riposo.core.adapt.SlotOption;
import riposo.core.adapt.SlotOptions;
import riposo.core.adapt.Standing;
import riposo.core.adapt.TodayDose;
import riposo.core.dose.Dose;
import riposo.core.dose.Held;
import riposo.core.dose.Loads;
import riposo.core.dose.Weight;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.JointMotion;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;
import riposo.core.plan.Format;
import riposo.core.plan.Mobility;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.run.Change;
import riposo.core.run.RunSheet;
import riposo.core.run.RunSheets;
import riposo.core.today.TodayCheck;

/**
 * Easier, harder, another and lighter never pass a limit: every movement of the catalogue asked for
 * in a plan, for clients made up by chance.
 */
class SlotOptionsLawTest {
  private static final Catalogue CATALOGUE = CatalogueReader.shipped();
  private static final Adapter ADAPTER = new Adapter(CATALOGUE);
  private static final PlanAdapter PLANS = new PlanAdapter(ADAPTER);
  private static final UUID WHO = new UUID(0, 1);
  private static final int SLOTS = 6;

  private final Map<SlotOption.Kind, Integer> seen = new EnumMap<>(SlotOption.Kind.class);
  private int lighter;
  private int refused;
  private int bare;

  @Test
  void noOptionAndNoLighterWeightPassesALimit() {
    for (int seed = 0; seed < 6; seed++) {
      Random random = new Random(seed);
      List<Movement> all = new ArrayList<>(CATALOGUE.movements());
      Collections.shuffle(all, random);
      for (int i = 0; i < all.size(); i += SLOTS) {
        client(random, seed * 1000L + i, all.subList(i, Math.min(all.size(), i + SLOTS)));
      }
    }
    assertThat(seen.get(SlotOption.Kind.EASIER)).isGreaterThan(2000);
    assertThat(seen.get(SlotOption.Kind.HARDER)).isGreaterThan(300);
    assertThat(seen.get(SlotOption.Kind.SWAP)).isGreaterThan(1500);
    assertThat(lighter).isGreaterThan(200);
    assertThat(refused).isGreaterThan(200);
    assertThat(bare).isGreaterThan(100);
  }

  private void client(Random random, long seed, List<Movement> asked) {
    RandomLimits made = new RandomLimits(seed);
    List<Limit> limits = new ArrayList<>(made.some());
    if (random.nextInt(3) == 0) {
      limits.add(made.limit("session.overhead", Side.BOTH, random.nextInt(2)));
      limits.add(made.limit("session.push-over-pull", Side.BOTH, 0));
    }
    if (random.nextInt(4) == 0) {
      limits.add(made.limit("load.hand", Side.LEFT, 500 * random.nextInt(5)));
    }
    List<Slot> work = new ArrayList<>();
    for (Movement m : asked) {
      work.add(new Slot("s" + work.size(), m.id(), 90));
    }
    SessionPlan plan =
        SessionPlan.of(
            List.of(),
            work,
            random.nextBoolean() ? Format.intervals(40, 20, 2) : Format.inTurn(),
            List.of());
    Kitbag kit =
        new Kitbag(
            made.kit(),
            List.of(
                new Weight(1000, 2), new Weight(2000, 1 + random.nextInt(2)), new Weight(4000, 2)));
    Movement stood = asked.get(0);
    Map<String, Standing> standings =
        random.nextInt(3) > 0
            ? Map.of()
            : Map.of(
                stood.familyId(),
                new Standing(
                    stood.familyId(),
                    stood.id(),
                    CATALOGUE.family(stood.familyId()).rungs().get(0).id(),
                    null,
                    null,
                    null,
                    "EASE",
                    false,
                    RandomLimits.DAY.minusDays(3)));
    TodayDose today =
        random.nextInt(3) > 0
            ? TodayDose.AS_PLANNED
            : new TodayDose(TodayCheck.Dose.EASED, 3 + random.nextInt(3), true, true);
    ClientDay day =
        PLANS
            .day(WHO, Caps.on(RandomLimits.DAY, limits), kit, standings, Mobility.USUAL)
            .with(today);
    AdaptedPlan adapted = PLANS.adapt(plan, day, Map.of());
    Map<String, List<SlotOption>> options = new SlotOptions(ADAPTER).of(plan, adapted, day);
    Caps caps = today.caps(day.caps());
    for (SessionPlan.Asked a : plan.asked()) {
      AdaptedSlot slot =
          adapted.slots().stream()
              .filter(s -> s.slotKey().equals(a.key()))
              .findFirst()
              .orElseThrow();
      for (SlotOption o : options.getOrDefault(a.key(), List.of())) {
        seen.merge(o.kind(), 1, Integer::sum);
        Situation situation =
            new Situation(
                caps.raised(a.block().effortRaise(a.index())), kit.items(), day.ceilings());
        String as = "seed " + seed + ", " + a.slot().movementId() + " to " + o.parts();
        check(as, o, slot, situation, kit);
        for (Performed p : o.parts()) {
          assertThat(
                  Brute.broken(
                      ADAPTER.variant(p).demand(p.side()), limits, kit.items().contains(Kit.PAD)))
              .as(as)
              .isEmpty();
        }
      }
    }
    assertTheShouldersKeepTheirLimits(random, adapted, options, caps);
    RunSheet sheet =
        new RunSheets(CATALOGUE, ADAPTER).one(new UUID(0, 2), "P", plan, adapted, day, 6, 2);
    assertThatNoWeightTakenPassesACap(sheet, caps);
  }

  private void check(String as, SlotOption o, AdaptedSlot slot, Situation situation, Kitbag kit) {
    int now = difficulty(slot.result().parts());
    int then = difficulty(o.parts());
    assertThat(then)
        .as(as)
        .satisfies(
            d -> {
              switch (o.kind()) {
                case EASIER -> assertThat(d).isLessThan(now);
                case HARDER -> assertThat(d).isGreaterThan(now);
                case SWAP -> assertThat(d).isLessThanOrEqualTo(now);
              }
            });
    boolean floor =
        slot.result().parts().stream().anyMatch(p -> !p.isRest() && ADAPTER.variant(p).onFloor());
    int hold = situation.caps().cap(Axis.HOLD, Side.BOTH);
    for (int i = 0; i < o.parts().size(); i++) {
      Performed p = o.parts().get(i);
      Variant v = ADAPTER.variant(p);
      assertThat(ADAPTER.broken(p, situation.caps())).as(as).isEmpty();
      assertThat(ADAPTER.missing(p, situation)).as(as).isEmpty();
      assertThat(v.movement().rung())
          .as(as)
          .isLessThanOrEqualTo(
              situation.ceilings().containsKey(v.movement().familyId())
                  ? situation.ceilings().get(v.movement().familyId()).rung()
                  : Integer.MAX_VALUE);
      assertThat(v.onFloor()).as(as).isEqualTo(floor);
      Dose d = o.doses().get(i);
      if (d.holdSeconds() != null && !v.stretch()) {
        assertThat(d.holdSeconds()).as(as).isLessThanOrEqualTo(hold);
      }
      Held held = d.weight();
      if (held != null && held.heavier() > 0) {
        for (Side side : new Side[] {Side.LEFT, Side.RIGHT}) {
          int grams = side == Side.LEFT ? held.left() : held.right();
          assertThat(grams)
              .as(as)
              .isLessThanOrEqualTo(
                  Loads.capGrams(
                      v, p.side() == Side.BOTH ? side : p.side(), held.way(), situation.caps()))
              .matches(g -> g == 0 || kit.weights().stream().anyMatch(w -> w.grams() == g));
        }
      }
    }
  }

  /** Whatever is taken in whichever slots, the session's limits hold as they held before. */
  private static void assertTheShouldersKeepTheirLimits(
      Random random, AdaptedPlan adapted, Map<String, List<SlotOption>> options, Caps caps) {
    List<List<Performed>> before = new ArrayList<>();
    List<List<Performed>> after = new ArrayList<>();
    for (AdaptedSlot s : adapted.slots()) {
      List<SlotOption> may = options.getOrDefault(s.slotKey(), List.of());
      before.add(s.result().parts());
      after.add(
          may.isEmpty() || random.nextInt(4) == 0
              ? s.result().parts()
              : may.get(random.nextInt(may.size())).parts());
    }
    for (Axis axis : List.of(Axis.SESSION_OVERHEAD, Axis.SESSION_PUSH)) {
      int cap = caps.cap(axis, Side.BOTH);
      boolean overhead = axis == Axis.SESSION_OVERHEAD;
      if (cap != Integer.MAX_VALUE && asks(before, overhead) <= cap) {
        assertThat(asks(after, overhead)).as("%s: %s", axis.id, after).isLessThanOrEqualTo(cap);
      }
    }
  }

  private static int asks(List<List<Performed>> slots, boolean overhead) {
    int sum = 0;
    for (List<Performed> parts : slots) {
      boolean over = false;
      for (Performed p : parts) {
        if (!p.isRest()) {
          Variant v = ADAPTER.variant(p);
          over |= v.degrees(JointMotion.SHOULDER_ELEVATION) > 120;
          sum +=
              overhead
                  ? 0
                  : switch (v.movement().purpose()) {
                    case PUSH, PUSH_OVERHEAD -> 1;
                    case PULL -> -1;
                    default -> 0;
                  };
        }
      }
      sum += overhead && over ? 1 : 0;
    }
    return sum;
  }

  /** Of every weight of the kit: it is taken exactly where it is under the caps of that hand. */
  private void assertThatNoWeightTakenPassesACap(RunSheet sheet, Caps caps) {
    for (RunSheet.Slot slot : sheet.people().get(0).slots()) {
      for (RunSheet.Part part : slot.parts()) {
        Held held = part.dose().weight();
        if (held == null || part.form().movementId() == null) {
          continue;
        }
        Performed p =
            new Performed(
                part.form().side(),
                part.form().movementId(),
                part.form().modifiers(),
                part.form().range());
        for (int grams : part.weights()) {
          for (Side side : new Side[] {Side.LEFT, Side.RIGHT}) {
            if (p.side() != Side.BOTH && p.side() != side) {
              continue;
            }
            boolean none = p.modifiers().contains(Modifier.NO_WEIGHT);
            // what is open without a weight only takes none, whatever the hand could hold
            int cap = none ? 0 : Loads.capGrams(ADAPTER.variant(p), side, held.way(), caps);
            bare += none && !part.weights().isEmpty() ? 1 : 0;
            Change c = new Change(slot.key(), 2, side, Change.To.WEIGHT, null, grams, true);
            boolean taken = sheet.refuses(WHO, c) == null;
            assertThat(taken)
                .as("%s, %d g %s under %d", part.form(), grams, side, cap)
                .isEqualTo(grams <= cap);
            lighter += taken && grams < part.dose().grams() ? 1 : 0;
            refused += taken ? 0 : 1;
          }
        }
      }
    }
  }

  private static int difficulty(List<Performed> parts) {
    return parts.stream()
        .filter(p -> !p.isRest())
        .mapToInt(p -> CATALOGUE.movement(String.valueOf(p.movementId())).difficulty())
        .max()
        .orElse(0);
  }
}
