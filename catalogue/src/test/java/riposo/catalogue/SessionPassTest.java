package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.Alternative;
import riposo.core.adapt.Cost;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.Performed;
import riposo.core.adapt.Pin;
import riposo.core.adapt.PlanAdapter;
import riposo.core.adapt.Situation;
import riposo.core.adapt.SlotResult;
import riposo.core.adapt.Turn;
import riposo.core.dose.Weight;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.movement.Movement;
import riposo.core.plan.Format;
import riposo.core.plan.Mobility;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.wording.Wording;

/** The second pass over a session: nothing comes twice unsaid, and the floor stays together. */
class SessionPassTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 26);
  private static final Catalogue CATALOGUE = CatalogueReader.shipped();
  private static final Adapter ADAPTER = new Adapter(CATALOGUE);
  private static final PlanAdapter PLANS = new PlanAdapter(ADAPTER);
  private static final Kitbag KIT =
      new Kitbag(
          EnumSet.complementOf(EnumSet.of(Kit.BED)),
          List.of(new Weight(1000, 2), new Weight(2000, 2)));

  private static Limit limit(String axis, int cap) {
    return new Limit(
        UUID.nameUUIDFromBytes((axis + cap).getBytes()),
        axis,
        Side.BOTH,
        cap,
        Strength.ADVISED,
        "table",
        DAY,
        null,
        null);
  }

  private static AdaptedPlan adapt(List<Limit> limits, Map<String, Pin> pins, String... asked) {
    List<Slot> work = new ArrayList<>();
    for (String id : asked) {
      work.add(new Slot("s" + work.size(), id, null));
    }
    return PLANS.adapt(
        SessionPlan.of(List.of(), work, Format.intervals(40, 20, 1), List.of()),
        Caps.on(DAY, limits),
        KIT,
        Map.of(),
        pins,
        Mobility.USUAL);
  }

  @ParameterizedTest(name = "{1} and {2} without {0}: {4}, {3}")
  @CsvSource({
    // another of the same purpose and muscles is near: the second takes it
    "impact, march, rebounder-jog, VARIED, forward-back-walk, comes already",
    "surface.standing, seated-toes-heels, heel-raise-free, VARIED, band-foot-press, comes already",
    // none is: it comes twice and says so
    "impact, squat-tiptoes, squat-hop, REPEATED, squat-tiptoes, Comes twice",
  })
  void twoSlotsThatComeToTheSameAreVariedWhereSomethingIsNearAndSaid(
      String closed, String first, String second, Turn.Kind kind, String done, String said) {
    List<Limit> limits = List.of(limit(closed, 0));
    AdaptedPlan a = adapt(limits, Map.of(), first, second);
    AdaptedSlot later = a.slots().get(1);
    assertThat(a.slots().get(0).turn()).as("done as asked, fixed").isNull();
    assertThat(ADAPTER.resolve(second, situation(limits)).parts().get(0).movementId())
        .as("by itself it would repeat")
        .isEqualTo(first);
    assertThat(later.turn().kind()).isEqualTo(kind);
    assertThat(later.turn().own().get(0).movementId()).isEqualTo(first);
    assertThat(later.turn().otherKey()).isEqualTo(a.slots().get(0).slotKey());
    assertThat(later.result().parts().get(0).movementId()).isEqualTo(done);
    assertThat(new Wording(CATALOGUE).reasons(later)).anyMatch(r -> r.contains(said));
  }

  @Test
  void whatIsAskedTwiceOrChosenByHandStays() {
    List<Limit> noImpact = List.of(limit("impact", 0));
    AdaptedPlan twice = adapt(noImpact, Map.of(), "squat-hop", "squat-hop");
    assertThat(twice.slots()).allMatch(s -> s.turn() == null);
    assertThat(twice.slots().get(0).result().parts())
        .isEqualTo(twice.slots().get(1).result().parts());
    String pinnedKey = twice.slots().get(1).slotKey();
    Pin pin =
        new Pin(
            pinnedKey,
            List.of(new Performed(Side.BOTH, "squat-tiptoes", List.of(), 100)),
            Set.of());
    AdaptedPlan pinned = adapt(noImpact, Map.of(pinnedKey, pin), "squat-tiptoes", "squat-hop");
    assertThat(pinned.slots().get(1).pinned()).isTrue();
    assertThat(pinned.slots().get(1).turn()).isNull();
  }

  @Test
  void floorWorkThatALimitWouldSplitIsKeptTogether() {
    // the hold closes nothing else: plank between two floor slots
    AdaptedPlan a =
        adapt(
            List.of(limit("pressure", 1)),
            Map.of(),
            "supine-bridge",
            "forearm-plank",
            "side-lying-lift");
    assertThat(trips(a)).isEqualTo(1);
  }

  @Test
  void onceUpStaysUpWhereThatIsAskedFor() {
    String[] asked = {"supine-bridge", "squat", "side-lying-lift", "hinged-row", "dead-bug"};
    assertThat(trips(adapt(List.of(), Map.of(), asked))).isEqualTo(3);
    List<Slot> work = new ArrayList<>();
    for (String id : asked) {
      work.add(new Slot("s" + work.size(), id, null));
    }
    AdaptedPlan up =
        PLANS.adapt(
            SessionPlan.of(List.of(), work, Format.intervals(40, 20, 1), List.of()),
            Caps.open(DAY).with(new Caps.Floor(true, Set.of(), false, true)),
            KIT,
            Map.of(),
            Map.of(),
            Mobility.USUAL);
    assertThat(trips(up)).isEqualTo(1);
    assertThat(up.slots().get(0).result().asAsked()).as("the first is done as asked").isTrue();
    AdaptedSlot later = up.slots().get(2);
    assertThat(CATALOGUE.movement(later.result().parts().get(0).movementId()).purpose())
        .isEqualTo(CATALOGUE.movement("side-lying-lift").purpose());
    assertThat(new Wording(CATALOGUE).reasons(later)).anyMatch(r -> r.contains("once up, stay up"));
  }

  /** Round after round: neither may a wish to stay up be passed nor a limit add a trip a round. */
  @Test
  void everyRoundIsCounted() {
    List<Slot> floor =
        List.of(new Slot("a", "supine-bridge", null), new Slot("b", "forearm-plank", null));
    SessionPlan lying = SessionPlan.of(List.of(), floor, Format.intervals(40, 20, 3), List.of());
    AdaptedPlan eased = rounds(lying, Caps.on(DAY, List.of(limit("pressure", 1))));
    assertThat(eased.timeline().floorTrips()).isLessThanOrEqualTo(eased.planned().floorTrips());
    List<Slot> mixed = List.of(floor.get(0), new Slot("c", "squat", null));
    SessionPlan both = SessionPlan.of(List.of(), mixed, Format.intervals(40, 20, 3), List.of());
    Caps wish = Caps.open(DAY).with(new Caps.Floor(true, Set.of(), false, true));
    assertThat(rounds(both, Caps.open(DAY)).timeline().floorTrips()).isGreaterThan(1);
    assertThat(rounds(both, wish).timeline().floorTrips()).isZero();
    assertThat(rounds(lying, wish).slots())
        .as("nobody gets up")
        .allMatch(s -> s.result().asAsked());
  }

  private static AdaptedPlan rounds(SessionPlan plan, Caps caps) {
    return PLANS.adapt(plan, caps, KIT, Map.of(), Map.of(), Mobility.USUAL);
  }

  private static int trips(AdaptedPlan a) {
    int trips = 0;
    boolean down = false;
    for (AdaptedSlot s : a.slots()) {
      boolean floor = floor(s.result().parts());
      trips += floor && !down ? 1 : 0;
      down = floor;
    }
    return trips;
  }

  private static boolean floor(List<Performed> parts) {
    return parts.stream().anyMatch(p -> !p.isRest() && ADAPTER.variant(p).onFloor());
  }

  private static Situation situation(List<Limit> limits) {
    return new Situation(Caps.on(DAY, limits), KIT.items(), Map.of());
  }

  private static List<Limit> some(Random r) {
    List<Axis> axes = Axis.all();
    List<Limit> all = new ArrayList<>();
    for (int i = 0; i < 1 + r.nextInt(4); i++) {
      Axis a = axes.get(r.nextInt(axes.size()));
      all.add(limit(a.id, r.nextInt(Math.min(a.greatest, 100) + 1)));
    }
    return all;
  }

  /** Over seeded sessions: each slot keeps its own cost, and what is moved is moved by the rule. */
  @Test
  void everySlotKeepsItsOwnCostAndMovesOnlyByTheRule() {
    List<Movement> all = CATALOGUE.movements();
    int varied = 0;
    int repeated = 0;
    for (int seed = 0; seed < 3_000; seed++) {
      Random r = new Random(seed);
      List<Limit> limits = some(r);
      String[] asked = new String[6];
      String purpose = all.get(r.nextInt(all.size())).purpose().id();
      List<Movement> near = all.stream().filter(m -> m.purpose().id().equals(purpose)).toList();
      for (int i = 0; i < asked.length; i++) {
        asked[i] = (i % 2 == 0 ? near : all).get(r.nextInt((i % 2 == 0 ? near : all).size())).id();
      }
      AdaptedPlan a = adapt(limits, Map.of(), asked);
      assertThat(a.slots()).isEqualTo(adapt(limits, Map.of(), asked).slots());
      Set<List<Performed>> before = new HashSet<>();
      for (AdaptedSlot s : a.slots()) {
        SlotResult own = ADAPTER.resolve(s.askedId(), situation(limits));
        assertThat(s.result().cost()).as("seed %d", seed).isEqualTo(own.cost());
        Turn t = s.turn();
        if (t == null) {
          assertThat(s.result().parts()).isEqualTo(own.parts());
        } else {
          assertThat(t.own()).isEqualTo(own.parts());
          assertThat(s.result().parts()).isEqualTo(t.parts());
          for (Performed p : t.parts()) {
            assertThat(ADAPTER.broken(p, situation(limits).caps())).as("seed %d", seed).isEmpty();
          }
          if (t.kind() == Turn.Kind.VARIED) {
            varied++;
            assertThat(t.cost().purpose()).isEqualTo(own.cost().purpose());
            assertThat(t.cost().muscles()).isEqualTo(own.cost().muscles());
            assertThat(t.cost().distance() - own.cost().distance()).isLessThanOrEqualTo(60);
            assertThat(before).as("seed %d: untaken", seed).doesNotContain(t.parts());
            assertThat(floor(own.parts()) || !floor(t.parts())).isTrue();
          }
          repeated += t.kind() == Turn.Kind.REPEATED ? 1 : 0;
        }
        before.add(s.result().parts());
      }
    }
    assertThat(varied).isGreaterThan(50);
    assertThat(repeated).isGreaterThan(10);
  }

  private record Way(int purpose, int trips, int repeats, Cost cost) implements Comparable<Way> {
    @Override
    public int compareTo(Way o) {
      return Comparator.comparingInt(Way::purpose)
          .thenComparingInt(Way::trips)
          .thenComparingInt(Way::repeats)
          .thenComparing(Way::cost)
          .compare(this, o);
    }
  }

  /** Against every combination there is, on runs of three and four floor slots. */
  @Test
  void keepingTheFloorTogetherIsExact() {
    List<Movement> floor =
        CATALOGUE.movements().stream().filter(m -> CATALOGUE.variants(m).get(0).onFloor()).toList();
    int searched = 0;
    for (int seed = 0; seed < 6_000; seed++) {
      Random r = new Random(seed);
      List<Limit> limits = some(r);
      Situation s = situation(limits);
      List<String> asked = new ArrayList<>();
      while (asked.size() < 3 + seed % 2) {
        Movement m = floor.get(r.nextInt(floor.size()));
        if (!asked.contains(m.id())) {
          asked.add(m.id());
        }
      }
      List<AdaptedSlot> done = adapt(limits, Map.of(), asked.toArray(String[]::new)).slots();
      if (done.stream().noneMatch(a -> a.turn() != null && a.turn().kind() == Turn.Kind.TOGETHER)) {
        continue;
      }
      searched++;
      List<Alternative> chosen =
          done.stream()
              .map(
                  a ->
                      new Alternative(
                          a.result().parts(),
                          a.turn() == null ? a.result().cost() : a.turn().cost()))
              .toList();
      assertThat(way(chosen)).as("seed %d", seed).isEqualTo(best(done, s));
    }
    assertThat(searched).isGreaterThan(20);
  }

  private static Way best(List<AdaptedSlot> run, Situation s) {
    List<List<Alternative>> options = new ArrayList<>();
    for (AdaptedSlot a : run) {
      SlotResult alone = ADAPTER.resolve(a.askedId(), s);
      Turn t = a.turn();
      Alternative own =
          t != null && t.kind() == Turn.Kind.VARIED
              ? new Alternative(t.parts(), t.cost())
              : new Alternative(alone.parts(), alone.cost());
      List<Alternative> mine = new ArrayList<>(List.of(own));
      if (!alone.asAsked() && !alone.allRest()) {
        List<Performed> have = own.parts();
        List<Alternative> others =
            ADAPTER.options(a.askedId(), s).stream().filter(o -> !o.parts().equals(have)).toList();
        mine.addAll(others.stream().limit(5).toList());
        boolean down = floor(have);
        if (mine.stream().noneMatch(o -> floor(o.parts()) != down)) {
          mine.subList(Math.min(mine.size(), 5), mine.size()).clear();
          others.stream().filter(o -> floor(o.parts()) != down).findFirst().ifPresent(mine::add);
        }
      }
      options.add(mine);
    }
    Way[] least = new Way[1];
    pick(options, new ArrayList<>(), least);
    return least[0];
  }

  private static void pick(List<List<Alternative>> options, List<Alternative> now, Way[] least) {
    if (now.size() == options.size()) {
      Way w = way(now);
      least[0] = least[0] == null || w.compareTo(least[0]) < 0 ? w : least[0];
      return;
    }
    for (Alternative a : options.get(now.size())) {
      now.add(a);
      pick(options, now, least);
      now.remove(now.size() - 1);
    }
  }

  private static Way way(List<Alternative> done) {
    int trips = 0;
    int repeats = 0;
    boolean down = false;
    Cost cost = Cost.NONE;
    int purpose = 0;
    for (int i = 0; i < done.size(); i++) {
      List<Performed> parts = done.get(i).parts();
      boolean on = floor(parts);
      trips += on && !down ? 1 : 0;
      down = on;
      repeats += done.subList(0, i).stream().anyMatch(a -> a.parts().equals(parts)) ? 1 : 0;
      cost = cost.plus(done.get(i).cost());
      purpose += done.get(i).cost().purpose();
    }
    return new Way(purpose, trips, repeats, cost);
  }
}
