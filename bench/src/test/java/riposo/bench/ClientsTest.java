package riposo.bench;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What the rules promise to clients who follow every verdict for 26 weeks, whoever they are. */
class ClientsTest {
  private static final int CLIENTS = 4;

  @ParameterizedTest
  @EnumSource(Clients.Kind.class)
  void theRulesKeepTheirPromisesOver26Weeks(Clients.Kind kind) {
    Clients.Outcome o = Clients.of(kind, CLIENTS);
    assertThat(o.sessions()).isEqualTo(CLIENTS * 52);
    assertThat(o.over()).as("done past a limit, a cap or the kit").isZero();
    assertThat(o.met()).as("flares eased or stopped within two sessions").isEqualTo(o.flares());
    switch (kind) {
      case STEADY, RESPONDER ->
          assertThat(o.moved() * 100)
              .as("80 %% of families")
              .isGreaterThanOrEqualTo(o.families() * 80);
      case FATIGUED, NON_ANSWERER -> assertThat(o.ups()).isZero();
      case FLARER -> assertThat(o.flares()).isEqualTo(CLIENTS);
      case OVER_REPORTER -> assertThat(o.eases() + o.stops()).isPositive();
    }
  }
}
