package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.Ceiling;
import riposo.core.group.Instead;
import riposo.core.group.KitPlan;
import riposo.core.group.KitShare;
import riposo.core.group.LaneSheet;
import riposo.core.group.Lanes;
import riposo.core.group.Participant;
import riposo.core.group.SmallGroups;
import riposo.core.kit.Band;
import riposo.core.kit.Room;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.plan.Format;
import riposo.core.plan.Mobility;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;

/** Lanes over the shipped catalogue, held to every sequence of sets on small groups. */
class LanesTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 25);
  private static final Catalogue ALL = CatalogueReader.shipped();

  @Test
  void everybodyFollowsALaneInAFormThatBreaksNothingOrIsNamed() {
    Adapter adapter = new Adapter(ALL);
    Lanes lanes = new Lanes(adapter);
    for (int seed = 0; seed < 25; seed++) {
      Random r = new Random(seed);
      List<Participant> people = SmallGroups.people(r, 5 + r.nextInt(8));
      SessionPlan plan = SmallGroups.plan(ALL, r, 6);
      int k = 2 + r.nextInt(3);
      LaneSheet sheet = lanes.plan(plan, people, k);
      assertThat(lanes.plan(plan, people, k)).as("same group, same lanes").isEqualTo(sheet);
      hold(adapter, people, sheet, seed);
      // somebody comes ten minutes before: the others keep theirs and nobody's limit is broken
      List<Participant> more = new ArrayList<>(people);
      more.add(SmallGroups.person(r, 99, EnumSet.allOf(Kit.class)));
      LaneSheet after = lanes.keep(plan, more, k, sheet);
      hold(adapter, more, after, seed);
      for (int t = 0; t < sheet.slots().size(); t++) {
        LaneSheet.SlotLanes was = sheet.slots().get(t);
        LaneSheet.SlotLanes now = after.slots().get(t);
        if (!now.changed()) {
          assertThat(now.follows()).as("seed %d", seed).containsAll(was.follows());
        }
        assertThat(now.alone().size())
            .as("seed %d: nobody is left out for the newcomer", seed)
            .isLessThanOrEqualTo(was.alone().size() + 1);
      }
      // and a person moved by hand follows that lane or is named with what it would break
      UUID who = people.get(0).id();
      int lane = r.nextInt(k);
      LaneSheet moved = lanes.moved(plan, people, sheet, Map.of(who, lane));
      hold(adapter, people, moved, seed);
      for (LaneSheet.SlotLanes s : moved.slots()) {
        if (s.shown().get(lane) != null && s.of(who) == null) {
          LaneSheet.Alone a =
              s.alone().stream().filter(x -> x.person().equals(who)).findFirst().orElseThrow();
          assertThat(
                  adapter.open(s.shown().get(lane), people.get(0).situation(0)) == null
                      || !people.get(0).ceilings().isEmpty())
              .isTrue();
          assertThat(a.own()).isNotNull();
        } else if (s.shown().get(lane) != null) {
          assertThat(s.of(who).lane()).isEqualTo(lane);
        }
      }
    }
  }

  private static void hold(Adapter a, List<Participant> people, LaneSheet sheet, int seed) {
    for (LaneSheet.SlotLanes s : sheet.slots()) {
      assertThat(s.follows().size() + s.alone().size()).isEqualTo(people.size());
      for (Participant p : people) {
        LaneSheet.Follow f = s.of(p.id());
        if (f == null) {
          assertThat(s.alone()).extracting(LaneSheet.Alone::person).contains(p.id());
          continue;
        }
        assertThat(a.broken(f.form(), p.caps())).as("seed %d, %s", seed, f).isEmpty();
        assertThat(a.missing(f.form(), p.situation(0))).isEmpty();
        assertThat(s.shown().get(f.lane())).isEqualTo(f.form().movementId());
        Ceiling c = p.ceilings().get(a.catalogue().movement(f.form().movementId()).familyId());
        assertThat(c == null || a.catalogue().movement(f.form().movementId()).rung() <= c.rung())
            .isTrue();
      }
    }
  }

  @Test
  void asManyLanesAsPeopleGiveEachTheirOwnBest() {
    Adapter adapter = new Adapter(ALL);
    Lanes lanes = new Lanes(adapter);
    for (int seed = 0; seed < 40; seed++) {
      Random r = new Random(seed);
      List<Participant> people = SmallGroups.people(r, 4);
      SessionPlan plan = SmallGroups.plan(ALL, r, 1);
      String asked = plan.allSlots().get(0).movementId();
      LaneSheet.SlotLanes s = lanes.plan(plan, people, 4).slots().get(0);
      for (Participant p : people) {
        long[] best = null;
        for (Adapter.StandIn c : adapter.standIns(asked)) {
          long[] x = SmallGroups.cost(adapter, c, p);
          if (x != null && (best == null || x[0] < best[0] || x[0] == best[0] && x[1] < best[1])) {
            best = x;
          }
        }
        LaneSheet.Follow f = s.of(p.id());
        if (best == null) {
          assertThat(f).isNull();
          continue;
        }
        String in = f.form().movementId();
        Adapter.StandIn c =
            adapter.standIns(asked).stream()
                .filter(x -> x.movement().id().equals(in))
                .findFirst()
                .orElseThrow();
        assertThat(SmallGroups.cost(adapter, c, p))
            .as("seed %d %s", seed, asked)
            .containsExactly(best);
      }
    }
  }

  @Test
  void aMixedGroupTurnsAFloorBlockIntoLanesByPosture() {
    Adapter adapter = new Adapter(ALL);
    List<Participant> people = new ArrayList<>();
    Random r = new Random(1);
    int[] kinds = {0, 0, 0, 1, 1, 1, 2, 2, 2};
    for (int i = 0; i < 9; i++) {
      people.add(
          new Participant(
              new UUID(2, i),
              Caps.on(DAY, SmallGroups.KINDS.get(kinds[i])),
              EnumSet.allOf(Kit.class),
              Map.of(),
              Map.of(),
              Mobility.USUAL));
    }
    SessionPlan plan =
        SessionPlan.of(
            List.of(),
            List.of(new Slot("s1", "floor-push-up", null), new Slot("s2", "supine-bridge", null)),
            Format.intervals(40, 20, 1),
            List.of());
    LaneSheet sheet = new Lanes(adapter).plan(plan, people, 3);
    for (LaneSheet.SlotLanes s : sheet.slots()) {
      assertThat(s.alone()).isEmpty();
      assertThat(s.shown()).as(s.askedId()).contains(s.askedId());
    }
    Map<Integer, Integer> sizes = new HashMap<>();
    sheet.home().values().forEach(l -> sizes.merge(l, 1, Integer::sum));
    assertThat(sizes.keySet()).hasSizeGreaterThanOrEqualTo(2);
    assertThat(r).isNotNull();
  }

  @Test
  void nobodyWithoutAWeightIsOfferedWhatALimitOrAVerdictCloses() {
    Adapter adapter = new Adapter(ALL);
    Lanes lanes = new Lanes(adapter);
    Room room =
        new Room(
            List.of(),
            List.of(new Room.Dumbbell(java.math.BigDecimal.ONE, Room.MassUnit.KG, 2)),
            List.of(),
            List.of(new Band("green", 150, List.of(new Band.Measured(100, 2000)), false, 3)),
            List.of(),
            true,
            90,
            Set.of(),
            List.of());
    Map<Instead.Kind, Integer> seen = new HashMap<>();
    for (int seed = 0; seed < 40; seed++) {
      Random r = new Random(seed);
      List<Participant> people = new ArrayList<>();
      for (Participant p : SmallGroups.people(r, 6)) {
        Map<String, Ceiling> stopped =
            r.nextBoolean() ? Map.of("pull", new Ceiling("pull", 0, DAY)) : Map.of();
        people.add(new Participant(p.id(), p.caps(), p.kit(), stopped, Map.of(), Mobility.USUAL));
      }
      SessionPlan plan =
          SessionPlan.of(
              List.of(),
              List.of(
                  new Slot("s0", "hinged-row", null),
                  new Slot("s1", "squat", null),
                  new Slot("s2", "curl", null)),
              Format.intervals(40, 20, 1),
              List.of());
      LaneSheet sheet = lanes.plan(plan, people, 3);
      KitPlan.of(adapter, plan, sheet, people, room)
          .values()
          .forEach(
              k -> {
                for (Instead i : k.instead()) {
                  seen.merge(i.kind(), 1, Integer::sum);
                  Participant who =
                      people.stream()
                          .filter(p -> p.id().equals(i.person()))
                          .findFirst()
                          .orElseThrow();
                  if (i.band() != null) {
                    String family = ALL.movement(i.band().movementId()).familyId();
                    assertThat(who.ceilings()).doesNotContainKey(family);
                    assertThat(adapter.broken(i.band(), who.caps())).isEmpty();
                  }
                }
                assertThat(k.shared().given()).hasSizeLessThanOrEqualTo(2);
              });
    }
    assertThat(seen).containsKeys(Instead.Kind.BAND, Instead.Kind.OTHER_ORDER);
  }

  @Test
  void impossibleGroupsAreRefused() {
    Lanes lanes = new Lanes(new Adapter(ALL));
    SessionPlan plan = SmallGroups.plan(ALL, new Random(1), 1);
    assertThatThrownBy(() -> lanes.plan(plan, List.of(), 3)).hasMessageContaining("1 to 32 people");
    assertThatThrownBy(() -> lanes.plan(plan, SmallGroups.people(new Random(1), 33), 3))
        .hasMessageContaining("this one has 33");
    assertThatThrownBy(() -> lanes.plan(plan, SmallGroups.people(new Random(1), 3), 5))
        .hasMessageContaining("2 to 4 lanes, was 5");
  }

  @Test
  void onePairOfTwoKilogramsForNinePeopleIsSharedAndTheRestAreNamed() {
    List<KitShare.Want> wants = new ArrayList<>();
    for (int i = 0; i < 9; i++) {
      wants.add(new KitShare.Want(new UUID(3, i), 2, 2000, i == 0 ? 1000 : Integer.MAX_VALUE));
    }
    List<KitShare.Stock> room =
        List.of(
            new KitShare.Stock(2000, "2 kg", 2, false),
            new KitShare.Stock(450, "full 400 g can", 6, true));
    KitShare.Shared s = KitShare.share(room, wants);
    assertThat(s.given()).hasSize(4);
    assertThat(s.without()).hasSize(5);
    assertThat(s.given().stream().filter(g -> g.stock().grams() == 2000)).hasSize(1);
    s.given()
        .forEach(
            g -> {
              KitShare.Want w =
                  wants.stream()
                      .filter(x -> x.person().equals(g.person()))
                      .findFirst()
                      .orElseThrow();
              assertThat(g.stock().grams()).isLessThanOrEqualTo(Math.min(2000, w.capGrams()));
            });
    assertThat(s.left()).isEmpty();
    // everybody is served where there is enough, dumbbells before cans
    List<KitShare.Want> seven = new ArrayList<>();
    for (int i = 0; i < 7; i++) {
      seven.add(new KitShare.Want(new UUID(5, i), 2, 1000, Integer.MAX_VALUE));
    }
    KitShare.Shared all =
        KitShare.share(
            List.of(
                new KitShare.Stock(1000, "1 kg", 8, false),
                new KitShare.Stock(2000, "2 kg", 8, false),
                new KitShare.Stock(450, "full 400 g can", 6, true)),
            seven);
    assertThat(all.without()).isEmpty();
    assertThat(all.given().stream().filter(g -> g.stock().standIn())).hasSize(3);
    // one-handed work takes single pieces of what the pairs leave
    KitShare.Shared one =
        KitShare.share(
            List.of(new KitShare.Stock(2000, "2 kg", 3, false)),
            List.of(
                new KitShare.Want(new UUID(4, 1), 2, 2000, 9000),
                new KitShare.Want(new UUID(4, 2), 1, 2000, 9000)));
    assertThat(one.without()).isEmpty();
    assertThat(Axis.LOAD_HAND.greatest).isPositive();
  }
}
