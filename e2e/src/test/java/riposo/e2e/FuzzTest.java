package riposo.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import riposo.bench.Desk;
import riposo.bench.Fuzz;

/** Requests made up by chance from the API's document, in a studio of their own. */
class FuzzTest {
  @Test
  void noneOfFiveHundredOddRequestsBreaksTheServer() throws Exception {
    Desk desk = new Desk(Studio.url(""));
    desk.signIn(Studio.STRANGER, "elsewhere-1");
    String client = desk.client("Odd Fellow");
    desk.start(client, desk.plan(), desk.check(client));
    Fuzz fuzz = new Fuzz(Studio.url(""), 18);
    fuzz.signIn(Studio.STRANGER, "elsewhere-1");
    Fuzz.Outcome o = fuzz.run(500);
    assertThat(o.failed()).isEmpty();
    // they get further than the door: some are understood, some are refused
    assertThat(o.statuses()).as("%s", o).containsKeys(200, 404, 422);
    assertThat(o.statuses().get(200)).isGreaterThan(50);
    desk.signIn(Studio.STRANGER, "elsewhere-1");
    assertThat(desk.get("/me").path("studio").asString()).isNotEmpty();
  }
}
