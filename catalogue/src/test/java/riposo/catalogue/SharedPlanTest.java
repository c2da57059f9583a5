package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.Performed;
import riposo.core.adapt.PlanAdapter;
import riposo.core.adapt.SharedPlan;
import riposo.core.adapt.SlotOption;
import riposo.core.adapt.SlotOptions;
import riposo.core.adapt.TodayDose;
import riposo.core.dose.Dose;
import riposo.core.dose.Held;
import riposo.core.dose.Loads;
import riposo.core.dose.Weight;
import riposo.core.group.LaneSheet;
import riposo.core.group.Lanes;
import riposo.core.group.Participant;
import riposo.core.group.SmallGroups;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.movement.Variant;
import riposo.core.plan.Format;
import riposo.core.plan.Mobility;
import riposo.core.plan.Segment;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.plan.Timeline;
import riposo.core.today.TodayCheck;

/** A plan on the one clock of a group, over the shipped catalogue. */
class SharedPlanTest {
  private static final Catalogue ALL = CatalogueReader.shipped();
  private static final Adapter ADAPTER = new Adapter(ALL);
  private static final PlanAdapter PLANS = new PlanAdapter(ADAPTER);
  private static final SharedPlan SHARED = new SharedPlan(ADAPTER);
  private static final int FREE = Integer.MAX_VALUE;

  /** Everybody made up, checked or cut, in whatever lane: no limit, cap or ceiling is passed. */
  @Test
  void nobodyPassesALimitOfTheirDayOnTheSharedClock() {
    int options = 0;
    int cut = 0;
    for (int seed = 0; seed < 12; seed++) {
      Random r = new Random(seed);
      RandomLimits made = new RandomLimits(seed);
      SessionPlan plan = SmallGroups.plan(ALL, r, 5);
      Map<UUID, ClientDay> days = new LinkedHashMap<>();
      List<Participant> people = new ArrayList<>();
      for (int i = 0; i < 4; i++) {
        ClientDay day = Participant.shared(day(new UUID(0, i), made, r));
        days.put(day.clientId(), day);
        people.add(Participant.of(SHARED.checked(plan, day)));
      }
      LaneSheet lanes = new Lanes(ADAPTER).plan(plan, people, 3);
      Map<UUID, Map<String, List<Performed>>> does = does(lanes);
      List<SharedPlan.Doer> doers =
          days.values().stream()
              .map(d -> new SharedPlan.Doer(d.mobility(), does.get(d.clientId())))
              .toList();
      SharedPlan.Clock clock = SHARED.clock(plan, doers, FREE);
      for (ClientDay day : days.values()) {
        SharedPlan.Mine mine =
            SHARED.of(plan, day, does.get(day.clientId()), Map.of(), Map.of(), clock, false);
        cut += day.today().cut() ? 1 : 0;
        assertThat(mine.adapted().timeline()).isEqualTo(clock.timeline());
        for (AdaptedSlot s : mine.adapted().slots()) {
          holds(seed, day, s.result().parts(), s.doses());
          int all = roundsOf(plan, s.slotKey());
          int out = mine.out().getOrDefault(s.slotKey(), Set.of()).size();
          assertThat(s.doses()).allMatch(d -> d.rounds() == all - out);
        }
        for (List<SlotOption> of : new SlotOptions(ADAPTER).of(plan, mine, day).values()) {
          for (SlotOption o : of) {
            holds(seed, day, o.parts(), o.doses());
            options++;
            assertThat(o.doses()).allMatch(d -> d.rounds() >= 0 && d.rounds() <= 2);
            assertThat(day.today().cut() && o.kind() == SlotOption.Kind.HARDER).isFalse();
          }
        }
      }
    }
    assertThat(options).isGreaterThan(500);
    assertThat(cut).isGreaterThan(8);
  }

  private static void holds(int seed, ClientDay day, List<Performed> parts, List<Dose> doses) {
    Caps caps = day.today().caps(day.caps());
    for (int i = 0; i < parts.size(); i++) {
      Performed p = parts.get(i);
      if (p.isRest()) {
        continue;
      }
      Variant v = ADAPTER.variant(p);
      assertThat(ADAPTER.broken(p, caps)).as("seed %d, %s", seed, p).isEmpty();
      assertThat(v.movement().kit().stream().flatMap(Set::stream)).doesNotContain(Kit.BED);
      Held held = doses.get(i).weight();
      if (held != null && held.heavier() > 0) {
        for (Side side : new Side[] {Side.LEFT, Side.RIGHT}) {
          assertThat(side == Side.LEFT ? held.left() : held.right())
              .as("seed %d, %s", seed, p)
              .isLessThanOrEqualTo(
                  Loads.capGrams(v, p.side() == Side.BOTH ? side : p.side(), held.way(), caps));
        }
      }
    }
  }

