package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.Ceiling;
import riposo.core.adapt.PlanAdapter;
import riposo.core.adapt.Situation;
import riposo.core.adapt.Standing;
import riposo.core.dose.Dose;
import riposo.core.dose.Loads;
import riposo.core.dose.Weight;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;
import riposo.core.run.DoneSet;
import riposo.core.run.Entry;
import riposo.core.tolerance.Steps;

/** What is open from where a client stands, and how far verdicts let a family go. */
class StepsAndCeilingsTest {
  private static final Catalogue CATALOGUE = CatalogueReader.shipped();
  private static final Adapter ADAPTER = new Adapter(CATALOGUE);
  private static final PlanAdapter PLANS = new PlanAdapter(ADAPTER);
  private static final List<Weight> WEIGHTS =
      List.of(new Weight(1000, 2), new Weight(2000, 2), new Weight(3000, 1), new Weight(5000, 2));

  private static DoneSet at(String movement, String family, @Nullable Integer grams) {
    return new DoneSet(
        UUID.randomUUID(),
        movement,
        new DoneSet.Form(movement, Set.of(), 100, Side.BOTH),
        family,
        new Dose(2, 10, null, grams, 2, null, false),
        Entry.of("s1", 1, Side.BOTH));
  }

  private static Standing standing(String asked, String at, String verdict, String tempo) {
    return new Standing(
        "push", asked, at, null, null, tempo, verdict, verdict.equals("STOP_AND_REFER"), DAY);
  }

  private static final java.time.LocalDate DAY = RandomLimits.DAY;

  /** Ten were asked of the last set; sides in turn make an odd number even, downwards. */
  @ParameterizedTest(name = "{0} agreed: {1}")
  @CsvSource(
      nullValues = "-",
      value = {"-, false", "9, false", "10, true", "11, true", "12, false", "20, false"})
  void repetitionsThatWereAgreedAndAskedAreFewer(@Nullable Integer agreed, boolean fewer) {
    Standing s =
        new Standing(
            "elbow-bend", "curl", "curl", 2000, agreed, null, "EASE", false, DAY.minusDays(9));
    Steps steps =
        Steps.from(
            at("curl", "elbow-bend", 2000),
            CATALOGUE,
            ADAPTER,
            RandomLimits.all(List.of()),
            WEIGHTS,
            s);
    assertThat(steps.fewer()).isEqualTo(fewer);
  }

  /** Over the whole catalogue, under seeded limits and kit: the nearest open step, none beyond. */
  @Test
  void everyStepIsTheNearestThatLimitsAndKitLeaveOpen() {
    int up = 0;
    int blocked = 0;
    int heavier = 0;
    for (Movement m : CATALOGUE.movements()) {
      if (CATALOGUE.retired(m.id())) {
        continue;
      }
      for (long seed = 0; seed < 12; seed++) {
        RandomLimits limits = new RandomLimits(seed * 1000 + m.rung());
        Situation s =
            seed == 0
                ? RandomLimits.all(List.of())
                : new Situation(Caps.on(DAY, limits.some()), limits.kit(), Map.of());
        Integer grams = List.of(0, 1000, 2000, 5000).get(new Random(seed).nextInt(4));
        Steps steps =
            Steps.from(at(m.id(), m.familyId(), grams), CATALOGUE, ADAPTER, s, WEIGHTS, null);
        List<Movement> rungs =
            CATALOGUE.family(m.familyId()).rungs().stream()
                .filter(x -> !CATALOGUE.retired(x.id()))
                .toList();
        String next =
            rungs.stream()
                .filter(x -> x.rung() > m.rung() && ADAPTER.open(x.id(), s) != null)
                .findFirst()
                .map(Movement::id)
                .orElse(null);
        String previous =
            rungs.stream()
                .filter(x -> x.rung() < m.rung() && ADAPTER.open(x.id(), s) != null)
                .reduce((a, b) -> b)
                .map(Movement::id)
                .orElse(null);
        assertThat(steps.nextRung()).as("%s, seed %d", m.id(), seed).isEqualTo(next);
        assertThat(steps.previousRung()).as("%s, seed %d", m.id(), seed).isEqualTo(previous);
        assertThat(steps.blocked())
            .isEqualTo(next == null && rungs.stream().anyMatch(x -> x.rung() > m.rung()));
        Variant plain = CATALOGUE.variants(m).get(0);
        int cap = Loads.capGrams(plain, Side.BOTH, s.caps());
        if (steps.nextGrams() != null) {
          assertThat(steps.nextGrams()).isGreaterThan(grams).isLessThanOrEqualTo(cap);
          heavier++;
        }
        if (steps.previousGrams() != null) {
          assertThat(steps.previousGrams()).isLessThan(grams);
        }
        up += next == null ? 0 : 1;
        blocked += steps.blocked() ? 1 : 0;
      }
    }
    assertThat(up).isGreaterThan(500);
    assertThat(blocked).isGreaterThan(100);
    assertThat(heavier).isGreaterThan(500);
  }

