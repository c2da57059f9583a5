package riposo.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import riposo.bench.Desk;
import riposo.bench.Fuzz;
import riposo.server.platform.Studios;

/** Requests made up by chance from the API's document, in a studio of their own. */
class FuzzTest {
  private static final String OWNER = "owner@oddities.example";
  private static final String PASSWORD = "odd-and-even";

  @Test
  void noneOfFiveHundredOddRequestsBreaksTheServer() throws Exception {
    Studios studios = Studio.bean(Studios.class);
    studios.addAccount(studios.create("Oddities", "UTC", "112"), OWNER, "O. Dd", PASSWORD);
    Desk desk = new Desk(Studio.url(""));
    desk.signIn(OWNER, PASSWORD);
    String client = desk.client("Odd Fellow");
    desk.start(client, desk.plan(), desk.check(client));
    Fuzz fuzz = new Fuzz(Studio.url(""), 18);
    fuzz.signIn(OWNER, PASSWORD);
    Fuzz.Outcome o = fuzz.run(500);
    assertThat(o.failed()).isEmpty();
    // they get further than the door: some are understood, some are refused
    assertThat(o.statuses()).as("%s", o).containsKeys(200, 404, 422);
    assertThat(o.statuses().get(200)).isGreaterThan(50);
    desk.signIn(OWNER, PASSWORD);
    assertThat(desk.get("/me").path("studio").asString()).isNotEmpty();
  }
}
