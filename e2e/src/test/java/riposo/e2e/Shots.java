package riposo.e2e;

import com.microsoft.playwright.Page;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/**
 * Makes the pictures of docs/screenshots from the demo data; run by ./riposo shots. Its name keeps
 * it out of the test run: it asserts nothing.
 */
class Shots {
  private static final Path DIR = Path.of(System.getProperty("riposo.shots", "target/shots"));

  @Test
  void take() {
    Page page = Studio.marit(1280, 800);
    page.getByText("Waits for you").waitFor();
    shot(page, "day-sheet");
    Studio.client(page, "Wendeline Cruz");
    page.getByText("Screen Wendeline").click();
    page.getByText("Chest").or(page.getByText("Pressure or pain in chest")).first().waitFor();
    for (String key : "n n n n n n n n n n n n u".split(" ")) {
      page.keyboard().press(key);
      page.waitForTimeout(170);
    }
    page.waitForTimeout(500);
    shot(page, "screening");
    Studio.client(page, "Odile Varga");
    Studio.link(page, "Limits").click();
    page.getByText("Limits and their history").waitFor();
    shot(page, "limits");
    Studio.link(page, "Plan").click();
    page.getByText("the stair").waitFor();
    page.getByText("Push, horizontal").or(page.getByText("floor push-up")).first().waitFor();
    shot(page, "adapt");
    Studio.link(page, "Tolerance").click();
    page.getByText("height: rung").waitFor();
    shot(page, "tolerance");
    page.navigate(Studio.url("/plans"));
    page.getByText("Steady Tuesday").click();
    page.getByText("posture changes").first().waitFor();
    shot(page, "plan");
    page.navigate(Studio.url("/"));
    page.locator("a[href^='/run/']").first().click();
    page.getByText("gone ·").waitFor();
    shot(page, "run");
    page.navigate(Studio.url("/records"));
    String link = page.locator("a[href*='/check-in/']").first().getAttribute("href");
    Page phone = Studio.page(360, 780);
    phone.navigate(link);
    phone.getByText("Anything new?").waitFor();
    shot(phone, "check-in");
    Studio.client(page, "Rashid Temur");
    Studio.link(page, "Screening").click();
    page.getByText("Proposed limits").waitFor();
    shot(page, "proposals");
  }

  private static void shot(Page page, String name) {
    page.evaluate("document.fonts.ready");
    page.waitForTimeout(250);
    page.screenshot(new Page.ScreenshotOptions().setPath(DIR.resolve(name + ".png")));
  }
}
