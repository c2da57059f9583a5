package riposo.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** axe finds no violation of WCAG 2.2 A or AA on any screen, its panels opened. */
class AccessTest {
  private static final List<String> ALL =
      List.of(
          "",
          "/screening",
          "/screening/1",
          "/limits",
          "/pulse",
          "/plan",
          "/tolerance",
          "/tolerance/sit-stand",
          "/review",
          "/for-client",
          "/for-physio",
          "/record",
          "/papers",
          "/letter");
  private final List<String> found = new ArrayList<>();

  private void check(Page page, String where) {
    List<String> broken = Axe.broken(page, 5);
    broken.forEach(b -> found.add(where + ": " + b));
  }

  private void visit(Page page, String path) {
    Studio.open(page, path);
    check(page, path.replaceAll("[0-9a-f]{8}-[0-9a-f-]{27}", "…"));
  }

  /** Nothing is loading any more. */
  private static void settle(Page page) {
    page.waitForFunction("() => !document.body.innerText.includes('Loading ')");
  }

  @Test
  void everyScreenAndPanel() {
    Page stranger = Studio.page(360, 740);
    stranger.navigate(Studio.url("/"));
    Studio.button(stranger, "Sign in").click();
    stranger.getByText("Give your e-mail address.").first().waitFor();
    check(stranger, "sign in");
    Page page = Studio.marit(1280, 800);
    for (String path :
        List.of(
            "/",
            "/clients",
            "/plans",
            "/plans?view=start",
            "/groups",
            "/movements",
            "/movements/family/push",
            "/movements/counter-push-up",
            "/movements/new",
            "/rules",
            "/kit",
            "/records",
            "/settings")) {
      visit(page, path);
    }
    panel(page, "/", "Add a session");
    panel(page, "/clients", "Add a client");
    panel(page, "/kit", "Add a room or home");
    visit(page, "/plans/new");
    panel(page, "/groups", "New group");
    Studio.open(page, "/plans");
    page.getByText("Week by week").click();
    page.getByText("What it comes to").waitFor();
    check(page, "the plan builder");
    String plan = page.url();
    Studio.button(page, "Order for me").first().click();
    page.getByText("Every order of the block was tried.").waitFor();
    check(page, "a proposed order");
    panel(page, plan, "Versions");
    panel(page, plan, "Edit Goblet squat");
    Studio.open(page, "/groups");
    page.locator("a[href^='/groups/']").last().click();
    page.getByText("People and lanes").waitFor();
    check(page, "the group sheet");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Odile Varga")).click();
    check(page, "a lane by hand");
    panel(page, page.url(), "Drop-in +");
    for (String name : List.of("Odile Varga", "Benedikt Aalto", "Thandi Mokoena")) {
      Studio.client(page, name);
      String client = page.url();
      for (String part : name.startsWith("Odile") ? ALL : List.of("", "/limits", "/pulse")) {
        visit(page, client + part);
      }
      if (name.startsWith("Odile")) {
        panel(page, client, "Edit");
        panel(page, client, "Something happened");
        panel(page, client + "/limits", "Add a limit");
        panel(page, client + "/papers", "Record a clearance");
        panel(page, client + "/papers", "Erase for good");
        panel(page, client + "/plan", "Start this session");
        Studio.open(page, client + "/screening");
        Studio.button(page, "Screen again").click();
        page.getByText("Medicines").first().waitFor();
        check(page, "the questions");
      }
    }
    Page phone = Studio.marit(360, 740);
    for (String path :
        List.of(
            "/", "/clients", "/plans", "/plans/new", "/groups", "/movements", "/movements/squat")) {
      visit(phone, path);
    }
    Studio.open(page, "/");
    page.locator("a[href^='/run/']").first().click();
    page.getByRole(AriaRole.TIMER).waitFor();
    check(page, "the run");
    page.keyboard().press("f");
    page.locator("[data-far=name]").or(page.getByText("gone ·")).first().waitFor();
    check(page, "the run, turned");
    page.keyboard().press("s");
    page.getByRole(AriaRole.DIALOG).waitFor();
    check(page, "the stop panel");
    Studio.open(page, "/records");
    String link = page.locator("a[href*='/check-in/']").first().getAttribute("href");
    phone.navigate(link);
    phone
        .getByText("Anything new?")
        .or(phone.getByText("asks this on"))
        .or(phone.getByText("Thank you"))
        .waitFor();
    check(phone, "check-in");
    Studio.open(page, "/");
    Locator after = page.locator("a[href^='/after/']").first();
    if (after.count() > 0) {
      visit(page, Studio.url(after.getAttribute("href")));
    }
    Studio.open(page, "/");
    visit(page, Studio.url(page.locator("a[href^='/ask/']").first().getAttribute("href")));
    page.getByText("What it did").or(page.getByText("Asked by you, how?")).first().waitFor();
    check(page, "a check-in asked by hand");
    assertEquals("", String.join("\n", found));
  }

  private void panel(Page page, String path, String button) {
    Studio.open(page, path);
    Studio.button(page, button).first().click();
    page.getByRole(AriaRole.DIALOG).waitFor();
    settle(page);
    check(page, button);
  }
}