  /** Weights in kit at 1, 2 (pairs), 3 (single) and 5 kg; a cap on the hand in grams. */
  @ParameterizedTest(name = "{0} g under {1}: up {2}, down {3}")
  @CsvSource(
      nullValues = "-",
      value = {
        "0, -, 1000, -, 1000",
        "1000, -, 2000, -, 1000",
        "2000, -, 5000, 1000, 1000",
        "2000, 4999, -, 1000, 1000",
        "2000, 5000, 5000, 1000, 1000",
        "5000, -, -, 2000, 1000"
      })
  void theNextWeightIsInKitForBothHandsAndInsideTheCap(
      int grams,
      @Nullable Integer cap,
      @Nullable Integer up,
      @Nullable Integer down,
      Integer lightest) {
    Caps caps =
        cap == null
            ? Caps.on(DAY, List.of())
            : Caps.on(DAY, List.of(new RandomLimits(1).limit(Axis.LOAD_HAND.id, Side.BOTH, cap)));
    Situation s = new Situation(caps, EnumSet.allOf(Kit.class), Map.of());
    Steps steps = Steps.from(at("hinged-row", "pull", grams), CATALOGUE, ADAPTER, s, WEIGHTS, null);
    assertThat(steps.nextGrams()).isEqualTo(up);
    assertThat(steps.previousGrams()).isEqualTo(down);
    assertThat(steps.lightestGrams()).isEqualTo(lightest);
  }

  @Test
  void loweringSlowlyIsUsedUpOnlyWhereItIsDoneAlready() {
    Situation s = RandomLimits.all(List.of());
    DoneSet row = at("hinged-row", "pull", 1000);
    Standing slow = standing("hinged-row", "hinged-row", "STEP_UP", "4-0-2-0");
    Standing other = standing("hinged-row", "supported-row", "STEP_UP", "4-0-2-0");
    assertThat(Steps.from(row, CATALOGUE, ADAPTER, s, WEIGHTS, slow).slow()).isTrue();
    assertThat(Steps.from(row, CATALOGUE, ADAPTER, s, WEIGHTS, other).slow()).isFalse();
    assertThat(Steps.from(row, CATALOGUE, ADAPTER, s, WEIGHTS, null).slow()).isFalse();
    assertThat(Steps.from(at("gone-from-here", "pull", 1000), CATALOGUE, ADAPTER, s, WEIGHTS, null))
        .isEqualTo(Steps.NONE);
  }

  /** Where a verdict stands, and the rung it leaves; firm: what no choice by hand passes. */
  @ParameterizedTest(name = "{0} on {1}, asked {2}: {3}, by hand {4}")
  @CsvSource(
      nullValues = "-",
      value = {
        "STAY, wall-push-up, counter-push-up, own, -",
        "STEP_UP, wall-push-up, wall-push-up, own, -",
        "EASE, wall-push-up, counter-push-up, own, own",
        "STOP_AND_REFER, wall-push-up, wall-push-up, 0, 0",
        "STOP_AND_REFER, gone-from-here, gone-too, 0, 0",
        "EASE, gone-from-here, counter-push-up, below asked, below asked",
        "STAY, gone-from-here, counter-push-up, -, -",
        "EASE, gone-from-here, gone-too, -, -"
      })
  void howFarAVerdictLetsAFamilyGo(
      String verdict, String at, String asked, @Nullable String leaves, @Nullable String byHand) {
    Map<String, Standing> standings = Map.of("push", standing(asked, at, verdict, null));
    assertThat(rung(PLANS.ceilings(standings))).isEqualTo(rung(leaves, at, asked));
    assertThat(rung(PLANS.firmCeilings(standings))).isEqualTo(rung(byHand, at, asked));
  }

  private static @Nullable Integer rung(Map<String, Ceiling> ceilings) {
    Ceiling c = ceilings.get("push");
    return c == null ? null : (Integer) c.rung();
  }

  private static @Nullable Integer rung(@Nullable String words, String at, String asked) {
    if (words == null) {
      return null;
    }
    return switch (words) {
      case "own" -> CATALOGUE.movement(at).rung();
      case "below asked" -> Math.max(1, CATALOGUE.movement(asked).rung() - 1);
      default -> Integer.valueOf(words);
    };
  }
}
