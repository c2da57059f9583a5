package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.BandGrip;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.PlanAdapter;
import riposo.core.dose.Build;
import riposo.core.dose.Weight;
import riposo.core.kit.Band;
import riposo.core.kit.Band.Measured;
import riposo.core.limit.Caps;
import riposo.core.movement.Kit;
import riposo.core.plan.BandAsk;
import riposo.core.plan.Format;
import riposo.core.plan.Mobility;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.wording.Wording;

/** The band of a slot, gripped so that a person's hand gets the pull wanted and no more. */
class BandGripTest {
  private static final PlanAdapter PLANS = new PlanAdapter(new Adapter(CatalogueReader.shipped()));
  private static final Band BLUE =
      new Band(
          "blue loop", 150, List.of(new Measured(50, 1500), new Measured(100, 2600)), false, 4);
  private static final Band GREY =
      new Band("grey", 240, List.of(new Measured(100, 1200)), false, 2);

  private static @Nullable BandGrip grip(
      String movement, BandAsk ask, String limits, @Nullable Integer stature, Band... bands) {
    ClientDay day =
        PLANS
            .day(
                new UUID(0, 1),
                Caps.on(Said.DAY, Said.limits(limits)).padded(true),
                new Kitbag(
                    EnumSet.allOf(Kit.class),
                    List.of(new Weight(1000, 2)),
                    Set.of(),
                    List.of(bands)),
                Map.of(),
                Mobility.USUAL)
            .with(new Build(null, stature));
    SessionPlan plan =
        SessionPlan.of(
            List.of(),
            List.of(new Slot("s", movement, null).banded(ask)),
            Format.intervals(40, 20, 1),
            List.of());
    return PLANS.adapt(plan, day, Map.of()).slots().get(0).band();
  }

  @ParameterizedTest(name = "{0}, {1} g, {2} cm, stance {3}, {4}, {5} cm tall: {6}")
  @CsvSource(
      delimiter = '|',
      nullValues = "-",
      textBlock =
          """
          ONE_FOOT | 2000 | 100 | -  | -              | 170 | “blue loop” under one foot, gripped 58 cm from there: about 2 kg at the end
          TWO_FEET | 2600 | 100 | 40 | -              | 170 | “blue loop” under both feet, gripped 50 cm from there: about 2.6 kg at the end
          TWO_FEET | 2000 | 100 | 40 | -              | 170 | “blue loop” under one foot, for under both it pulls too hard, gripped 58 cm from there: about 2 kg at the end
          TWO_FEET | 2600 | 100 | 40 | load.hand 2000 | 170 | “blue loop” under one foot, for under both it pulls too hard, gripped 58 cm from there: about 2 kg at the end
          ONE_FOOT | 500  | 100 | -  | -              | 170 | every band here pulls harder than wanted or allowed, even held long: leave it out, no weight is a proper dose
          ONE_FOOT | 2000 | 100 | -  | -              | 160 | “blue loop” under one foot, gripped 55 cm from there: about 2 kg at the end
          ONE_FOOT | 2000 | 100 | -  | -              | -   | “blue loop” under one foot, gripped 65 cm from there: about 2 kg at the end, reckoned for 190 cm, as the stature is not recorded
          """)
  void theGripIsThatOfThePerson(
      Band.Hold hold,
      int grams,
      int reach,
      @Nullable Integer stance,
      @Nullable String limits,
      @Nullable Integer stature,
      String words) {
    BandGrip g =
        grip(
            "seated-band-curl",
            new BandAsk(hold, grams, reach, stance),
            limits == null ? "" : limits,
            stature,
            BLUE);
    assertThat(g).isNotNull();
    assertThat(Wording.band(g)).isEqualTo(words);
  }

  @Test
  void theBandIsTheOneThatPullsNearestUnderAndAnEstimateIsCheckedWithHalfAsMuchMore() {
    BandAsk light = new BandAsk(Band.Hold.ONE_FOOT, 700, 150, null);
    BandAsk far = new BandAsk(Band.Hold.ONE_FOOT, 3000, 180, null);
    BandGrip both = grip("seated-band-curl", light, "", 170, BLUE, GREY);
    assertThat(both).extracting(BandGrip::band).isEqualTo("grey");
    assertThat(Wording.band(both)).contains("an estimate from one point");
    BandGrip capped = grip("seated-band-curl", far, "load.hand 1000", 170, GREY);
    assertThat(capped.grip().force().checkGrams()).isBetween(900, 1000);
    assertThat(capped.grip().force().grams()).isLessThanOrEqualTo(667);
  }

  @Test
  void withoutAMeasuredBandItSaysSoAndWithoutABandMovementItSaysNothing() {
    BandAsk ask = new BandAsk(Band.Hold.ONE_FOOT, 2000, 100, null);
    assertThat(grip("seated-band-curl", ask, "", 170))
        .extracting(BandGrip::none)
        .isEqualTo(BandGrip.None.UNMEASURED);
    assertThat(grip("seated-band-curl", ask, "act.band-latex 0", 170, BLUE))
        .as("done without the band")
        .isNull();
    assertThat(grip("curl", ask, "", 170, BLUE)).isNull();
  }
}
