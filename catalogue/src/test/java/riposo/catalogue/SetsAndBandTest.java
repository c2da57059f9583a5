package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.PlanAdapter;
import riposo.core.adapt.PlanKit;
import riposo.core.adapt.SharedPlan;
import riposo.core.adapt.Standing;
import riposo.core.adapt.TodayDose;
import riposo.core.dose.Build;
import riposo.core.dose.Gap;
import riposo.core.dose.Weight;
import riposo.core.kit.Band;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Kit;
import riposo.core.plan.Format;
import riposo.core.plan.FormatKind;
import riposo.core.plan.Mobility;
import riposo.core.plan.Param;
import riposo.core.plan.Segment;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Sides;
import riposo.core.plan.Slot;
import riposo.core.run.RunSheet;
import riposo.core.run.RunSheets;
import riposo.core.today.TodayCheck;
import riposo.core.wording.DoseWords;
import riposo.core.wording.Wording;

/** A set more, and a band beside a weight, where a decision gave them to a client. */
class SetsAndBandTest {
  private static final LocalDate DAY = Said.DAY;
  private static final Adapter ADAPTER = new Adapter(CatalogueReader.shipped());
  private static final PlanAdapter PLANS = new PlanAdapter(ADAPTER);
  private static final Wording WORDS = new Wording(CatalogueReader.shipped());
  private static final Band GREEN =
      new Band(
          "green",
          190,
          List.of(new Band.Measured(50, 1000), new Band.Measured(100, 1800)),
          false,
          2);

  private static SessionPlan plan(Format format, String... movements) {
    List<Slot> slots = new java.util.ArrayList<>();
    for (String m : movements) {
      slots.add(new Slot("s" + (slots.size() + 1), m, null));
    }
    return SessionPlan.of(List.of(), slots, format, List.of());
  }

  /** Two sets of ten, a minute between them. */
  private static Format sets() {
    EnumMap<Param, Integer> v = new EnumMap<>(Param.class);
    v.putAll(Map.of(Param.SETS, 2, Param.REPS, 10, Param.REST, 60, Param.BETWEEN, 60));
    return new Format(FormatKind.SETS, v, List.of(), List.of());
  }

  private static Standing standing(
      String family, String movement, @Nullable Integer more, @Nullable Integer pull) {
    return new Standing(
        family,
        movement,
        movement,
        2000,
        null,
        null,
        "STEP_UP",
        false,
        DAY.minusDays(3),
        null,
        null,
        DAY.minusDays(4),
        more,
        pull);
  }

  private static ClientDay day(String limits, List<Band> bands, Standing... standings) {
    Map<String, Standing> all = new java.util.HashMap<>();
    for (Standing s : standings) {
      all.put(s.familyId(), s);
    }
    return PLANS
        .day(
            new UUID(0, 1),
            Caps.on(DAY, Said.limits(limits)),
            new Kitbag(
                EnumSet.allOf(Kit.class),
                List.of(new Weight(1000, 2), new Weight(2000, 2)),
                Set.of(),
                bands),
            all,
            Mobility.USUAL)
        .with(new Build(null, 170));
  }

  private static AdaptedPlan adapt(SessionPlan plan, ClientDay day) {
    return PLANS.adapt(plan, day, Map.of());
  }

  /** Rounds of work of each slot on the clock. */
  private static String rounds(AdaptedPlan p) {
    return p.slots().stream()
        .map(
            s ->
                s.slotKey()
                    + " "
                    + p.timeline().segments().stream()
                        .filter(g -> g.slotKey().equals(s.slotKey()))
                        .filter(g -> g.kind() == Segment.Kind.WORK)
                        .mapToInt(Segment::round)
                        .max()
                        .orElse(0))
        .reduce((a, b) -> a + ", " + b)
        .orElse("");
  }

