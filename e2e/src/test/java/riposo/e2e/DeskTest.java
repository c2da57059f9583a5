package riposo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** The evening before: plans, limits, clearances, two people at one client, wrong input. */
class DeskTest {
  private final Page page = Studio.marit(1280, 800);

  @AfterEach
  void now() {
    Studio.shift(Duration.ZERO);
  }

  private Locator field(String label) {
    return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
  }

  private void pick(String block, String text, String name) {
    field("Add a movement to " + block).fill(text);
    page.locator("[role=listbox] [role=option]")
        .filter(new Locator.FilterOptions().setHasText(name))
        .first()
        .click();
  }

  @Test
  void aPlanIsBuiltByFindingMovementsAndTheTotalIsExact() {
    Studio.open(page, "/plans/new");
    field("Name of the plan").fill("Evening draft");
    pick("Warm-up", "march", "March in place");
    for (String[] m :
        List.of(
            new String[] {"chair tap", "Chair tap"},
            new String[] {"one-arm row", "One-arm row"},
            new String[] {"counter push", "Counter push-up"},
            new String[] {"side raise", "Side raise"},
            new String[] {"heel raise", "Standing heel raise"})) {
      pick("Work", m[0], m[1]);
    }
    pick("Cool-down", "breath", "Seated low breathing");
    // nothing is guessed: the numbers are asked for
    assertThat(page.getByText("Still to say: Work, intervals, in order: work, rest, rounds."))
        .isVisible();
    number("work, s").fill("40");
    number("rest, s").fill("30");
    number("rounds").fill("2");
    // 60 + 5 x (40 + 30) x 2 + 60, and 5 s to sit down that the last rest covers
    assertThat(total()).hasText("13:40");
    assertThat(page.getByText("Warm-up 1:00 is short: 4:34 is wanted (5 min or 15 %)."))
        .isVisible();
    number("work, s").fill("0");
    assertThat(page.getByText("work must lie between 5 and 600 s, was 0").first()).isVisible();
    number("work, s").fill("50");
    assertThat(total()).hasText("15:20");
    // the first mend in the list is the warm-up's
    page.evaluate("document.activeElement.blur()");
    page.keyboard().press("1");
    assertThat(page.getByText("Warm-up 1:00 is short")).hasCount(0);
    page.keyboard().press("z");
    assertThat(total()).hasText("15:20");
    // gone somewhere else before saving, and back: nothing is lost
    Studio.open(page, "/clients");
    page.getByText("Odile Varga").first().waitFor();
    Studio.open(page, "/plans/new");
    assertThat(field("Name of the plan")).hasValue("Evening draft");
    assertThat(total()).hasText("15:20");
    Studio.button(page, "Keep plan").click();
    assertThat(Studio.button(page, "Saved")).isVisible();
    page.reload();
    assertThat(field("Name of the plan")).hasValue("Evening draft");
    assertThat(total()).hasText("15:20");
  }

  @Test
  void aLadderIsBuiltByKeyboardAloneAndReadsNineteenForty() {
    Studio.open(page, "/plans/new");
    page.getByPlaceholder("Name of the plan").waitFor();
    page.keyboard().press("n");
    page.keyboard().type("Ladder by keys");
    page.locator("#plan-name").blur();
    page.keyboard().press("a");
    for (String m : List.of("squat", "hinged row", "kick-back held", "counter push", "march")) {
      page.keyboard().type(m);
      page.locator("[role=listbox] [role=option]").first().waitFor();
      page.keyboard().press("Enter");
    }
    page.keyboard().press("Escape");
    page.keyboard().press("f");
    page.keyboard().type("ladder");
    page.keyboard().press("Tab");
    page.keyboard().type("60/50/40/30/20");
    assertThat(total()).hasText("19:40");
    page.keyboard().press("Control+s");
    assertThat(Studio.button(page, "Saved")).isVisible();
  }

  private Locator total() {
    return page.getByLabel("total", new Page.GetByLabelOptions().setExact(true));
  }

  private Locator number(String label) {
    return page.getByRole(AriaRole.SPINBUTTON, new Page.GetByRoleOptions().setName(label));
  }

  @Test
  void aFirmLimitIsSetWithItsSourceAndChangesTheAdaptedPlanAtOnce() {
    Studio.client(page, "Corentin Abiola");
    Studio.link(page, "Limits").click();
    Studio.button(page, "Add a limit").click();
    field("What").selectOption("grip");
    field("Side").selectOption("LEFT");
    page.getByLabel("Up to, level").fill("7");
    Studio.button(page, "Set the limit").click();
    assertThat(page.getByText("Say who set it.").first()).isVisible();
    field("Source").fill("hand clinic");
    Studio.button(page, "Set the limit").click();
    assertThat(page.getByText("must lie between 0 and 3, was 7").first()).isVisible();
    page.getByLabel("Up to, level").fill("1");
    Studio.button(page, "Set the limit").click();
    Locator row =
        page.getByRole(AriaRole.LISTITEM)
            .filter(new Locator.FilterOptions().setHasText("left grip ≤ 1"))
            .last();
    assertThat(row).containsText("hand clinic");
    assertEquals(0, row.getByText("Lift").count(), "a firm limit has no way to be lifted");
    Studio.link(page, "Plan").click();
    page.locator("select").first().selectOption("Chair and kettle");
    Locator pull = page.locator("tr", new Page.LocatorOptions().setHasText("Seated band row"));
    assertThat(pull)
        .containsText(
            "asks for 2 of grip on the left; limit 1 (hand clinic, until reviewed, firm)");
  }

