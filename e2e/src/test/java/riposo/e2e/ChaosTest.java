package riposo.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import riposo.bench.Chaos;

/**
 * Runs made up by chance on the real server: two devices, cuts, reloads, late and doubled events.
 */
class ChaosTest {
  private static final int RUNS = 50;

  @Test
  void inFiftyRunsByChanceNothingIsLostOrTwiceAndAllComeToTheSame() throws Exception {
    Chaos.Outcome o = new Chaos(Studio.desk(), null).runs(RUNS, 16);
    assertThat(o.runs()).isEqualTo(RUNS);
    assertThat(o.events()).as("%s", o).isGreaterThan(RUNS * 15);
    assertThat(o.acknowledged()).as("%s", o).isEqualTo(o.events());
    assertThat(o.lost()).as("%s", o).isZero();
    assertThat(o.doubled()).as("%s", o).isZero();
    assertThat(o.apart()).as("%s", o).isZero();
  }
}
