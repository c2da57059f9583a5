package riposo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Keyboard;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** Nothing missed on the way in: fast keys, an immediate reload, who may not train, today. */
class SafetyTest {
  private final Page page = Studio.marit(1280, 800);

  private void add(String name) {
    Studio.open(page, "/clients");
    Studio.button(page, "Add a client").click();
    page.getByLabel("Name").fill(name);
    page.getByLabel("Date of birth").fill("1961-03-04");
    page.getByLabel("mat", new Page.GetByLabelOptions().setExact(true)).check();
    Studio.button(page, "Add, then screen").click();
    page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name)).waitFor();
    page.waitForFunction("() => document.activeElement.getAttribute('role') === 'radiogroup'");
  }

  private void type(String keys) {
    page.keyboard().type(keys, new Keyboard.TypeOptions().setDelay(30));
  }

  private Locator outcome() {
    return page.getByLabel("Outcome", new Page.GetByLabelOptions().setExact(true));
  }

  @Test
  void noKeyIsSwallowedAtThirtyMillisecondsAndNoAnswerLostByReloadingAtOnce() {
    add("Runa Swift");
    assertThat(outcome()).containsText("Not known yet");
    assertThat(outcome()).not().containsText("Ready");
    int gates = page.locator("[role=radiogroup][aria-label]").count();
    // all no, a joint, what the joint brings up, and on: one key after the other
    type("n".repeat(13));
    page.reload();
    page.waitForFunction("() => document.activeElement.getAttribute('role') === 'radiogroup'");
    assertEquals(13, page.locator("button[aria-checked=true]").count(), "kept by the reload");
    assertThat(page.getByText(gates - 13 + " to answer")).isVisible();
    type("n".repeat(gates - 14) + "y");
    assertEquals(gates, page.locator("button[aria-checked=true]").count());
    assertThat(page.getByText("all answered")).isVisible();
    assertThat(outcome()).containsText("Ready");
    // another name than the client's is asked on whose behalf
    page.keyboard().type("Eva Swift");
    page.keyboard().press("Enter");
    assertThat(page.getByText("“Eva Swift” is not Runa Swift").first()).isVisible();
    page.getByLabel("On behalf of Runa Swift, as").fill("sister");
    Studio.button(page, "Sign and keep").click();
    assertThat(page.getByText("Eva Swift (sister), on behalf of Runa Swift").first()).isVisible();

    // again: what is about now is asked fresh, the rest stands beside with its day
    Studio.button(page, "Screen again").click();
    page.waitForFunction("() => document.activeElement.getAttribute('role') === 'radiogroup'");
    Locator chest =
        page.getByRole(
            AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName("Pressure or pain in chest"));
    assertThat(chest).containsText(": no");
    assertThat(chest.locator("[aria-checked=true]")).hasCount(0);
    assertThat(outcome()).containsText("Not known yet");
    Locator heart =
        page.getByRole(
            AriaRole.RADIOGROUP,
            new Page.GetByRoleOptions().setName("Heart or vessel trouble, ever"));
    assertThat(heart.locator("[aria-checked=true]")).hasText("no");
  }

  @Test
  void whoMayNotTrainHasNoCardNoStartAndNoPlaceInAGroup() {
    add("Osk Waits");
    Studio.screen(page, java.util.Map.of("Heart or vessel trouble, ever", "y", "An aneurysm", "y"));
    page.keyboard().type("Osk Waits");
    page.keyboard().press("Enter");
    page.getByText("Version 1,").first().waitFor();
    Studio.link(page, "Plan").click();
    Locator bar = page.getByLabel("Not to be trained now");
    assertThat(bar).containsText("Only a clearance opens this; no reason lifts it.");
    assertThat(bar).containsText("An aneurysm, at any time");
    assertThat(bar.getByText("Record a clearance")).isVisible();
    assertThat(Studio.button(page, "Start this session")).hasCount(0);
    assertThat(page.getByText("Card A4")).hasCount(0);
    String card = page.url().replaceFirst("/clients/([^/]+)/.*", "/api/clients/$1/adapted/");
    String plans = page.request().get(Studio.url("/api/plans")).text();
    String plan = plans.replaceFirst("(?s).*?\"id\":\"([^\"]+)\".*", "$1");
    var answer = page.request().get(card + plan + "/card.pdf");
    assertEquals(409, answer.status());
    // the clearance wants size and pressure limit
    bar.getByText("Record a clearance").click();
    page.getByLabel("Name").fill("A. Holm");
    page.getByRole(AriaRole.DIALOG).locator("button[type=submit]").click();
    assertThat(page.getByText("states its size, in mm").first()).isVisible();
    assertThat(page.getByText("states the pressure limit, in mmHg").first()).isVisible();
  }

  @Test
  void aSymptomOfTodayIsNotUndoneByASecondCheck() {
    Studio.client(page, "Mirjam Oyelaran");
    Studio.plan(page);
    Studio.button(page, "Start this session").click();
    for (String tap : new String[] {"Pain now 0", "Sleep 7", "Energy 7"}) {
      Studio.choice(page, tap).click();
    }
    page.getByLabel("fever, chest infection or vomiting").check();
    Locator today = page.getByLabel("Today", new Page.GetByLabelOptions().setExact(true));
    assertThat(today).containsText("Not today");
    Studio.button(page, "Keep this check").click();
    assertThat(page.getByText("Kept. No session on this check.")).isVisible();
    page.keyboard().press("Escape");
    Studio.button(page, "Start this session").click();
    assertThat(page.getByLabel("Checked already today")).containsText("Fever");
    for (String tap : new String[] {"Pain now 0", "Sleep 8", "Energy 8"}) {
      Studio.choice(page, tap).click();
    }
    assertThat(today).containsText("symptoms today, or “none of these”");
    page.getByLabel("none of these").check();
    assertThat(today).not().containsText("Still wanted");
    assertThat(today).containsText("Earlier today: Fever");
    assertThat(Studio.button(page, "Start")).hasCount(0);
    // only as a mistaken tap, with its reason, is it taken back
    Studio.button(page, "Tapped by mistake").click();
    page.getByLabel("How did it come to be tapped?").fill("the line above was meant");
    Studio.button(page, "Withdraw this check").click();
    assertThat(page.getByLabel("Checked already today")).containsText("the line above was meant");
    assertThat(Studio.button(page, "Start")).isVisible();
  }
}
