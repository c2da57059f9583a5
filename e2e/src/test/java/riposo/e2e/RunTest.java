package riposo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * The hour itself, far and near: read from two metres, eased, corrected, shown on a second screen.
 */
class RunTest {
  /** The height of the figures of the countdown as they are drawn, over that of the window. */
  private static final String FIGURES =
      """
      () => {
        const t = document.querySelector('[role=timer] button') ?? document.querySelector('[role=timer]')
        const s = getComputedStyle(t)
        const c = document.createElement('canvas').getContext('2d')
        c.font = `${s.fontWeight} ${s.fontSize} ${s.fontFamily}`
        return c.measureText('0').actualBoundingBoxAscent / innerHeight
      }
      """;

  /** Texts, drawings and buttons of far that reach out of the window or of what holds them. */
  private static final String CUT =
      """
      () => [...document.querySelectorAll('h1, p, img, button, svg, [role=timer]')].filter((e) => {
        const r = e.getBoundingClientRect()
        const m = e.closest('main')?.getBoundingClientRect()
        return r.width > 0 && (r.left < -1 || r.right > innerWidth + 1 || r.top < -1 || r.bottom > innerHeight + 1
          || (m && (r.top < m.top - 1 || r.bottom > m.bottom + 1)))
      }).map((e) => e.tagName + ' ' + (e.textContent || e.alt || '').slice(0, 40))
      """;

  /** Rules of axe that have to pass, so that an empty page is no pass. */
  private static final int RULES = 8;

  private static final int[][] SIZES = {{1180, 820}, {1280, 800}, {820, 1180}, {360, 740}};

