package riposo.core.dose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WeightFindingTest {
  private static final List<Weight> KIT =
      List.of(new Weight(1000, 2), new Weight(2000, 2), new Weight(3000, 1), new Weight(4000, 2));

  @ParameterizedTest(name = "{0} g, at most {1}, {2} hands, goal {3}, cut {4}, effort {5}: {6}")
  @CsvSource(
      nullValues = "-",
      textBlock =
          """
          1000, 99000, 2, 6, false, 3, 2000
          1000, 99000, 2, 6, false, 0, 2000
          1000, 99000, 2, 6, false, 4, -
          1000, 99000, 2, 6, false, 7, -
          1000, 99000, 2, 6, false, 8, 0
          2000, 99000, 2, 6, false, 9, 1000
          2000, 99000, 2, 6, false, 3, 4000
          2000, 99000, 1, 6, false, 3, 3000
          1000,  1900, 2, 6, false, 3, -
          1000,  2000, 2, 6, false, 3, 2000
          1000, 99000, 2, 6, true,  3, -
          1000, 99000, 2, 6, true,  8, 0
          1000, 99000, 2, 3, false, 5, 0
          1000, 99000, 2, 3, false, 4, -
          1000, 99000, 2, 9, false, 10, 0
          4000, 99000, 2, 6, false, 3, -
          0,    99000, 2, 6, false, 3, 1000
          0,    99000, 2, 6, false, 9, -
          """)
  void anEasySetOffersAStepUpAHardOneAStepDown(
      int grams, int most, int hands, int goal, boolean cut, int effort, @Nullable Integer next) {
    assertThat(WeightFinding.of(grams, most, hands, KIT, goal, cut).after(grams, effort, false))
        .isEqualTo(next);
  }

  @ParameterizedTest(name = "from 1 kg at most {0} g, efforts {1} then {2}: {3}")
  @CsvSource(
      nullValues = "-",
      textBlock =
          """
          99000, 3, 3, 4000
          99000, 3, 8, 1000
          99000, 3, 5, -
          99000, 8, 8, -
          99000, 8, 3, 1000
           2000, 3, 3, -
          """)
  void theSecondSetIsReckonedFromWhatItWasDoneWith(
      int most, int first, int second, @Nullable Integer third) {
    WeightFinding f = WeightFinding.of(1000, most, 2, KIT, 6, false);
    Integer then = f.after(1000, first, false);
    assertThat(then).isNotNull();
    assertThat(f.after(then, second, false)).isEqualTo(third);
  }

  /** Pain over the line or lost form: never up, however easy; down as ever. */
  @Test
  void nothingGoesUpAfterASetThatHurtOrLostItsForm() {
    WeightFinding f = WeightFinding.of(1000, 99000, 2, KIT, 6, false);
    assertThat(f.after(1000, 0, false)).isEqualTo(2000);
    assertThat(f.after(1000, 0, true)).isNull();
    assertThat(f.after(1000, 10, true)).isEqualTo(f.after(1000, 10, false)).isNotNull();
  }

  @Test
  void nothingIsOfferedFromAWeightNobodyReckonedFrom() {
    WeightFinding f = WeightFinding.of(1000, 99000, 2, KIT, 6, false);
    assertThat(f.after(1500, 0, false)).isNull();
    assertThat(f.after(4000, 10, false)).isNull();
    assertThat(new WeightFinding(3, 8, 2, List.of()).after(1000, 0, false)).isNull();
  }

  @Test
  void whatIsOfferedIsOneStepOfTheKitAndNeverOverACap() {
    int ups = 0;
    int back = 0;
    for (int seed = 0; seed < 500; seed++) {
      Random r = new Random(seed);
      List<Weight> kit = new ArrayList<>();
      for (int i = 0; i < 1 + r.nextInt(5); i++) {
        kit.add(new Weight(500 * (1 + r.nextInt(12)), 1 + r.nextInt(2)));
      }
      int begun = r.nextInt(4) == 0 ? 0 : kit.get(r.nextInt(kit.size())).grams();
      int most = 500 * r.nextInt(12);
      boolean cut = r.nextBoolean();
      int hands = 1 + r.nextInt(2);
      WeightFinding f = WeightFinding.of(begun, most, hands, kit, 1 + r.nextInt(10), cut);
      assertThat(f.steps().get(0).grams()).as("seed %d", seed).isEqualTo(begun);
      assertThat(f.steps()).extracting(WeightFinding.Step::grams).doesNotHaveDuplicates();
      for (WeightFinding.Step s : f.steps()) {
        int grams = s.grams();
        Integer up = s.up();
        Integer down = s.down();
        if (up != null) {
          assertThat(up).as("seed %d", seed).isGreaterThan(grams).isLessThanOrEqualTo(most);
          assertThat(kit)
              .as("seed %d: nothing of the kit between", seed)
              .filteredOn(w -> w.count() >= hands && w.grams() > grams)
              .extracting(Weight::grams)
              .contains(up)
              .allMatch(g -> g >= up);
          assertThat(cut).as("seed %d: never up on a cut day", seed).isFalse();
          ups++;
        }
        if (down != null) {
          assertThat(down).as("seed %d", seed).isLessThan(grams);
        }
        for (int effort = 0; effort <= 10; effort++) {
          assertThat(f.after(grams, effort, false))
              .as("seed %d, %d g, effort %d", seed, grams, effort)
              .isEqualTo(effort >= f.hard() ? down : effort <= f.easy() ? up : null);
        }
        if (up != null && kit.stream().anyMatch(w -> w.grams() == grams && w.count() >= hands)) {
          Integer from = f.after(up, 10, false);
          if (from != null) {
            assertThat(from).as("seed %d: too hard goes back", seed).isEqualTo(grams);
            back++;
          }
        }
      }
    }
    assertThat(ups).isGreaterThan(30);
    assertThat(back).isGreaterThan(20);
  }
}
