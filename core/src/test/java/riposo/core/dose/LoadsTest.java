package riposo.core.dose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LoadsTest {
  private static final List<Weight> KIT =
      List.of(new Weight(1000, 2), new Weight(2000, 2), new Weight(3000, 1));

  @ParameterizedTest(name = "target {0}, cap {1}, {2} hands: {3}")
  @CsvSource({
    "2500, 9000, 2, 2000",
    "3000, 9000, 2, 2000",
    "3000, 9000, 1, 3000",
    "2000, 1999, 2, 1000",
    "2000, 2000, 2, 2000",
    "900, 9000, 2, 0"
  })
  void roundsDownToKitAndNeverPassesTheCap(int target, int cap, int hands, int grams) {
    assertThat(Loads.atOrUnder(target, cap, hands, KIT).orElse(0)).isEqualTo(grams);
  }

  @Test
  void fromTwoToThreeKilogramsNeeds28Reps() {
    assertThat(Loads.equalReps(2000, 3000, 8, 2)).isEqualTo(28);
    assertThat(Loads.tooBig(2000, 3000)).isTrue();
    assertThat(Loads.tooBig(10_000, 11_000)).isFalse();
    assertThat(Loads.tooBig(10_000, 11_001)).isTrue();
  }
}
