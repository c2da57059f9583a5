package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.Ceiling;
import riposo.core.adapt.ClientOrder;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.Performed;
import riposo.core.adapt.Pin;
import riposo.core.adapt.PlanAdapter;
import riposo.core.adapt.Situation;
import riposo.core.adapt.SlotResult;
import riposo.core.adapt.StairRung;
import riposo.core.adapt.Standing;
import riposo.core.dose.Dose;
import riposo.core.dose.Held;
import riposo.core.dose.Weight;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Family;
import riposo.core.movement.Kit;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Position;
import riposo.core.movement.Variant;
import riposo.core.plan.Format;
import riposo.core.plan.Mobility;
import riposo.core.plan.Segment;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.wording.DoseWords;
import riposo.core.wording.Wording;

/** Whole plans adapted over the shipped catalogue: standings, pins, doses, kit, stairs, words. */
class PlanAdaptationTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 24);
  private static final Catalogue CATALOGUE = CatalogueReader.shipped();
  private static final Adapter ADAPTER = new Adapter(CATALOGUE);
  private static final PlanAdapter PLANS = new PlanAdapter(ADAPTER);
  private static final Wording WORDS = new Wording(CATALOGUE);
  private static final Kitbag KIT =
      new Kitbag(
          EnumSet.allOf(Kit.class),
          List.of(new Weight(1000, 2), new Weight(2000, 2), new Weight(5000, 1)));

  private static SessionPlan plan(String... work) {
    List<Slot> slots = new ArrayList<>();
    for (String id : work) {
      slots.add(new Slot("s" + (slots.size() + 1), id, null));
    }
    return SessionPlan.of(
        List.of(new Slot("w1", "march", 300)),
        slots,
        Format.intervals(40, 20, 2),
        List.of(new Slot("c1", "seated-breathing", 180)));
  }

  private static final SessionPlan USUAL =
      plan("squat", "hinged-row", "floor-push-up", "overhead-press", "one-leg-stand");

  private static Limit limit(String axis, Side side, int cap, Strength strength) {
    return new Limit(
        UUID.nameUUIDFromBytes((axis + side + cap).getBytes()),
        axis,
        side,
        cap,
        strength,
        "test",
        DAY,
        null,
        null);
  }

  private static AdaptedPlan adapt(
      List<Limit> limits, Kitbag kit, Map<String, Standing> standings, Map<String, Pin> pins) {
    return PLANS.adapt(USUAL, Caps.on(DAY, limits), kit, standings, pins, Mobility.USUAL);
  }

  private static AdaptedSlot slot(AdaptedPlan plan, String key) {
    return plan.slots().stream().filter(s -> s.slotKey().equals(key)).findFirst().orElseThrow();
  }

  private static Standing standing(String family, String asked, String movement, Integer grams) {
    return new Standing(
        family, asked, movement, grams, null, null, "STEP_UP", false, DAY.minusDays(3));
  }

  @Test
  void nothingLimitedIsThePlanItself() {
    AdaptedPlan a = adapt(List.of(), KIT, Map.of(), Map.of());
    assertThat(a.slots()).allMatch(s -> s.result().asAsked());
    assertThat(a.timeline()).isEqualTo(a.planned());
    assertThat(a.slots()).allMatch(s -> WORDS.reasons(s).isEmpty());
  }

  @Test
  void anAcceptedVerdictIsWhatTheNextPlanStartsFromAndTheCeilingOfItsFamily() {
    Map<String, Standing> up =
        Map.of("sit-stand", standing("sit-stand", "squat", "goblet-squat", 2000));
    AdaptedSlot s = slot(adapt(List.of(), KIT, up, Map.of()), "s1");
    assertThat(s.result().parts().get(0).movementId()).isEqualTo("goblet-squat");
    assertThat(s.doses().get(0).grams()).isEqualTo(2000);
    assertThat(WORDS.reasons(s).get(0)).contains("21 Nov", "step up", "Goblet squat", "2 kg");

    Map<String, Standing> down =
        Map.of("sit-stand", standing("sit-stand", "squat", "counter-squat", null));
    AdaptedSlot eased = slot(adapt(List.of(), KIT, down, Map.of()), "s1");
    assertThat(eased.result().parts().get(0).movementId()).isEqualTo("counter-squat");
  }

  @Test
  void aVerdictOnAHarderAskDoesNotRaiseAGentlerPlan() {
    Map<String, Standing> far =
        Map.of("sit-stand", standing("sit-stand", "goblet-squat", "goblet-squat", 2000));
    assertThat(
            slot(adapt(List.of(), KIT, far, Map.of()), "s1").result().parts().get(0).movementId())
        .as("the plan asks for a squat, the verdict was reached on a goblet squat")
        .isEqualTo("squat");
  }

  @Test
  void aStoppedFamilyIsClosedWhateverThePinSays() {
    Standing stop =
        new Standing("sit-stand", "squat", "squat", null, null, null, "STOP_AND_REFER", true, DAY);
    Pin pin = new Pin("s1", List.of(new Performed(Side.BOTH, "squat", List.of(), 100)), Set.of());
    AdaptedSlot s = slot(adapt(List.of(), KIT, Map.of("sit-stand", stop), Map.of("s1", pin)), "s1");
    assertThat(s.released()).isTrue();
    for (Performed p : s.result().parts()) {
      assertThat(CATALOGUE.movement(String.valueOf(p.movementId())).familyId())
          .isNotEqualTo("sit-stand");
    }
  }

  @Test
  void anAcceptedEaseOutranksAChoicePinnedForAHarderRung() {
    Standing eased =
        new Standing("sit-stand", "squat", "counter-squat", null, null, null, "EASE", false, DAY);
    Pin pin = new Pin("s1", List.of(new Performed(Side.BOTH, "squat", List.of(), 100)), Set.of());
    AdaptedSlot s =
        slot(adapt(List.of(), KIT, Map.of("sit-stand", eased), Map.of("s1", pin)), "s1");
    assertThat(s.released()).isTrue();
    assertThat(s.result().parts().get(0).movementId()).isEqualTo("counter-squat");
  }

  @Test
  void aPinHoldsUntilALimitOrTheKitForbidsIt() {
    Pin pin =
        new Pin("s4", List.of(new Performed(Side.BOTH, "side-raise", List.of(), 100)), Set.of());
    assertThat(slot(adapt(List.of(), KIT, Map.of(), Map.of("s4", pin)), "s4").pinned()).isTrue();
    Limit firm = limit("joint.shoulder-elevation.any", Side.LEFT, 60, Strength.FIRM);
    AdaptedSlot closed = slot(adapt(List.of(firm), KIT, Map.of(), Map.of("s4", pin)), "s4");
    assertThat(List.of(closed.pinned(), closed.released())).isEqualTo(List.of(false, true));
    Kitbag bare = new Kitbag(Set.of(Kit.CHAIR), List.of());
    assertThat(slot(adapt(List.of(), bare, Map.of(), Map.of("s4", pin)), "s4").released()).isTrue();
  }

  /** In every family: a stop closes it whatever became of the movement it was reached at. */
  @Test
  void aStoppedFamilyStaysClosedThoughItsMovementLeftTheCatalogue() {
    for (Family f : CATALOGUE.families()) {
      Movement top = f.rungs().get(f.rungs().size() - 1);
      Standing stop =
          new Standing(
              f.id(),
              top.id(),
              "left-the-catalogue",
              null,
              null,
              null,
              "STOP_AND_REFER",
              true,
              DAY);
      Map<String, Standing> standings = Map.of(f.id(), stop);
      AdaptedPlan a =
          PLANS.adapt(
              plan(top.id()), Caps.on(DAY, List.of()), KIT, standings, Map.of(), Mobility.USUAL);
      assertThat(slot(a, "s1").result().parts())
          .as(f.id())
          .noneMatch(
              p ->
                  p.movementId() != null
                      && CATALOGUE.movement(p.movementId()).familyId().equals(f.id()));
      Situation s =
          new Situation(Caps.on(DAY, List.of()), KIT.items(), PLANS.firmCeilings(standings));
      assertThat(ADAPTER.stair(f.id(), s)).as("the stair").noneMatch(StairRung::open);
    }
  }

  @Test
  void anEasedFamilyIsHeldBelowWhatWasAskedThoughItsMovementLeftTheCatalogue() {
    Standing ease =
        new Standing("sit-stand", "squat", "left", null, null, null, "EASE", false, DAY);
    AdaptedPlan a = adapt(List.of(), KIT, Map.of("sit-stand", ease), Map.of());
    String done = slot(a, "s1").result().parts().get(0).movementId();
    assertThat(CATALOGUE.movement(done).rung()).isLessThan(CATALOGUE.movement("squat").rung());
  }

  @Test
  void aPinnedFormThatNoLongerExistsIsLetGo() {
    for (Performed gone :
        List.of(
            new Performed(Side.BOTH, "side-raise", List.of(Modifier.RECLINE), 100),
            new Performed(Side.BOTH, "side-raise", List.of(Modifier.RANGE), 5),
            new Performed(Side.BOTH, "no-such-movement", List.of(), 100))) {
      Pin pin = new Pin("s4", List.of(gone), Set.of());
      assertThat(slot(adapt(List.of(), KIT, Map.of(), Map.of("s4", pin)), "s4").released())
          .as("%s", gone)
          .isTrue();
    }
  }

  @Test
  void aReasonCoversOnlyTheAdvisedLimitsItWasGivenFor() {
    Limit advised = limit("joint.shoulder-elevation.any", Side.BOTH, 60, Strength.ADVISED);
    Limit other = limit("effort", Side.BOTH, 2, Strength.ADVISED);
    Limit firm = limit("joint.shoulder-elevation.any", Side.BOTH, 70, Strength.FIRM);
    Pin pin =
        new Pin(
            "s4",
            List.of(new Performed(Side.BOTH, "side-raise", List.of(), 100)),
            Set.of(advised.id(), firm.id()));
    assertThat(slot(adapt(List.of(advised), KIT, Map.of(), Map.of("s4", pin)), "s4").overridden())
        .isNotEmpty();
    assertThat(
            slot(adapt(List.of(advised, other), KIT, Map.of(), Map.of("s4", pin)), "s4").pinned())
        .isFalse();
    assertThat(slot(adapt(List.of(advised, firm), KIT, Map.of(), Map.of("s4", pin)), "s4").pinned())
        .as("no reason passes a firm limit")
        .isFalse();
  }

  @ParameterizedTest(name = "standing {0} g, hand cap {1} g, total cap {2} g: {3} g")
  @CsvSource({
    "2000, 100000, 200000, 2000",
    "2000, 1999, 200000, 1000",
    "2000, 100000, 3999, 1000",
    "2000, 999, 200000, 0",
    "5000, 100000, 200000, 2000"
  })
  void theLoadIsTheSmallerOfTargetAndCapRoundedDownToKit(int from, int hand, int total, int grams) {
    List<Limit> limits =
        List.of(
            limit("load.hand", Side.BOTH, hand, Strength.FIRM),
            limit("load.total", Side.BOTH, total, Strength.FIRM));
    Map<String, Standing> standings =
        Map.of("pull", standing("pull", "hinged-row", "hinged-row", from));
    AdaptedSlot s = slot(adapt(limits, KIT, standings, Map.of()), "s2");
    assertThat(s.result().parts().get(0).movementId()).isEqualTo("hinged-row");
    assertThat(s.doses().get(0).grams()).isEqualTo(grams);
  }

  @Test
  void noDoseEverPassesALoadCapOverRandomLimits() {
    for (int seed = 0; seed < 150; seed++) {
      RandomLimits random = new RandomLimits(9000 + seed);
      List<Limit> limits = new ArrayList<>(random.some());
      limits.add(random.limit("load.hand", Side.values()[seed % 3], 500 + 250 * (seed % 9)));
      limits.add(random.limit("load.overhead", Side.BOTH, 500 * (seed % 7)));
      limits.add(random.limit("load.from-floor", Side.BOTH, 500 * (seed % 5)));
      Caps caps = Caps.on(DAY, limits);
      AdaptedPlan a = PLANS.adapt(USUAL, caps, KIT, Map.of(), Map.of(), Mobility.SLOW);
      int at = 0;
      for (Segment g : a.timeline().segments()) {
        assertThat(g.start()).as("seed %d", seed).isEqualTo(at);
        at = g.endExclusive();
      }
      for (AdaptedSlot s : a.slots()) {
        for (int i = 0; i < s.doses().size(); i++) {
          Performed p = s.result().parts().get(i);
          Dose d = s.doses().get(i);
          if (d.grams() == null || d.grams() == 0) {
            continue;
          }
          Variant v = ADAPTER.variant(p);
          Held h = d.weight();
          assertThat(d.grams()).isEqualTo(h.heavier());
          if (p.side() != Side.RIGHT) {
            assertThat(h.left())
                .as("seed %d %s", seed, p)
                .isLessThanOrEqualTo(caps.cap(Axis.LOAD_HAND, Side.LEFT));
          }
          if (p.side() != Side.LEFT) {
            assertThat(h.right())
                .as("seed %d %s", seed, p)
                .isLessThanOrEqualTo(caps.cap(Axis.LOAD_HAND, Side.RIGHT));
          }
          int inAll = h.inAll();
          assertThat(inAll).isLessThanOrEqualTo(caps.cap(Axis.LOAD_TOTAL, Side.BOTH));
          if (v.overhead()) {
            assertThat(inAll).isLessThanOrEqualTo(caps.cap(Axis.LOAD_OVERHEAD, Side.BOTH));
          }
          if (v.onFloor() && !p.modifiers().contains(Modifier.HAND_OFF)) {
            assertThat(inAll).isLessThanOrEqualTo(caps.cap(Axis.LOAD_FROM_FLOOR, Side.BOTH));
          }
        }
      }
    }
  }

  @ParameterizedTest(name = "{0} under {1}: left {2}, right {3}")
  @CsvSource({
    "supine-dumbbell-press, load.hand 500 left, 500, 2000, right 2 kg",
    "supine-dumbbell-press, load.hand 0 left, 0, 2000, left no weight",
    "supine-dumbbell-press, grip 0 right, 2000, 0, right no weight",
    "supine-dumbbell-press, grip 1 right, 2000, 1000, right 1 kg",
    "overhead-press, load.hand 1500 right, 2000, 1000, left 2 kg",
    "curl, load.total 3000, 1000, 1000, 1 kg in each hand",
    "kick-back, load.hand 1000 left, 1000, 2000, right 2 kg",
    "curl, STROKE_SIDE left, 1000, 2000, left 1 kg",
    "curl, STERNOTOMY, 2000, 2000, 2 kg in each hand",
    "curl, STERNOTOMY; load.hand 1000 left, 1000, 1000, 1 kg in each hand",
    "seated-curl, TRUNK_NONE; load.hand 1000 left, 1000, 1000, 1 kg in each hand"
  })
  void aCapOnOneHandLeavesTheOtherItsWeight(
      String asked, String said, int left, int right, String words) {
    SessionPlan plan =
        SessionPlan.of(
            List.of(), List.of(new Slot("s", asked, null)), Format.intervals(40, 20, 1), List.of());
    Map<String, Standing> two = new HashMap<>();
    Movement m = CATALOGUE.movement(asked);
    two.put(
        m.familyId(),
        new Standing(m.familyId(), asked, asked, 2000, null, null, "STAY", false, DAY));
    List<Weight> pairs = List.of(new Weight(500, 2), new Weight(1000, 2), new Weight(2000, 2));
    AdaptedPlan a =
        PLANS.adapt(
            plan,
            Caps.on(DAY, Said.limits(said)),
            new Kitbag(EnumSet.complementOf(EnumSet.of(Kit.BED)), pairs),
            two,
            Map.of(),
            Mobility.USUAL);
    AdaptedSlot s = a.slots().get(0);
    assertThat(s.result().parts()).as("one part, a weight for each hand").hasSize(1);
    Held h = s.doses().get(0).weight();
    assertThat(List.of(h.left(), h.right())).isEqualTo(List.of(left, right));
    assertThat(DoseWords.dose(s.doses().get(0))).contains(words);
  }

  @Test
  void everySlotThatIsNotAsAskedSaysWhyOverRandomLimits() {
    for (int seed = 0; seed < 150; seed++) {
      RandomLimits random = new RandomLimits(4000 + seed);
      AdaptedPlan a =
          PLANS.adapt(
              USUAL,
              Caps.on(DAY, random.some()),
              new Kitbag(random.kit(), KIT.weights()),
              Map.of(),
              Map.of(),
              Mobility.USUAL);
      for (AdaptedSlot s : a.slots()) {
        if (!s.result().asAsked()) {
          assertThat(WORDS.reasons(s)).as("seed %d slot %s", seed, s.slotKey()).isNotEmpty();
        }
        assertThat(s.result().parts()).hasSize(s.doses().size());
        assertThat(s.doses()).allMatch(d -> !DoseWords.dose(d).isBlank());
      }
    }
  }

  @Test
  void liftingALimitAtMidnightOpensTheSlotTheNextDay() {
    Limit until =
        new Limit(
            UUID.randomUUID(),
            "joint.shoulder-elevation.any",
            Side.RIGHT,
            80,
            Strength.ADVISED,
            "test",
            DAY.minusDays(9),
            DAY,
            null);
    AdaptedPlan today =
        PLANS.adapt(USUAL, Caps.on(DAY, List.of(until)), KIT, Map.of(), Map.of(), Mobility.USUAL);
    AdaptedPlan next =
        PLANS.adapt(
            USUAL,
            Caps.on(DAY.plusDays(1), List.of(until)),
            KIT,
            Map.of(),
            Map.of(),
            Mobility.USUAL);
    assertThat(slot(today, "s4").result().parts()).hasSize(2);
    assertThat(slot(next, "s4").result().asAsked()).isTrue();
  }

  @Test
  void theSessionLimitAndTheWorkCapAreSaid() {
    AdaptedPlan a =
        adapt(
            List.of(
                limit("session.minutes", Side.BOTH, 15, Strength.ADVISED),
                limit("session.work-per-rest", Side.BOTH, 100, Strength.ADVISED),
                limit("effort", Side.BOTH, 5, Strength.ADVISED)),
            KIT,
            Map.of(),
            Map.of());
    assertThat(a.session()).hasSize(1);
    assertThat(Wording.broken(a.session()).get(0)).contains("limit 15 min");
    assertThat(List.of(a.workShare(), a.effortCap()))
        .isEqualTo(List.of(new AdaptedPlan.WorkShare(30, 60), 5));
    assertThat(a.timeline().total()).isGreaterThanOrEqualTo(300 + 5 * 2 * 60 + 180);
  }

  @Test
  void stairsGoUpOneRungAtATimeAndNameWhatClosesEach() {
    Situation s =
        new Situation(
            Caps.on(
                DAY,
                List.of(
                    limit("transfer.floor", Side.BOTH, 0, Strength.ADVISED),
                    limit("joint.shoulder-elevation.loaded", Side.RIGHT, 80, Strength.FIRM))),
            Set.of(Kit.CHAIR, Kit.WALL, Kit.COUNTER, Kit.MAT),
            Map.of("push", new Ceiling("push", CATALOGUE.movement("counter-push-up").rung(), DAY)));
    List<StairRung> stair = ADAPTER.stair("push", s);
    assertThat(stair).extracting(StairRung::rung).isSorted();
    Map<String, StairRung> by = new HashMap<>();
    stair.forEach(r -> by.put(r.movementId(), r));
    assertThat(by.get("counter-push-up").open()).isTrue();
    assertThat(by.get("wall-push-up").open()).as("85° on the right").isFalse();
    assertThat(by.get("wall-push-up").firm()).isTrue();
    assertThat(by.get("floor-push-up").broken())
        .extracting(b -> b.axisId())
        .contains("transfer.floor", "joint.shoulder-elevation.loaded");
    assertThat(by.get("supine-dumbbell-press").missing()).contains(Kit.DUMBBELLS);
    assertThat(by.get("chair-seat-push-up").above()).isNotNull();
    for (StairRung r : stair) {
      assertThat(r.open() || !r.broken().isEmpty() || !r.missing().isEmpty() || r.above() != null)
          .as(r.movementId())
          .isTrue();
    }
  }

  @Test
  void missingKitIsNamedAndStandInsAreFound() {
    SlotResult r =
        ADAPTER.resolve(
            "hinged-row", new Situation(Caps.open(DAY), Set.of(Kit.CHAIR, Kit.BAND), Map.of()));
    assertThat(r.parts().get(0).movementId()).isEqualTo("seated-band-row");
    assertThat(r.rejections().get(0).missing()).containsExactly(Kit.DUMBBELLS);
    assertThat(Wording.missing(r.rejections().get(0).missing(), Set.of())).contains("dumbbells");
  }

  private static AdaptedPlan work(String said, Kitbag kit, String... asked) {
    List<Slot> slots = new ArrayList<>();
    for (String id : asked) {
      slots.add(new Slot("s" + slots.size(), id, null));
    }
    return PLANS.adapt(
        SessionPlan.of(List.of(), slots, Format.intervals(40, 20, 1), List.of()),
        Caps.on(DAY, Said.limits(said)),
        kit,
        Map.of(),
        Map.of(),
        Mobility.USUAL);
  }

  @ParameterizedTest(name = "{0}: {1}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          seated-band-row seated-push-out | -
          seated-band-row seated-push-out seated-one-arm-press | asks for 1 of pushes beyond the pulls; limit 0
          seated-one-arm-press seated-band-row band-overhead-straighten | asks for 2 of slots with the arms overhead; limit 1
          seated-punch-up seated-one-arm-press seated-band-row | asks for 2 of slots with the arms overhead; limit 1
          seated-push-out seated-march | asks for 1 of pushes beyond the pulls; limit 0
          """)
  void wheelsAskForAsMuchPullAsPushAndOneSlotOverhead(String asked, String said) {
    AdaptedPlan a = work("WHEELCHAIR", KIT, asked.split(" "));
    List<String> words = Wording.broken(a.session());
    if (said.equals("-")) {
      assertThat(words).isEmpty();
    } else {
      assertThat(words).anyMatch(w -> w.startsWith(said));
    }
  }

  @Test
  void aSeatThatWaitsForAHeightAsksForItAndBlamesNoKit() {
    Set<Kit> noChair = EnumSet.allOf(Kit.class);
    noChair.remove(Kit.CHAIR);
    AdaptedSlot s =
        work("HIP_BACK", new Kitbag(noChair, List.of(), Set.of(Kit.CHAIR)), "seated-knee-extension")
            .slots()
            .get(0);
    assertThat(s.askedMissing()).containsExactly(Kit.CHAIR);
    assertThat(new Wording(CATALOGUE).reasons(s))
        .anyMatch(r -> r.contains("the knee height is not recorded"))
        .noneMatch(r -> r.contains("not in this kit"));
  }

  @Test
  void anOrderWithFewerTripsIsFoundForThisClient() {
    SessionPlan plan =
        SessionPlan.of(
            List.of(),
            List.of(
                new Slot("a", "supine-bridge", null),
                new Slot("b", "squat", null),
                new Slot("c", "side-lying-lift", null),
                new Slot("d", "hinged-row", null)),
            Format.intervals(40, 20, 1),
            List.of());
    AdaptedPlan a = PLANS.adapt(plan, Caps.open(DAY), KIT, Map.of(), Map.of(), Mobility.USUAL);
    List<ClientOrder> orders = PLANS.orders(plan, a);
    assertThat(orders).hasSize(1);
    ClientOrder o = orders.get(0);
    assertThat(o.order()).containsExactlyInAnyOrder(0, 1, 2, 3);
    assertThat(Math.abs(o.order().indexOf(0) - o.order().indexOf(2))).isEqualTo(1);
    assertThat(o.found().before().floorTrips() - o.found().after().floorTrips()).isEqualTo(1);
    AdaptedPlan noFloor =
        PLANS.adapt(
            plan,
            Caps.on(DAY, Said.limits("surface.floor 0")),
            KIT,
            Map.of(),
            Map.of(),
            Mobility.USUAL);
    assertThat(PLANS.orders(plan, noFloor)).as("this client never goes down").isEmpty();
  }

  @Test
  void aRangeCutNeverPassesItsCap() {
    for (Movement m : CATALOGUE.movements()) {
      for (int cap = 0; cap <= 180; cap += 7) {
        for (String motion :
            List.of("knee-flexion", "hip-flexion", "shoulder-elevation", "elbow-flexion")) {
          Caps caps =
              Caps.on(
                  DAY, List.of(limit("joint." + motion + ".any", Side.BOTH, cap, Strength.FIRM)));
          for (Variant plain : CATALOGUE.variants(m)) {
            CATALOGUE
                .shortened(plain, caps, Side.BOTH)
                .ifPresent(
                    v -> {
                      assertThat(v.range()).isBetween(m.leastRange(), 99);
                      assertThat(v.modifiers())
                          .contains(Modifier.RANGE)
                          .hasSizeLessThanOrEqualTo(Modifier.MOST);
                      if (!caps.forbids(v.whole())) {
                        assertThat(v.whole()[Axis.of("joint." + motion + ".any").cell(Side.LEFT)])
                            .isLessThanOrEqualTo(
                                caps.cap(Axis.of("joint." + motion + ".any"), Side.LEFT));
                      }
                    });
          }
        }
      }
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"squat", "goblet-squat", "overhead-press", "plank-row", "supine-bridge"})
  void modifiersThatDoNotFitAreRefused(String id) {
    Movement m = CATALOGUE.movement(id);
    for (Modifier x : Modifier.values()) {
      if (!m.modifiers().contains(x)) {
        assertThatThrownBy(() -> Variant.of(m, Set.of(x), 100)).hasMessageContaining(id);
      }
    }
    assertThatThrownBy(() -> Variant.of(m, Set.of(), 50)).hasMessageContaining("range");
  }

  @Test
  void everyMovementIsConsistent() {
    for (Family f : CATALOGUE.families()) {
      for (Movement m : f.rungs()) {
        assertThat(m.familyId()).isEqualTo(f.id());
        boolean weighted = m.loadKind() == LoadKind.DUMBBELL || m.loadKind() == LoadKind.BAND;
        assertThat(m.demands().leastGrams() > 0)
            .as(m.id() + " says the least weight")
            .isEqualTo(weighted);
        if (m.loadKind() == LoadKind.DUMBBELL) {
          assertThat(m.kit()).as(m.id()).anyMatch(any -> any.contains(Kit.DUMBBELLS));
        }
        if (m.position().onFloor()) {
          assertThat(m.kit()).as(m.id()).anyMatch(any -> any.contains(Kit.MAT));
        }
        assertThat(m.modifiers().contains(Modifier.PAD))
            .as(m.id() + " takes a pad where a knee rests")
            .isEqualTo(
                m.position() == Position.ALL_FOURS
                    || m.position() == Position.KNEELING
                    || m.position() == Position.HALF_KNEELING);
        if (m.demands().supported()) {
          assertThat(
                  m.position().height == 2
                      || m.position().height == 3
                      || m.position() == Position.HALF_KNEELING)
              .as(m.id())
              .isTrue();
        }
        assertThat(m.cues()).allMatch(c -> c.length() <= 80);
        assertThat(CATALOGUE.variants(m).get(0).modifiers()).isEmpty();
      }
    }
  }

  @Test
  void everyPurposeIsOpenSeatedWithNoFloorAndNoStanding() {
    List<Limit> seated =
        List.of(
            limit("surface.standing", Side.BOTH, 0, Strength.FIRM),
            limit("surface.floor", Side.BOTH, 0, Strength.FIRM));
    Situation s = new Situation(Caps.on(DAY, seated), EnumSet.allOf(Kit.class), Map.of());
    Set<riposo.core.movement.Purpose> open = EnumSet.noneOf(riposo.core.movement.Purpose.class);
    for (Movement m : CATALOGUE.movements()) {
      if (ADAPTER.open(m.id(), s) != null) {
        open.add(m.purpose());
      }
    }
    assertThat(open).containsExactlyInAnyOrder(riposo.core.movement.Purpose.values());
  }
}