  @Test
  void aSetMoreIsOnTheClockOnTheCardAndNowhereElse() {
    SessionPlan plan = plan(sets(), "seated-curl", "hinged-row");
    ClientDay without = day("", List.of());
    AdaptedPlan before = adapt(plan, without);
    AdaptedPlan after =
        adapt(plan, day("", List.of(), standing("elbow-bend", "seated-curl", 1, null)));
    assertThat(rounds(before)).isEqualTo("s1 2, s2 2");
    assertThat(rounds(after)).isEqualTo("s1 3, s2 2");
    // ten at 2-0-2-0 are 40 s, and a minute's rest comes before them
    assertThat(after.timeline().total() - before.timeline().total()).isEqualTo(100);
    assertThat(DoseWords.dose(after.slots().get(0).doses().get(0)))
        .isEqualTo("3 × 10 reps, 2 kg in each hand");
    assertThat(after.slots().get(0).doses().get(0).sets()).as("those of the block").isEqualTo(2);
    SessionPlan timed = plan(Format.intervals(40, 20, 2), "seated-curl");
    assertThat(adapt(timed, day("", List.of(), standing("elbow-bend", "seated-curl", 1, null))))
        .as("work on a shared clock has no sets of its own")
        .satisfies(p -> assertThat(rounds(p)).isEqualTo("s1 2"))
        .satisfies(p -> assertThat(p.slots().get(0).doses().get(0).sets()).isNull());
  }

  @Test
  void whereEachSetIsOneSidesNoneIsAddedForNeitherSideMayBeLeftBehind() {
    Standing kept = standing("overhead", "one-arm-press", 1, null);
    for (Sides sides : new Sides[] {null, Sides.ONE_THEN_OTHER, Sides.BY_ROUND}) {
      Slot slot = new Slot("s1", "one-arm-press", null).sides(sides);
      SessionPlan plan = SessionPlan.of(List.of(), List.of(slot), sets(), List.of());
      AdaptedPlan p = adapt(plan, day("", List.of(), kept));
      assertThat(rounds(p)).as("%s", sides).isEqualTo(sides == Sides.BY_ROUND ? "s1 2" : "s1 3");
      for (Side side : List.of(Side.LEFT, Side.RIGHT)) {
        assertThat(
                p.timeline().segments().stream()
                    .filter(g -> g.kind() == Segment.Kind.WORK && g.side() == side))
            .as("%s, %s", sides, side)
            .hasSize(sides == Sides.BY_ROUND ? 1 : 3);
      }
    }
  }

  @ParameterizedTest(name = "{0}: {1}")
  @CsvSource(
      delimiter = '|',
      nullValues = "-",
      value = {
        "-                  | s1 3, s2 3",
        "session.minutes 9  | s1 3, s2 3",
        "session.minutes 8  | s1 3, s2 2",
        "session.minutes 7  | s1 2, s2 2",
        "session.minutes 6  | s1 2, s2 2"
      })
  void aSetMoreNeverMakesASessionLongerThanItMayBe(@Nullable String limits, String rounds) {
    AdaptedPlan p =
        adapt(
            plan(sets(), "seated-curl", "hinged-row"),
            day(
                limits == null ? "" : limits,
                List.of(),
                standing("elbow-bend", "seated-curl", 1, null),
                standing("pull", "hinged-row", 1, null)));
    assertThat(rounds(p)).isEqualTo(rounds);
    for (AdaptedSlot s : p.slots()) {
      List<String> reasons = WORDS.reasons(s);
      assertThat(reasons.get(0)).endsWith("one set more.");
      assertThat(reasons.stream().anyMatch(r -> r.startsWith("The set more is left out here")))
          .as("what is left out is said")
          .isEqualTo(rounds.contains(s.slotKey() + " 2"));
    }
    assertThat(p.slots().get(0).doses().get(0).rounds())
        .as("card and clock say the same")
        .isEqualTo(rounds.startsWith("s1 3") ? 3 : 2);
  }