  private static int roundsOf(SessionPlan plan, String key) {
    return plan.asked().stream()
        .filter(a -> a.key().equals(key))
        .findFirst()
        .orElseThrow()
        .rounds();
  }

  private static ClientDay day(UUID who, RandomLimits made, Random r) {
    Kitbag kit =
        new Kitbag(Set.of(Kit.values()), List.of(new Weight(1000, 4), new Weight(2000, 2)));
    TodayDose today =
        switch (r.nextInt(3)) {
          case 0 -> new TodayDose(TodayCheck.Dose.EASED, 4, true, true);
          case 1 -> new TodayDose(TodayCheck.Dose.SHORT, null, false, false);
          default -> TodayDose.AS_PLANNED;
        };
    return new ClientDay(
        who,
        Caps.on(RandomLimits.DAY, made.some()),
        kit,
        Map.of(),
        Map.of(),
        Map.of(),
        r.nextBoolean() ? Mobility.SLOW : Mobility.USUAL,
        riposo.core.dose.Weights.NONE,
        riposo.core.dose.Build.UNKNOWN,
        Map.of(),
        today);
  }

  private static Map<UUID, Map<String, List<Performed>>> does(LaneSheet lanes) {
    Map<UUID, Map<String, List<Performed>>> does = new HashMap<>();
    for (LaneSheet.SlotLanes s : lanes.slots()) {
      s.follows()
          .forEach(
              f ->
                  does.computeIfAbsent(f.person(), k -> new HashMap<>())
                      .put(s.key(), List.of(f.form())));
      s.alone()
          .forEach(
              a ->
                  does.computeIfAbsent(a.person(), k -> new HashMap<>())
                      .put(s.key(), a.own().parts()));
    }
    return does;
  }

  /** The clock waits for the slowest: up from the floor 20 s, 40 s for who is slow. */
  @ParameterizedTest
  @CsvSource({
    // the lane asked for goes from the feet to a chair; somebody else from the floor to the feet
    "USUAL, false, 5",
    "SLOW, false, 5",
    "USUAL, true, 20",
    "SLOW, true, 40",
  })
  void theClockWaitsForTheSlowestChangeOfPosture(Mobility mobility, boolean floor, int seconds) {
    String standing = "squat";
    String chair = "seated-walk";
    String down = "opposite-arm-leg";
    assertThat(ALL.find(standing)).isPresent();
    assertThat(ALL.find(chair)).isPresent();
    assertThat(ALL.find(down)).isPresent();
    SessionPlan plan =
        SessionPlan.of(
            List.of(),
            List.of(new Slot("a", standing, 60), new Slot("b", chair, 60)),
            Format.inTurn(),
            List.of());
    SharedPlan.Doer other =
        new SharedPlan.Doer(
            mobility,
            Map.of(
                "a", List.of(new Performed(Side.BOTH, floor ? down : standing, List.of(), 100)),
                "b", List.of(new Performed(Side.BOTH, floor ? standing : chair, List.of(), 100))));
    Timeline t = SHARED.clock(plan, List.of(other), FREE).timeline();
    assertThat(
            t.segments().stream()
                .filter(g -> g.kind() == Segment.Kind.POSTURE_CHANGE)
                .mapToInt(Segment::length)
                .sum())
        .isEqualTo(seconds);
    assertThat(t.total()).isEqualTo(120 + seconds);
  }

  /** What somebody sits out where today cuts their dose, and the rest is not theirs to lengthen. */
  @ParameterizedTest(name = "{0} of {1}")
  @CsvSource(
      delimiter = '|',
      value = {
        // dose, format, rounds sat out of the first and the fourth slot, works of each
        "AS_PLANNED | INTERVALS | [] | [] | 40 of 60",
        "EASED | INTERVALS | [3] | [3] | 34 of 60",
        "SHORT | INTERVALS | [2, 3] | [1, 2, 3] | 34 of 60",
        "AS_PLANNED | SETS | [] | [] | -",
        "EASED | SETS | [2] | [2] | -",
        "SHORT | SETS | [2, 3] | [1, 2, 3] | -",
      })
  void aCutDayIsSatOutOnTheSharedClock(
      TodayCheck.Dose dose, String kind, String first, String fourth, String works) {
    List<Slot> work = new ArrayList<>();
    for (String id : List.of("squat", "seated-walk", "curl", "heel-raise-free")) {
      assertThat(ALL.find(id)).as(id).isPresent();
      work.add(new Slot("s" + (work.size() + 1), id, 60));
    }
    Format format = kind.equals("INTERVALS") ? Format.intervals(40, 20, 3) : sets();
    SessionPlan plan = SessionPlan.of(List.of(), work, format, List.of());
    ClientDay day =
        PLANS
            .day(
                new UUID(0, 1),
                Caps.on(RandomLimits.DAY, List.of()),
                new Kitbag(Set.of(Kit.values()), List.of(new Weight(1000, 2))),
                Map.of(),
                Mobility.USUAL)
            .with(new TodayDose(dose, null, false, false));
    SharedPlan.Clock clock = SHARED.clock(plan, List.of(), FREE);
    SharedPlan.Mine mine = SHARED.of(plan, day, Map.of(), Map.of(), Map.of(), clock, false);
    assertThat(out(mine, "s1")).isEqualTo(first);
    assertThat(out(mine, "s4")).isEqualTo(fourth);
    var share = mine.shares().get("s1");
    boolean all = dose == TodayCheck.Dose.AS_PLANNED;
    assertThat(
            share == null
                ? (all && !works.equals("-") ? "40 of 60" : "-")
                : share.seconds() + " of " + share.of())
        .isEqualTo(works);
  }

