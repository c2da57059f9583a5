package riposo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** The stop panel: safe to open, hard to trip, and a way back for a tap in error. */
class StopTest {
  @Test
  void openedInErrorRecordsNothingConfirmedEndsAndATapInErrorIsWithdrawn() {
    Page page = Studio.marit(1280, 800);
    Studio.client(page, "Joaquim Prado");
    String client = page.url();
    Studio.plan(page);
    Studio.button(page, "Start this session").click();
    Studio.wellThenStart(page);
    page.getByText("gone ·").waitFor();
    Studio.button(page, "keep near").click();
    Studio.button(page, "Start").click();
    assertThat(page.getByText("paused", new Page.GetByTextOptions().setExact(true))).isHidden();

    // opened by its key: paused, and nothing that is pressed again does anything
    page.keyboard().press("s");
    Locator panel = page.getByRole(AriaRole.DIALOG);
    panel.waitFor();
    page.keyboard().press("Space");
    page.keyboard().press("Space");
    page.keyboard().press("Enter");
    page.keyboard().press("s");
    assertThat(panel).isVisible();
    assertThat(Studio.button(page, "Stop the session and record")).isDisabled();
    for (int width : new int[] {1280, 360}) {
      page.setViewportSize(width, width == 360 ? 640 : 800);
      inView(page, "Close, nothing happened", width);
      inView(page, "Stop the session and record", width);
    }
    page.setViewportSize(1280, 800);
    page.mouse().click(5, 400);
    assertThat(panel).isVisible();
    Studio.button(page, "Close, nothing happened").click();
    assertThat(panel).isHidden();
    assertThat(page.getByText("paused", new Page.GetByTextOptions().setExact(true))).isHidden();
    assertThat(page.getByText("Everything is kept.")).isVisible();
    String run = page.url().substring(page.url().lastIndexOf('/') + 1);
    String events = page.request().get(Studio.url("/api/runs/" + run + "/events")).text();
    assertTrue(events.contains("PAUSE") && events.contains("RESUME"), events);
    assertTrue(!events.contains("STOP"), events);

    // closed while it was paused, it stays paused
    page.keyboard().press("Space");
    assertThat(page.getByText("paused", new Page.GetByTextOptions().setExact(true))).isVisible();
    page.keyboard().press("s");
    Studio.button(page, "Close, nothing happened").click();
    assertThat(page.getByText("paused", new Page.GetByTextOptions().setExact(true))).isVisible();

    // chosen, then confirmed
    page.keyboard().press("s");
    page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Chest pressure or pain"))
        .click();
    assertThat(page.getByText("Sit them up, supported")).isVisible();
    Studio.button(page, "Stop the session and record").click();
    assertThat(page.getByText("starts again only with a clearance")).isVisible();
    Page other = Studio.marit(1280, 800);
    Studio.open(other, client);
    assertThat(other.getByText("A session was stopped on").first()).isVisible();

    // withdrawn, with a reason
    Studio.button(page, "Tapped in error").click();
    Studio.button(page, "Withdraw this stop").click();
    assertThat(page.getByText("Say how it came to be tapped.")).isVisible();
    page.getByLabel("How did it come to be tapped?").fill("the tablet slid off the chair");
    Studio.button(page, "Withdraw this stop").click();
    assertThat(page.getByText("Withdrawn as tapped in error by Marit Solheim")).isVisible();
    assertThat(page.getByText("Chest pressure or pain").first()).isVisible();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Stopped")))
        .isVisible();
    other.reload();
    assertThat(other.getByRole(AriaRole.HEADING).first()).isVisible();
    assertThat(other.getByText("A session was stopped on")).hasCount(0);
  }

  private static void inView(Page page, String button, int width) {
    Locator b = Studio.button(page, button);
    var box = b.boundingBox();
    assertTrue(
        box.y >= 0
            && box.y + box.height <= page.viewportSize().height
            && box.x >= 0
            && box.x + box.width <= width,
        button + " is out of view at " + width + " px");
    assertEquals(
        button,
        page.evaluate(
            "([x, y]) => document.elementFromPoint(x, y).closest('button').textContent",
            new Object[] {box.x + box.width / 2, box.y + box.height / 2}),
        "covered");
  }
}
