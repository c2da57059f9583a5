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
    assertThat(WeightFinding.of(grams, most, hands, KIT, goal, cut).after(effort)).isEqualTo(next);
  }

  @Test
  void whatIsOfferedIsOneStepOfTheKitAndNeverOverACap() {
    int ups = 0;
    for (int seed = 0; seed < 500; seed++) {
      Random r = new Random(seed);
      List<Weight> kit = new ArrayList<>();
      for (int i = 0; i < 1 + r.nextInt(5); i++) {
        kit.add(new Weight(500 * (1 + r.nextInt(12)), 1 + r.nextInt(2)));
      }
      int grams = r.nextInt(4) == 0 ? 0 : kit.get(r.nextInt(kit.size())).grams();
      int most = 500 * r.nextInt(12);
      boolean cut = r.nextBoolean();
      WeightFinding f =
          WeightFinding.of(grams, most, 1 + r.nextInt(2), kit, 1 + r.nextInt(10), cut);
      Integer up = f.up();
      Integer down = f.down();
      if (up != null) {
        assertThat(up).as("seed %d", seed).isGreaterThan(grams).isLessThanOrEqualTo(most);
        assertThat(kit).extracting(Weight::grams).contains(up);
        assertThat(cut).as("seed %d: never up on a cut day", seed).isFalse();
        ups++;
      }
      if (down != null) {
        assertThat(down).as("seed %d", seed).isLessThan(grams);
      }
      for (int effort = 0; effort <= 10; effort++) {
        assertThat(f.after(effort))
            .as("seed %d, effort %d", seed, effort)
            .isEqualTo(effort >= f.hard() ? down : effort <= f.easy() ? up : null);
      }
    }
    assertThat(ups).isGreaterThan(30);
  }
}
