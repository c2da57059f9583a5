package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.HashMap;
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
import riposo.core.adapt.Performed;
import riposo.core.adapt.Pin;
import riposo.core.adapt.PlanAdapter;
import riposo.core.adapt.RestStretch;
import riposo.core.adapt.Standing;
import riposo.core.adapt.TodayDose;
import riposo.core.adapt.UpperOption;
import riposo.core.dose.Weight;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.movement.Modifier;
import riposo.core.plan.Block;
import riposo.core.plan.Format;
import riposo.core.plan.Mobility;
import riposo.core.plan.PlanBlock;
import riposo.core.plan.PlanBlock.RestStyle;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.plan.Upper;
import riposo.core.today.TodayCheck;
import riposo.core.wording.Wording;

/** What fills a rest, and what is above what is asked: for whom, and never against a limit. */
class RestAndUpperTest {
  private static final Catalogue CATALOGUE = CatalogueReader.shipped();
  private static final PlanAdapter PLANS = new PlanAdapter(new Adapter(CATALOGUE));
  private static final Wording WORDING = new Wording(CATALOGUE);
  private static final LocalDate DAY = Said.DAY;

  private static SessionPlan plan(Slot slot, int rest, RestStyle style) {
    PlanBlock work = PlanBlock.of("work", Block.WORK, Format.intervals(40, rest, 3), List.of(slot));
    return new SessionPlan(
        List.of(
            new PlanBlock(
                work.key(),
                work.block(),
                work.format(),
                work.sides(),
                false,
                style,
                0,
                0,
                null,
                work.slots())),
        null);
  }

  private static ClientDay day(String limits, Set<Kit> without, Map<String, Standing> standings) {
    EnumSet<Kit> kit = EnumSet.allOf(Kit.class);
    kit.removeAll(without);
    Kitbag bag = new Kitbag(kit, List.of(new Weight(1000, 2), new Weight(2000, 2)));
    return PLANS.day(
        new UUID(0, 1),
        Caps.on(DAY, Said.limits(limits)).padded(true),
        bag,
        standings,
        Mobility.USUAL);
  }

  private static AdaptedSlot adapted(SessionPlan plan, ClientDay day, Map<String, Pin> pins) {
    AdaptedPlan a = PLANS.adapt(plan, day, pins);
    return a.slots().get(0);
  }

  @ParameterizedTest(name = "after {0} with {1} s of rest, {2}: {3}")
  @CsvSource(
      delimiter = '|',
      nullValues = "-",
      textBlock =
          """
          seated-band-row     | 60 | -                                 | Interlaced reach ahead, 20 s, a mild pull
          seated-hinged-row   | 20 | -                                 | Interlaced reach ahead, 15 s, a mild pull
          seated-kick-back    | 60 | -                                 | Overhead triceps stretch, 20 s a side, a mild pull
          seated-kick-back    | 20 | -                                 | Overhead triceps stretch, 15 s, one side a rest, a mild pull
          seated-kick-back    | 10 | -                                 | no stretch, the rests are too short for one: rest still
          seated-kick-back    | 60 | joint.shoulder-elevation.any 40   | no stretch of what is worked here is open in this posture: rest still
          heel-raise-held     | 60 | -                                 | Calf stretch at the wall, 25 s a side, a mild pull
          heel-raise-held     | 60 | act.split-stance 0                | no stretch of what is worked here is open in this posture: rest still
          hinged-row          | 60 | -                                 | Interlaced reach ahead, standing, 20 s, a mild pull
          squat               | 60 | -                                 | Front thigh stretch, held, 20 s a side, a mild pull
          squat               | 60 | balance.supported 2               | Hip flexor stretch, hand on a chair, 20 s a side, a mild pull
          supine-bridge       | 60 | -                                 | Knee toward the chest, lying, 20 s a side, a mild pull
          """)
  void aRestIsFilledWithAStretchOfWhatWasWorkedInItsPosture(
      String movement, int rest, @Nullable String limits, String words) {
    AdaptedSlot s =
        adapted(
            plan(new Slot("s", movement, null), rest, RestStyle.STRETCH),
            day(limits == null ? "" : limits, Set.of(), Map.of()),
            Map.of());
    assertThat(s.result().parts()).extracting(Performed::movementId).containsOnly(movement);
    assertThat(s.stretch()).isNotNull();
    assertThat(WORDING.stretch(s.stretch())).isEqualTo(words);
  }

  @Test
  void aRestThatIsStillOrFollowsAStretchHasNone() {
    ClientDay anybody = day("", Set.of(), Map.of());
    Slot row = new Slot("s", "seated-band-row", null);
    assertThat(adapted(plan(row, 60, RestStyle.STILL), anybody, Map.of()).stretch()).isNull();
    Slot mild = new Slot("s", "chest-opening", null);
    assertThat(adapted(plan(mild, 60, RestStyle.STRETCH), anybody, Map.of()).stretch()).isNull();
  }

