package riposo.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/**
 * Makes the pictures of docs/screenshots from the demo data; run by ./riposo shots. Its name keeps
 * it out of the test run: it asserts nothing.
 */
class Shots {
  private static final Path DIR = Path.of(System.getProperty("riposo.shots", "target/shots"));

  @Test
  void take() throws java.io.IOException {
    Page page = Studio.marit(1280, 800);
    page.getByText("Waits for you").waitFor();
    shot(page, "day-sheet");
    Studio.client(page, "Sunniva Aske");
    page.getByText("Screen Sunniva").click();
    page.getByLabel("Pressure or pain in chest, neck, jaw or arm when you exert yourself?")
        .waitFor();
    page.waitForFunction("() => document.activeElement.getAttribute('role') === 'radiogroup'");
    for (String key : "n n n n n n y n n u".split(" ")) {
      page.keyboard().press(key);
      page.waitForTimeout(300);
    }
    page.waitForTimeout(500);
    shot(page, "screening");
    Studio.client(page, "Odile Varga");
    Studio.link(page, "Limits").click();
    page.getByText("Limits and their history").waitFor();
    page.getByText("What closes most").waitFor();
    shot(page, "limits");
    Studio.link(page, "Plan").click();
    page.getByText("the stair").waitFor();
    page.getByText("Push, horizontal").or(page.getByText("floor push-up")).first().waitFor();
    page.keyboard().press("t");
    page.getByText("What the choice gives up").scrollIntoViewIfNeeded();
    page.setViewportSize(1280, 1500);
    page.evaluate("window.scrollTo(0, 0)");
    page.waitForTimeout(800);
    shot(page, "adapt");
    page.setViewportSize(1280, 800);
    Studio.open(page, "/movements?without=grip,standing");
    page.getByText("Seated buttock squeeze").waitFor();
    page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
    shot(page, "movements");
    Studio.client(page, "Odile Varga");
    Studio.link(page, "Tolerance").click();
    page.getByText("morning not answered").waitFor();
    shot(page, "tolerance");
    Studio.open(page, "/plans");
    page.getByText("Steady Tuesday").click();
    page.getByText("posture changes").first().waitFor();
    shot(page, "plan");
    Studio.open(page, "/groups");
    page.locator("a[href^='/groups/']").last().click();
    page.getByText("People and lanes").waitFor();
    page.getByText("3 push").first().click();
    page.evaluate("window.scrollTo(0, 0)");
    shot(page, "group");
    printed(page);
    Studio.open(page, "/");
    page.locator("a[href^='/run/']").first().click();
    page.getByRole(AriaRole.TIMER).waitFor();
    // in a rest near is there by itself
    for (int i = 0; i < 60 && Studio.choice(page, "effort 5").count() == 0; i++) {
      page.keyboard().press("ArrowRight");
      page.waitForTimeout(150);
    }
    Studio.choice(page, "effort 4").click();
    shot(page, "run");
    page.keyboard().press("f");
    page.locator("[data-far=name]").waitFor();
    shot(page, "run-far");
    page.keyboard().press("s");
    page.getByText("Choose what was seen").waitFor();
    shot(page, "stop-panel");
    Studio.button(page, "Close, nothing happened").click();
    Studio.open(page, "/records");
    String link = page.locator("a[href*='/check-in/']").first().getAttribute("href");
    Page phone = Studio.page(360, 780);
    phone.navigate(link);
    phone.getByText("Anything new?").waitFor();
    shot(phone, "check-in");
    Studio.client(page, "Odile Varga");
    Studio.link(page, "Tolerance").click();
    Studio.link(page, "For the client").click();
    page.getByText("What comes next").waitFor();
    shot(page, "for-client");
    Studio.link(page, "Review").click();
    Studio.button(page, "Begin the review").click();
    page.getByText("What next").waitFor();
    shot(page, "review");
    Studio.open(page, "/kit");
    page.getByText("Who trains where").waitFor();
    shot(page, "kit");
    Studio.client(page, "Aurelio Pask");
    Studio.link(page, "Papers").click();
    page.getByText("Who saw and changed").waitFor();
    shot(page, "papers");
    Studio.plan(page);
    Studio.button(page, "Start this session").click();
    for (String tap : new String[] {"Pain now 1", "Sleep 3", "Energy 6"}) {
      Studio.choice(page, tap).click();
    }
    page.getByLabel("a cold").check();
    page.evaluate("document.querySelector('[role=dialog] > div').scrollTo(0, 0)");
    page.waitForTimeout(800);
    shot(page, "today-check");
    groupRun(page);
  }

  /** The first page of the group sheet and of a card, as they come out of the printer. */
  /** The group of the demo in its hour, one of them eased. */
  private static void groupRun(Page page) throws java.io.IOException {
    try {
      riposo.bench.Desk desk = Studio.desk();
      String group =
          desk.get("/groups")
              .valueStream()
              .filter(g -> g.path("name").asString().equals("Steady Tuesday"))
              .findFirst()
              .orElseThrow()
              .path("id")
              .asString();
      java.util.List<String> who = new java.util.ArrayList<>();
      for (tools.jackson.databind.JsonNode p :
          desk.get("/groups/" + group + "/start").path("people")) {
        // who has a session open, or is asked for a reading, stays out of the picture
        boolean open =
            desk.get("/clients/" + p.path("clientId").asString() + "/runs")
                .path("lines")
                .valueStream()
                .anyMatch(
                    r ->
                        java.util.Set.of("READY", "RUNNING", "PAUSED")
                            .contains(r.path("status").asString()));
        if (!open && p.path("needs").path("required").isEmpty()) {
          who.add(p.path("clientId").asString());
        }
      }
      page.navigate(Studio.url("/run/" + desk.startGroup(group, who).path("id").asString()));
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
    Studio.button(page, "Start").click();
    for (int i = 0; i < 60 && page.getByText("round 1 of").count() == 0; i++) {
      page.keyboard().press("ArrowRight");
      page.waitForTimeout(150);
    }
    for (String effort : java.util.List.of("4", "5", "6")) {
      page.keyboard().press("ArrowDown");
      Studio.choice(page, "effort " + effort).click();
    }
    page.keyboard().press("ArrowDown");
    Studio.choice(page, "pain 4").click();
    page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
    shot(page, "run-group");
  }

  private static void printed(Page page) throws java.io.IOException {
    String group = page.locator("a[href*='sheet.pdf']").first().getAttribute("href");
    try (org.apache.pdfbox.pdmodel.PDDocument d =
        org.apache.pdfbox.Loader.loadPDF(page.request().get(Studio.url(group)).body())) {
      javax.imageio.ImageIO.write(
          new org.apache.pdfbox.rendering.PDFRenderer(d).renderImageWithDPI(0, 96),
          "png",
          DIR.resolve("printed.png").toFile());
    }
  }

  private static void shot(Page page, String name) {
    page.evaluate("document.fonts.ready");
    page.waitForTimeout(250);
    page.screenshot(new Page.ScreenshotOptions().setPath(DIR.resolve(name + ".png")));
  }
}
