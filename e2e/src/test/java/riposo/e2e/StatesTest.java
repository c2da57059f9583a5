package riposo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;

/** Screens with nothing on them, screens that wait and screens that failed: said, and axe clean. */
class StatesTest {
  private static final List<String> SCREENS =
      List.of(
          "/",
          "/clients",
          "/plans",
          "/groups",
          "/movements",
          "/movements/family/push",
          "/rules",
          "/kit",
          "/records",
          "/settings");

  private final List<String> found = new ArrayList<>();

  private void check(Page page, String where) {
    Axe.broken(page, 3).forEach(b -> found.add(where + ": " + b));
  }

  @Test
  void anEmptyStudioSaysWhatToDoFirst() {
    Page page = Studio.signedIn(1280, 800, Studio.STRANGER, "elsewhere-1");
    Map<String, String> says =
        Map.of(
            "/", "No session today.",
            "/clients", "Nobody yet.",
            "/plans", "No plan",
            "/groups", "No group yet",
            "/kit", "No room",
            "/records", "Nothing");
    for (String path : SCREENS) {
      Studio.open(page, path);
      if (says.containsKey(path)) {
        assertThat(page.locator("main")).containsText(says.get(path));
      }
      check(page, "empty " + path);
    }
    assertEquals("", String.join("\n", found));
  }

  @Test
  void whatCannotBeReachedIsSaidAndTheWayOnStays() {
    Page page = Studio.marit(1280, 800);
    page.clock().install(); // the page tries again before it gives up: no need to wait for that
    everywhere(
        page,
        Route::abort,
        "failed ",
        main -> {
          Locator failure = main.getByRole(AriaRole.ALERT).first();
          givenUp(page, failure);
          assertThat(failure).containsText("No connection to the server.");
        });
    // back again, nothing of it stays
    page.unroute("**/api/**");
    Studio.link(page, "Clients").click();
    assertThat(page.getByText("Odile Varga").first()).isVisible();
    assertEquals("", String.join("\n", found));
  }

  @Test
  void whatIsOnItsWayIsSaid() {
    Page page = Studio.marit(360, 740);
    everywhere(
        page,
        r -> {},
        "waiting ",
        main -> assertThat(main.getByRole(AriaRole.STATUS).first()).containsText("Loading"));
    assertEquals("", String.join("\n", found));
  }

  /** Moves the page's clock on, a second at a time, until it says what failed. */
  private static void givenUp(Page page, Locator failure) {
    for (int second = 0; second < 30 && !failure.isVisible(); second++) {
      page.clock().runFor(1_000);
    }
  }

  private void everywhere(Page page, Consumer<Route> answer, String state, Consumer<Locator> says) {
    page.route(
        "**/api/**",
        r -> {
          if (r.request().url().endsWith("/api/me")) {
            r.resume();
          } else {
            answer.accept(r);
          }
        });
    for (String path : SCREENS) {
      page.navigate(Studio.url(path));
      says.accept(page.locator("main"));
      check(page, state + path);
    }
  }
}