  @Test
  void neitherIsThereOnACutDayAfterAGapOrInAGroup() {
    SessionPlan plan = plan(sets(), "seated-curl");
    ClientDay day = day("", List.of(GREEN), standing("elbow-bend", "seated-curl", 1, 200));
    AdaptedSlot usual = adapt(plan, day).slots().get(0);
    assertThat(usual.band()).isNotNull();
    assertThat(usual.doses().get(0).rounds()).isEqualTo(3);
    TodayDose eased = new TodayDose(TodayCheck.Dose.EASED, null, false, false);
    ClientDay back = PLANS.back(day, Map.of("elbow-bend", Gap.of(List.of(DAY.minusDays(12)), DAY)));
    SharedPlan shared = new SharedPlan(ADAPTER);
    SharedPlan.Clock clock = shared.clock(plan, List.of(), Integer.MAX_VALUE);
    for (AdaptedPlan p :
        List.of(
            adapt(plan, day.with(eased)),
            adapt(plan, back),
            shared.of(plan, day, Map.of(), Map.of(), Map.of(), clock, false).adapted())) {
      AdaptedSlot s = p.slots().get(0);
      assertThat(s.band()).isNull();
      assertThat(s.doses().get(0).beside()).isNull();
      assertThat(s.doses().get(0).rounds()).isLessThanOrEqualTo(2);
      assertThat(WORDS.reasons(s))
          .anyMatch(r -> r.startsWith("The set more is left out here"))
          .anyMatch(r -> r.startsWith("The band beside the weight is left out here"));
    }
  }

  /** A pull of 200 g at 102 cm from the foot: e = 0.1, so the band is gripped at 93 cm. */
  @Test
  void aBandBesideTheWeightIsSaidOnTheCardAndLaidOut() {
    AdaptedPlan p =
        adapt(
            plan(sets(), "seated-curl"),
            day("", List.of(GREEN), standing("elbow-bend", "seated-curl", null, 200)));
    AdaptedSlot s = p.slots().get(0);
    assertThat(Wording.band(java.util.Objects.requireNonNull(s.band())))
        .isEqualTo(
            "“green” as well, its middle under one foot, gripped 93 cm from there: about 0.2 kg"
                + " more at the end, 2.2 kg with the weight");
    assertThat(DoseWords.dose(s.doses().get(0)))
        .isEqualTo("2 × 10 reps, 2 kg in each hand and the band “green”");
    assertThat(PlanKit.of(p, ADAPTER).needs()).anyMatch(n -> n.anyOf().equals(Set.of(Kit.BAND)));
  }

  /** What is held can be made heavier in the run: weight and band together stay under the cap. */
  @Test
  void inARunTheBandTakesItsPartOfTheCap() {
    SessionPlan plan = plan(sets(), "seated-curl");
    RunSheets sheets = new RunSheets(CatalogueReader.shipped(), ADAPTER);
    for (Integer pull : new Integer[] {null, 200}) {
      ClientDay day =
          day("load.hand 2500", List.of(GREEN), standing("elbow-bend", "seated-curl", null, pull));
      RunSheet.Part part =
          sheets
              .one(new UUID(0, 9), "p", plan, adapt(plan, day), day, 6, 1)
              .people()
              .get(0)
              .slots()
              .get(0)
              .parts()
              .get(0);
      assertThat(part.dose().grams()).isEqualTo(2000);
      assertThat(part.capLeft()).as("with %s", pull).isEqualTo(pull == null ? 2500 : 2500 - 194);
      assertThat(part.capRight()).isEqualTo(part.capLeft());
    }
  }

  @ParameterizedTest(name = "{0}, band {1}: {2}")
  @CsvSource(
      delimiter = '|',
      nullValues = "-",
      value = {
        "load.hand 2200     | true  | “green” as well",
        "load.hand 2150     | true  | “green” as well",
        "load.hand 2050     | true  | left out: none here pulls as little, or is allowed",
        "act.band-latex 0   | true  | left out: none here pulls as little, or is allowed",
        "-                  | false | left out: none here is measured",
        "load.hand 1500     | true  | -"
      })
  void itIsLeftOutWhereALimitOrTheKitLeavesNone(
      @Nullable String limits, boolean band, @Nullable String words) {
    AdaptedSlot s =
        adapt(
                plan(sets(), "seated-curl"),
                day(
                    limits == null ? "" : limits,
                    band ? List.of(GREEN) : List.of(),
                    standing("elbow-bend", "seated-curl", null, 200)))
            .slots()
            .get(0);
    if (words == null) {
      assertThat(s.band()).as("another weight than it was put beside").isNull();
    } else {
      assertThat(Wording.band(java.util.Objects.requireNonNull(s.band()))).contains(words);
    }
    boolean there = words != null && words.startsWith("“green”");
    assertThat(s.doses().get(0).beside()).isEqualTo(there ? "green" : null);
  }
}