  @Test
  void twoPeopleAtOneClientLoseNothing() {
    Studio.client(page, "Thandi Mokoena");
    Page other = Studio.signedIn(1280, 800, "piet@lanternfield.example", "lantern-light");
    Studio.open(other, page.url());
    Studio.button(page, "Edit").click();
    Studio.button(other, "Edit").click();
    other.getByLabel("Goal, in their words").fill("carry a toddler up the stairs");
    Studio.button(other, "Save").click();
    assertThat(other.getByText("“carry a toddler up the stairs”")).isVisible();
    field("Goal, in their words").fill("sleep through");
    Studio.button(page, "Save").click();
    assertThat(page.getByText("Someone changed this since you opened it.")).isVisible();
    assertThat(page.getByText("\"carry a toddler up the stairs\"")).isVisible();
    assertThat(field("Goal, in their words")).hasValue("sleep through");
  }

  @Test
  void onlyAClearanceOpensAClearanceOnlyClient() {
    Studio.client(page, "Benedikt Aalto");
    Studio.link(page, "Plan").click();
    assertThat(page.getByText("Only a clearance opens this; no reason lifts it.")).isVisible();
    assertThat(Studio.button(page, "Start this session")).hasCount(0);
    Studio.link(page, "Record a clearance").click();
    field("Name").fill("Dr. Hale");
    field("Good until").fill(LocalDate.now(Studio.ZONE).plusYears(3).toString());
    Studio.button(page, "Record").click();
    assertThat(page.getByText("A clearance is good for 12 months at most.").first()).isVisible();
    field("Good until").fill(LocalDate.now(Studio.ZONE).plusMonths(6).toString());
    Studio.button(page, "Record").click();
    assertThat(page.getByText("doctor Dr. Hale").first()).isVisible();
    Studio.link(page, "Overview").click();
    assertThat(page.getByText("Ready with limits").first()).isVisible();
    // the reading before every run still stands
    Studio.plan(page);
    Studio.button(page, "Start this session").click();
    Studio.wellThenStart(page);
    assertThat(page.getByText("Still wanted:").first()).isVisible();
    page.getByLabel("Blood pressure, upper").fill("185");
    field("lower").fill("95");
    Studio.button(page, "Start").click();
    assertThat(page.getByText("185/95 mmHg: not today").first()).isVisible();
    // a repeat counts after five minutes seated
    page.getByLabel("Blood pressure, upper").fill("166");
    page.getByLabel("Resting pulse").fill("64");
    assertThat(page.getByText("Earlier today: Blood pressure 185/95 mmHg").first()).isVisible();
    Studio.shift(Duration.ofMinutes(6));
    page.getByLabel("Blood pressure, upper").fill("165");
    assertThat(
            page.getByText("Blood pressure 165/95 mmHg: no long holds, effort 5 at most.").first())
        .isVisible();
    // and the firm 15 minutes of warm-up after a heart event still stand
    Studio.button(page, "Start").click();
    assertThat(page.getByText("A firm limit on the session closes this plan.")).isVisible();
    assertThat(page.getByText("warm-up of 5 min; at least 15 min").last()).isVisible();
  }

  @Test
  void screeningSaysWhatIsWrongAtTheQuestionAndWeeksAreCounted() {
    Studio.client(page, "Sunniva Aske");
    Studio.link(page, "Screening").click();
    for (String question :
        List.of("Pregnant, or a birth in the last 12 months?", "Pregnant now?")) {
      page.getByLabel(question)
          .getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName("yes"))
          .click();
    }
    Locator due = page.locator("input[type=date]");
    due.fill(LocalDate.now(Studio.ZONE).plusDays(400).toString());
    assertThat(page.getByText("gives a pregnancy not yet begun")).isVisible();
    due.fill(LocalDate.now(Studio.ZONE).plusDays(280 - 24 * 7 - 3).toString());
    assertThat(page.getByText("24+3").first()).isVisible();
    page.getByLabel("Read to and agreed by").fill("Sunniva Aske");
    Studio.button(page, "Sign and keep").click();
    assertThat(page.getByText(Pattern.compile("fields need another look")).first()).isVisible();
    assertThat(page.getByText(Pattern.compile("\\d+ to answer"))).isVisible();
  }

  @Test
  void aSessionIsPutOnTheDaySheetAndTakenOffAgain() {
    Studio.button(page, "Add a session").click();
    Studio.button(page, "Put on the sheet").click();
    assertThat(page.getByText("Choose a client.").first()).isVisible();
    field("Client").selectOption("Noor Hallström");
    field("Plan").selectOption("Short and restful");
    field("Time").fill("18:45");
    Studio.button(page, "Put on the sheet").click();
    Locator row =
        page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("18:45"));
    assertThat(row).containsText("Noor Hallström");
    assertThat(row).containsText("Ready with limits");
    row.getByText("Take off the sheet").click();
    assertThat(row).hasCount(0);
    Studio.open(page, "/records");
    assertThat(page.getByText("Marit Solheim removed appointment").first()).isVisible();
  }

  @Test
  void aWrongPasswordSaysNoMoreThanItMust() {
    Page stranger = Studio.page(360, 740);
    stranger.navigate(Studio.url("/clients"));
    Studio.button(stranger, "Sign in").click();
    assertThat(stranger.getByText("Give your e-mail address.").first()).isVisible();
    for (String email : List.of("marit@lanternfield.example", "nobody@nowhere.example")) {
      stranger.getByLabel("E-mail").fill(email);
      stranger.getByLabel("Password").fill("wrong");
      Studio.button(stranger, "Sign in").click();
      assertThat(stranger.getByText("Address and password do not match.")).isVisible();
    }
    stranger.navigate(Studio.url("/check-in/" + "A".repeat(43)));
    assertThat(stranger.getByText("This link is incomplete or altered.")).isVisible();
  }
}
