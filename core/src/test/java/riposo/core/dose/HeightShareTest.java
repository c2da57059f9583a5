package riposo.core.dose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HeightShareTest {
  @ParameterizedTest(name = "{0} cm: {1}, {2}")
  @CsvSource({
    "0, 0.64, MEASURED",
    "30, 0.55, MEASURED",
    "61, 0.41, MEASURED",
    "15, 0.595, BETWEEN",
    "45, 0.48, BETWEEN",
    "62, 0.4065, ESTIMATE",
    "90, 0.31, ESTIMATE",
    "136, 0.15, ESTIMATE",
    "200, 0.15, ESTIMATE",
  })
  void thePointsAreMeasuredAndTheRestIsSaidToBeReckoned(
      int cm, double share, HeightShare.Basis basis) {
    HeightShare at = HeightShare.at(cm, 170);
    assertThat(at.share()).isCloseTo(share, within(0.005));
    assertThat(at.basis()).isEqualTo(basis);
  }

  @Test
  void beyondTheMeasuredHeightsTheStatureIsNeeded() {
    assertThat(HeightShare.at(62, null)).isNull();
    assertThat(HeightShare.at(61, null)).isEqualTo(HeightShare.at(61, 170));
  }

  @Test
  void higherHandsAreNeverMore() {
    for (int stature = 120; stature <= 210; stature += 10) {
      double before = 1;
      for (int cm = 0; cm <= 200; cm++) {
        double now = HeightShare.at(cm, stature).share();
        assertThat(now).isLessThanOrEqualTo(before).isBetween(0.15, 0.64);
        before = now;
      }
    }
  }
}