  /** Named with its key, where there is a keyboard's width. */
  private static Locator stop(Page page) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Stop sign"));
  }

  private static Page started(String client) {
    Page page = Studio.marit(1180, 820);
    Studio.client(page, client);
    Studio.plan(page);
    Studio.button(page, "Start this session").click();
    Studio.wellThenStart(page);
    page.getByText("gone ·").waitFor();
    Studio.button(page, "Start").click();
    page.locator("[data-far=name]").waitFor();
    return page;
  }

  /** On by one part, seen to have come. */
  private static void skip(Page page) {
    Locator part = page.locator("[data-part]");
    String before = part.getAttribute("data-part");
    page.keyboard().press("ArrowRight");
    assertThat(part).not().hasAttribute("data-part", before);
  }

  /** On until the first rest of the work, in which near comes up by itself. */
  private static void toRest(Page page) {
    for (int i = 0; i < 40 && Studio.choice(page, "effort 5").count() == 0; i++) {
      skip(page);
    }
    assertThat(Studio.choice(page, "effort 5")).isVisible();
  }

  @Test
  void farIsReadFromTwoMetresAndTheStopSignIsInViewEverywhere() {
    Page page = started("Elske Brandt");
    page.keyboard().press("Space"); // the clock stands while it is measured
    page.keyboard().press("f");
    page.locator("[data-far=name]").waitFor();
    for (int part = 0; part < 7; part++) {
      for (int[] size : SIZES) {
        String at = "part " + part + " at " + size[0] + "x" + size[1] + ": ";
        page.setViewportSize(size[0], size[1]);
        assertEquals(List.of(), page.evaluate(CUT), at);
        assertThat(stop(page)).isInViewport();
        if (size[0] == 1180) {
          double figures = ((Number) page.evaluate(FIGURES)).doubleValue();
          assertTrue(figures >= 1 / 3.0, at + figures);
          for (String words : List.of("name", "how")) {
            Locator l = page.locator("[data-far=" + words + "]");
            if (l.count() > 0) {
              double set =
                  ((Number) l.evaluate("e => parseFloat(getComputedStyle(e).fontSize)"))
                      .doubleValue();
              assertTrue(set >= size[1] / 14.0, at + words + " " + set);
            }
          }
        }
      }
      page.setViewportSize(1180, 820);
      skip(page);
      page.keyboard().press("f");
      page.locator("[data-far=name]").waitFor();
    }
    page.keyboard().press("f");
    page.getByText("gone ·").waitFor();
    for (int[] size : SIZES) {
      page.setViewportSize(size[0], size[1]);
      page.evaluate("scrollTo(0, document.body.scrollHeight)");
      assertThat(stop(page)).isInViewport();
      assertTrue(
          (boolean) page.evaluate("document.documentElement.scrollWidth <= innerWidth"),
          "no sideways scroll at " + size[0]);
    }
    assertEquals(List.of(), Axe.broken(page, RULES), "near");
    Studio.button(page, "End early").click();
    Studio.button(page, "End it now").click();
    assertThat(Studio.button(page, "Words after")).isVisible();
  }

  @Test
  void painEasesThenLeavesAndASetIsCorrectedWithItsTrail() {
    Page page = started("Elske Brandt");
    toRest(page);
    page.keyboard().press("Space"); // the rest lasts as long as the test looks at it
    Locator log = page.getByRole(AriaRole.COMPLEMENTARY);
    Studio.choice(page, "pain 4").click();
    Locator speaks = log.getByText(Pattern.compile("Pain 4 is over Elske Brandt’s line"));
    assertThat(speaks).isVisible();
    // eased without a connection, kept through a reload once it is back
    page.context().setOffline(true);
    Locator easier =
        log.getByRole(
                AriaRole.BUTTON,
                new Locator.GetByRoleOptions().setName(Pattern.compile("^Easier:")))
            .first();
    String name = easier.textContent().replace("Easier: ", "");
    easier.click();
    assertThat(log.getByText(name + " in place of")).isVisible();
    page.context().setOffline(false);
    assertThat(page.getByText("Everything is kept.")).isVisible();
    page.reload();
    assertThat(page.getByText(name + " in place of").first()).isVisible();

    Studio.button(page, "Sets of the session, 1").click();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("· set 1")))
        .click();
    page.getByRole(AriaRole.MAIN)
        .getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName("pain 1").setExact(true))
        .click();
    Locator trail = page.getByText("As it was told").locator("..");
    assertThat(trail).containsText("pain 4");
    assertThat(trail).containsText("pain 1");
    assertThat(page.getByText("Everything is kept.")).isVisible();
    Studio.button(page, "End early").click();
    Studio.button(page, "End it now").click();
    assertThat(Studio.button(page, "Words after")).isVisible();
  }

  @Test
  void woozyStaysUntilItIsAnsweredAlsoThroughAReload() {
    Page page = started("Elske Brandt");
    Studio.button(page, "Woozy").click();
    Locator strip = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Woozy"));
    assertThat(strip).containsText("Asked again in");
    assertEquals(List.of(), Axe.broken(page, RULES), "woozy");
    assertThat(page.getByText("Everything is kept.")).isVisible();
    page.reload();
    assertThat(strip).containsText("Rest.");
    page.keyboard().press("f");
    assertThat(strip).isVisible(); // not behind far
    page.keyboard().press("f");
    Studio.button(page, "Gone, go on gentler").click();
    assertThat(strip).isHidden();
    assertThat(page.getByText("Everything is kept.")).isVisible();
    String run = page.url().substring(page.url().lastIndexOf('/') + 1);
    String events = page.request().get(Studio.url("/api/runs/" + run + "/events")).text();
    assertTrue(events.contains("\"kind\":\"CHANGE\""), "what is left is gentler: " + events);
    Studio.button(page, "End early").click();
    Studio.button(page, "End it now").click();
    assertThat(Studio.button(page, "Words after")).isVisible();
  }

  @Test
  void theSecondScreenShowsTheClockAndTheMovementAndNoLog() {
    Page page = started("Elske Brandt");
    page.keyboard().press("f");
    Studio.button(page, "Show it on a second screen").click();
    String code = page.getByText(Pattern.compile("^[A-Z2-9]{6}$")).textContent();
    try (BrowserContext stranger = page.context().browser().newContext()) {
      Page screen = stranger.newPage();
      screen.setViewportSize(1180, 820);
      screen.navigate(Studio.url("/screen"));
      screen.getByLabel("The code on the screen of who leads").fill("WRONGX");
      Studio.button(screen, "Show the session").click();
      assertThat(screen.getByText("No session is shown under this code.")).isVisible();
      Studio.button(screen, "Another code").click();
      screen.getByLabel("The code on the screen of who leads").fill(code.toLowerCase());
      Studio.button(screen, "Show the session").click();
      screen.locator("[data-far=name]").waitFor();
      String name = screen.locator("[data-far=name]").textContent();
      assertThat(screen.getByText("Elske")).hasCount(0);
      assertThat(screen.getByText("effort")).hasCount(0);
      assertThat(screen.getByText("Stop sign")).hasCount(0);
      assertEquals(List.of(), Axe.broken(screen, RULES), "the second screen");
      // it follows who leads
      for (int i = 0; i < 8; i++) {
        skip(page);
      }
      assertThat(screen.locator("[data-far=name]")).not().hasText(name);
      if (page.locator("[data-far=name]").isVisible()) {
        page.keyboard().press("f");
      }
      Studio.button(page, "End early").click();
      Studio.button(page, "End it now").click();
      assertThat(screen.getByText("Done", new Page.GetByTextOptions().setExact(true))).isVisible();
    }
  }

  @Test
  void aSetThatBecameLighterIsToldInPartsAndKeptSo() {
    Page page = started("Elske Brandt");
    for (int i = 0; i < 40 && Studio.button(page, "other kg").count() == 0; i++) {
      skip(page);
    }
    Locator lighter =
        page.getByRole(
            AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^went lighter")));
    page.keyboard().press("Space");
    lighter.click();
    assertThat(Studio.button(page, "then with no weight 5").or(page.getByText("then with")).first())
        .isVisible();
    assertThat(page.getByText("Everything is kept.")).isVisible();
    page.reload();
    Studio.button(page, "Sets of the session, 1").click();
    assertThat(
            page.getByRole(
                AriaRole.BUTTON,
                new Page.GetByRoleOptions().setName(Pattern.compile("5 with .*, then 5 with"))))
        .isVisible();
    Studio.button(page, "End early").click();
    Studio.button(page, "End it now").click();
    assertThat(Studio.button(page, "Words after")).isVisible();
  }

  @Test
  void aStrapThatDropsOutSaysSoShowsNoOldNumberAndComesBack() {
    Page page = started("Elske Brandt");
    page.evaluate("() => { let r = 0.5; window.chance = (v) => { r = v }; Math.random = () => r }");
    toRest(page);
    page.keyboard().press("Space");
    Locator pulse = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Pulse"));
    Studio.button(page, "strap …").click();
    Studio.button(page, "The simulated strap, its pulse is made up").click();
    Locator beats = pulse.getByText(Pattern.compile("^\\d{2,3}$"));
    assertThat(beats).isVisible();
    page.evaluate("chance(0.001)"); // it loses the skin
    assertThat(pulse.getByRole(AriaRole.ALERT))
        .containsText(
            "The strap was lost",
            new com.microsoft.playwright.assertions.LocatorAssertions.ContainsTextOptions()
                .setTimeout(12_000));
    assertThat(beats).hasCount(0);
    page.evaluate("chance(0.5)");
    assertThat(beats)
        .isVisible(
            new com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions()
                .setTimeout(20_000));
    Studio.button(page, "strap off").click();
    Studio.button(page, "End early").click();
    Studio.button(page, "End it now").click();
    assertThat(Studio.button(page, "Words after")).isVisible();
  }
}