  private static Format sets() {
    return new Format(
        riposo.core.plan.FormatKind.SETS,
        Map.of(
            riposo.core.plan.Param.SETS, 3,
            riposo.core.plan.Param.REPS, 10,
            riposo.core.plan.Param.REST, 30,
            riposo.core.plan.Param.BETWEEN, 30),
        List.of(),
        List.of());
  }

  private static String out(SharedPlan.Mine mine, String key) {
    return mine.out().getOrDefault(key, Set.of()).stream().sorted().toList().toString();
  }

  /** Rest as long as the work: the first half of each interval, and of counted work every other. */
  @Test
  void restAsLongAsTheWorkIsAShareOrEveryOtherSet() {
    Limit rest =
        new Limit(
            new UUID(1, 1),
            Axis.WORK_PER_REST.id,
            Side.BOTH,
            100,
            Strength.FIRM,
            "heart",
            RandomLimits.DAY,
            null,
            null);
    ClientDay day =
        PLANS.day(
            new UUID(0, 1),
            Caps.on(RandomLimits.DAY, List.of(rest)),
            new Kitbag(Set.of(Kit.values()), List.of()),
            Map.of(),
            Mobility.USUAL);
    List<Slot> slots = List.of(new Slot("s1", "squat", 60), new Slot("s2", "heel-raise-free", 60));
    SessionPlan timed = SessionPlan.of(List.of(), slots, Format.intervals(50, 25, 2), List.of());
    SharedPlan.Mine mine =
        SHARED.of(
            timed, day, Map.of(), Map.of(), Map.of(), SHARED.clock(timed, List.of(), FREE), false);
    assertThat(mine.shares().get("s1").seconds()).isEqualTo(37);
    assertThat(mine.shares().get("s1").of()).isEqualTo(75);
    assertThat(mine.adapted().slots().get(0).doses().get(0).seconds()).isEqualTo(37);
    SessionPlan counted = SessionPlan.of(List.of(), slots, sets(), List.of());
    SharedPlan.Mine every =
        SHARED.of(
            counted,
            day,
            Map.of(),
            Map.of(),
            Map.of(),
            SHARED.clock(counted, List.of(), FREE),
            true);
    assertThat(out(every, "s1")).isEqualTo("[2]");
    assertThat(every.adapted().slots().get(0).doses().get(0).rounds()).isEqualTo(2);
    assertThat(every.shares()).isEmpty();
  }

  /** What the room has for somebody is the most they are begun with, hand by hand. */
  @Test
  void whatTheRoomHasIsTheMostSomebodyBeginsWith() {
    SessionPlan plan =
        SessionPlan.of(List.of(), List.of(new Slot("s1", "curl", 60)), Format.inTurn(), List.of());
    ClientDay day =
        PLANS.day(
            new UUID(0, 1),
            Caps.on(RandomLimits.DAY, Collections.emptyList()),
            new Kitbag(Set.of(Kit.values()), List.of(new Weight(2000, 2))),
            Map.of(),
            Mobility.USUAL);
    SharedPlan.Clock clock = SHARED.clock(plan, List.of(), FREE);
    Map<Integer, Integer> given = new LinkedHashMap<>();
    for (int most : new int[] {0, 1000, 2000, 3000}) {
      given.put(
          most,
          SHARED
              .of(plan, day, Map.of(), Map.of(), Map.of("s1", most), clock, false)
              .adapted()
              .slots()
              .get(0)
              .doses()
              .get(0)
              .grams());
    }
    assertThat(given).isEqualTo(Map.of(0, 0, 1000, 1000, 2000, 2000, 3000, 2000));
  }
}