  @Test
  void aStoppedFamilyIsNotStretchedEither() {
    Standing stopped = standing("mobility", "interlaced-front", "STOP");
    AdaptedSlot s =
        adapted(
            plan(new Slot("s", "seated-band-row", null), 60, RestStyle.STRETCH),
            day("", Set.of(), Map.of("mobility", stopped)),
            Map.of());
    assertThat(s.stretch()).extracting(RestStretch::none).isEqualTo(RestStretch.None.CLOSED);
  }

  private static Standing standing(String family, String movement, String verdict) {
    return new Standing(
        family,
        movement,
        movement,
        null,
        null,
        null,
        verdict,
        verdict.equals("STOP"),
        DAY.minusDays(2));
  }

  private static @Nullable UpperOption upper(String asked, Upper upper, ClientDay day) {
    return adapted(
            plan(new Slot("s", asked, null).under(upper), 20, RestStyle.STILL), day, Map.of())
        .upper();
  }

  private static Upper movement(String id) {
    return new Upper(id, null, null);
  }

  @ParameterizedTest(name = "{0}, above it {1}, {2}: {3}")
  @CsvSource(
      delimiter = '|',
      nullValues = "-",
      textBlock =
          """
          chair-dip        | chair-dip-one-leg | -                      | true
          chair-dip        | chair-dip-one-leg | act.uneven-legs 0      | false
          chair-dip        | chair-dip-one-leg | effort 6               | false
          chair-dip        | chair-dip-one-leg | act.dip 0              | false
          seated-knee-lift | both-knees-lift   | -                      | true
          seated-knee-lift | both-knees-lift   | pressure 1             | false
          squat            | goblet-squat      | -                      | true
          squat            | goblet-squat      | load.total 0           | false
          squat            | goblet-squat      | joint.knee-flexion.any 60 | false
          curl             | slower            | -                      | true
          curl             | 2                 | -                      | true
          curl             | 2                 | load.hand 1500         | false
          curl             | 5                 | -                      | false
          """)
  void anOptionAboveIsShownToWhoeverMayDoWhatIsAskedAndIt(
      String asked, String above, @Nullable String limits, boolean shown) {
    Upper what =
        above.equals("slower")
            ? new Upper(null, true, null)
            : above.length() == 1
                ? new Upper(null, null, Integer.parseInt(above) * 1000)
                : movement(above);
    UpperOption u = upper(asked, what, day(limits == null ? "" : limits, Set.of(), Map.of()));
    assertThat(u != null).isEqualTo(shown);
    if (u != null) {
      assertThat(u.taken()).as("never by itself").isFalse();
    }
  }

  @Test
  void withoutItsKitOnACutDayOrUnderAVerdictBelowItIsNotShown() {
    Upper band = movement("side-kick-band");
    ClientDay anybody = day("", Set.of(), Map.of());
    assertThat(upper("side-kick-held", band, anybody)).isNotNull();
    assertThat(upper("side-kick-held", band, day("", Set.of(Kit.BAND), Map.of()))).isNull();
    TodayDose eased = new TodayDose(TodayCheck.Dose.EASED, null, false, false);
    assertThat(upper("side-kick-held", band, anybody.with(eased))).isNull();
    for (String verdict : List.of("EASE", "STAY", "STOP")) {
      Map<String, Standing> held = new HashMap<>();
      held.put("hip", standing("hip", "side-kick-held", verdict));
      assertThat(upper("side-kick-held", band, day("", Set.of(), held))).as(verdict).isNull();
    }
  }

  @Test
  void takenItIsWhatIsDoneUntilALimitClosesIt() {
    SessionPlan plan =
        plan(
            new Slot("s", "chair-dip", null).under(movement("chair-dip-one-leg")),
            20,
            RestStyle.STILL);
    Pin pin =
        new Pin(
            "s", List.of(new Performed(Side.BOTH, "chair-dip-one-leg", List.of(), 100)), Set.of());
    AdaptedSlot taken = adapted(plan, day("", Set.of(), Map.of()), Map.of("s", pin));
    assertThat(taken.result().parts().get(0).movementId()).isEqualTo("chair-dip-one-leg");
    assertThat(taken.upper()).extracting(UpperOption::taken).isEqualTo(true);
    AdaptedSlot closed = adapted(plan, day("effort 6", Set.of(), Map.of()), Map.of("s", pin));
    assertThat(closed.released()).isTrue();
    assertThat(closed.upper()).isNull();
    assertThat(closed.result().parts().get(0).movementId()).isEqualTo("chair-dip");
    Pin slow =
        new Pin(
            "s",
            List.of(new Performed(Side.BOTH, "curl", List.of(Modifier.SLOWER), 100)),
            Set.of());
    AdaptedSlot slower =
        adapted(
            plan(
                new Slot("s", "curl", null).under(new Upper(null, true, null)),
                20,
                RestStyle.STILL),
            day("", Set.of(), Map.of()),
            Map.of("s", slow));
    assertThat(slower.upper()).extracting(UpperOption::taken).isEqualTo(true);
  }
}
