package riposo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** Who is in front of me, what may they do: screening, limits, clearances and papers. */
class ClientTest {
  private final Page page = Studio.marit(1280, 800);
  private final LocalDate today = LocalDate.now(Studio.ZONE);

  @AfterEach
  void now() {
    Studio.shift(Duration.ZERO);
  }

  private Locator field(Page p, String label) {
    return p.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
  }

  private void add(String name, String born) {
    Studio.open(page, "/clients");
    Studio.button(page, "Add a client").click();
    page.getByLabel("Name").fill(name);
    page.getByLabel("Date of birth").fill(born);
    page.getByLabel("mat", new Page.GetByLabelOptions().setExact(true)).check();
    Studio.button(page, "Add, then screen").click();
    page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name)).waitFor();
  }

  private void sign(String name) {
    page.keyboard().type(name);
    page.keyboard().press("Enter");
    page.getByText("Version 1,").first().waitFor();
  }

  /** Tab until the control of this name has the focus. */
  private void tabTo(Pattern name) {
    for (int i = 0; i < 90; i++) {
      page.keyboard().press("Tab");
      String words =
          (String)
              page.evaluate(
                  "() => { const e = document.activeElement; const l = e.id &&"
                      + " document.querySelector(`label[for='${e.id}']`); return"
                      + " e.getAttribute('aria-label') ?? (l ? l.textContent : e.textContent)"
                      + " ?? '' }");
      if (name.matcher(words).find()) {
        return;
      }
    }
    throw new AssertionError("tab never reaches " + name);
  }

  private void tabTo(String start) {
    tabTo(Pattern.compile("^" + Pattern.quote(start)));
  }

  @Test
  void aComplicatedClientIsTakenFromBlankToLimitsByKeysAlone() {
    page.getByText("Waits for you").waitFor();
    page.keyboard().press("g");
    page.keyboard().press("c");
    page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Clients")).waitFor();
    tabTo("Add a client");
    page.keyboard().press("Enter");
    page.getByLabel("Name").waitFor();
    assertEquals(true, page.evaluate("() => !!document.activeElement.closest('[role=dialog]')"));
    page.keyboard().press("Shift+Tab");
    tabTo("Name");
    page.keyboard().type("Gorm Castellan");
    tabTo("Date of birth");
    Studio.type(page, "1961-05-11");
    page.keyboard().press("Enter");
    page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Gorm Castellan"))
        .waitFor();
    int asked =
        Studio.screen(
            page,
            Map.of(
                "Heart or vessel trouble, ever",
                "y",
                "Heart attack, heart operation",
                "y",
                "When was the last of these",
                today.minusWeeks(8).toString(),
                "A device in the chest",
                "1",
                "operated or replaced joint",
                "y",
                "A replaced knee?",
                "y",
                "Which knee is replaced",
                "l",
                "Any medicine for heart",
                "y",
                "A beta-blocker",
                "y"));
    assertTrue(asked > 24, "the gates bring up what lies behind them");
    Locator outcome = page.getByLabel("Outcome", new Page.GetByLabelOptions().setExact(true));
    assertThat(outcome).containsText("Clearance only");
    assertThat(outcome).containsText("within 12 months: only a clearance dated after it");
    assertThat(outcome).containsText("standing.event.heart.event");
    sign("Gorm Castellan");
    // both conditions are accepted whole, by keys
    for (int left = 2; left > 0; left--) {
      tabTo(Pattern.compile("^Accept all"));
      page.keyboard().press("Enter");
      assertThat(
              page.getByRole(
                  AriaRole.BUTTON,
                  new Page.GetByRoleOptions().setName(Pattern.compile("^Accept all"))))
          .hasCount(left - 1);
    }
    while (page.getByText("all decided").count() == 0) {
      int before = page.getByText("accepted", new Page.GetByTextOptions().setExact(true)).count();
      tabTo(Pattern.compile("^Accept: "));
      page.keyboard().press("Enter");
      assertThat(page.getByText("accepted", new Page.GetByTextOptions().setExact(true)))
          .hasCount(before + 1);
    }
    page.evaluate("() => document.activeElement.blur()");
    tabTo("Limits");
    page.keyboard().press("Enter");
    Locator holds = page.getByLabel(Pattern.compile("^Combined on"));
    for (String words :
        List.of(
            "warm-up ≥ 15 min firm", "trunk pressure ≤ light load", "effort ≤ 4", "no kneeling")) {
      assertThat(holds).containsText(words);
    }
    tabTo("Pulse");
    page.keyboard().press("Enter");
    assertThat(page.getByText("a medicine slows the pulse")).isVisible();
  }

  @Test
  void lyingOnTheBackClosesTheDayWeekSixteenBegins() {
    add("Ines Fairweather", "1993-02-11");
    Studio.screen(
        page,
        Map.of(
            "Pregnant, or a birth",
            "y",
            "Pregnant now",
            "y",
            "Due date",
            today.plusDays(280 - 111).toString(),
            "30 minutes",
            "y"));
    assertThat(page.getByText("15+6").first()).isVisible();
    sign("Ines Fairweather");
    page.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions().setName(Pattern.compile("^Accept all \\d+ of pregnancy")))
        .click();
    assertThat(page.getByText("all decided")).isVisible();
    Studio.link(page, "Limits").click();
    Locator holds = page.getByLabel(Pattern.compile("^Combined on"));
    assertThat(holds).containsText("effort ≤ 6");
    assertThat(holds).containsText("begins no lying flat on the back");
    Locator back = holds.locator("strong", new Locator.LocatorOptions().setHasText("flat on the"));
    assertThat(back).hasCount(0);
    Locator bridge =
        holds.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("Bridge"));
    assertThat(bridge).containsText(Pattern.compile("open[2-9]$"));
    // one day on, by the slider's keys, and the same when the day comes
    Studio.button(page, "next change").click();
    assertThat(back).hasCount(1);
    assertThat(bridge).containsText(Pattern.compile("open1$"));
    Studio.button(page, "today").click();
    assertThat(back).hasCount(0);
    Studio.shift(Duration.ofDays(1));
    page.reload();
    assertThat(page.getByText("16+0 weeks")).isVisible();
    assertThat(back).hasCount(1);
  }

  @Test
  void aClearanceThatEndsOpensItsFindingAgain() {
    assertThat(page.getByText("clearance of doctor A. Brenner ends on")).isVisible();
    Studio.client(page, "Aurelio Pask");
    assertThat(page.getByText("Ready with limits").first()).isVisible();
    assertThat(page.getByText("standing.lung-flare")).hasCount(0);
    Studio.shift(Duration.ofDays(9));
    page.reload();
    assertThat(page.getByText("Ready with limits").first()).isVisible();
    Studio.shift(Duration.ofDays(10));
    page.reload();
    assertThat(page.getByText("standing.lung-flare")).isVisible();
    assertThat(page.getByText("Ask first").first()).isVisible();
    Studio.link(page, "Letter that asks for it").click();
    assertThat(page.getByText("Aurelio Pask").first()).isVisible();
    assertThat(page.locator("main")).containsText("flare");
    assertThat(page.locator("main")).not().containsText("Bruna");
  }

  @Test
  void erasureLeavesNothingBehind() {
    Studio.client(page, "Bruna Keel");
    String address = page.url();
    Studio.link(page, "Papers").click();
    Studio.button(page, "Erase for good").click();
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    dialog.getByLabel(Pattern.compile("^Type")).fill("Bruna");
    Locator erase =
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Erase for good"));
    erase.click();
    assertThat(dialog.getByText(Pattern.compile("name", Pattern.CASE_INSENSITIVE)).first())
        .isVisible();
    assertThat(dialog).isVisible();
    dialog.getByLabel(Pattern.compile("^Type")).fill("Bruna Keel");
    erase.click();
    page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Clients")).waitFor();
    assertThat(page.getByText("Benedikt Aalto").first()).isVisible();
    assertThat(page.getByText("Bruna")).hasCount(0);
    page.navigate(address);
    assertThat(page.getByText("There is no such client here.").first()).isVisible();
    Studio.open(page, "/records");
    page.getByText("Marit Solheim").first().waitFor();
    assertThat(page.getByText("Bruna")).hasCount(0);
    Studio.open(page, "/");
    page.getByText("Waits for you").waitFor();
    assertThat(page.getByText("Bruna")).hasCount(0);
  }

  @Test
  void aScreeningHalfDoneIsThereWhenTheBrowserOpensAgain() {
    add("Halvard Ness", "1957-08-30");
    page.getByLabel("Pressure or pain in chest, neck, jaw or arm when you exert yourself?")
        .waitFor();
    page.waitForFunction("() => document.activeElement.getAttribute('role') === 'radiogroup'");
    for (String key : List.of("n", "u", "n", "n")) {
      String row =
          (String) page.evaluate("() => document.activeElement.getAttribute('aria-label')");
      page.keyboard().press(key);
      page.waitForFunction("q => document.activeElement.getAttribute('aria-label') !== q", row);
    }
    assertThat(page.getByText("draft kept")).isVisible();
    String address = page.url();
    page.context().close();
    Page next = Studio.marit(1280, 800);
    Studio.open(next, address);
    assertThat(next.getByText("Half done, kept by Marit Solheim")).isVisible();
    Locator second =
        next.getByLabel("Breathless at rest, with mild effort, lying flat or at night?");
    assertThat(second.getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName("not sure")))
        .hasAttribute("aria-checked", "true");
    // it goes on at the first question still open
    next.waitForFunction(
        "() => document.activeElement.getAttribute('aria-label')?.startsWith('Swollen ankles')");
    Studio.button(next, "Throw the draft away").click();
    assertThat(next.getByText("Half done, kept by")).hasCount(0);
    next.reload();
    next.getByLabel("Breathless at rest, with mild effort, lying flat or at night?").waitFor();
    assertThat(next.getByText("Half done, kept by")).hasCount(0);
  }

  @Test
  void twoPeopleAtOneLimitLoseNothing() {
    Studio.client(page, "Corentin Abiola");
    Studio.link(page, "Limits").click();
    Studio.button(page, "Add a limit").click();
    field(page, "What").selectOption("load.total");
    page.getByLabel("Up to, kg").fill("6");
    field(page, "Source").fill("Dr. Sand");
    assertThat(page.getByRole(AriaRole.DIALOG).getByText("≤ 6 kg").first()).isVisible();
    Studio.button(page, "Set the limit").click();
    page.getByRole(AriaRole.DIALOG).waitFor(new Locator.WaitForOptions().setState(HIDDEN));
    Page other = Studio.signedIn(1280, 800, "piet@lanternfield.example", "lantern-light");
    Studio.open(other, page.url());
    Pattern tighten = Pattern.compile("^Tighten: .*≤ 6 kg");
    for (Page p : List.of(page, other)) {
      p.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(tighten)).click();
    }
    other.getByLabel("Up to, kg").fill("4");
    Studio.button(other, "Replace").click();
    assertThat(other.getByText("≤ 4 kg").first()).isVisible();
    page.getByLabel("Up to, kg").fill("5");
    Studio.button(page, "Replace").click();
    assertThat(page.getByText("Someone changed this since you opened it.").first()).isVisible();
    assertThat(page.getByLabel("Up to, kg")).hasValue("5");
    page.reload();
    assertThat(page.getByText("≤ 4 kg").first()).isVisible();
    assertThat(page.getByText("≤ 5 kg")).hasCount(0);
  }

  @Test
  void aFileIsTakenByWhatItIsAndNotByItsName() {
    Studio.client(page, "Noor Hallström");
    Studio.link(page, "Papers").click();
    Locator pick = page.locator("input[type=file]").first();
    pick.setInputFiles(
        new FilePayload(
            "letter.pdf",
            "application/pdf",
            "<html><script>alert(1)</script></html>".getBytes(StandardCharsets.UTF_8)));
    assertThat(page.getByText(Pattern.compile("PDF, PNG or JPEG")).first()).isVisible();
    assertThat(page.getByRole(AriaRole.ALERT).first()).isVisible();
    pick.setInputFiles(
        new FilePayload(
            "letter of the physio.pdf",
            "application/pdf",
            "%PDF-1.4\n1 0 obj<<>>endobj\ntrailer<<>>\n%%EOF\n".getBytes(StandardCharsets.UTF_8)));
    assertThat(Studio.link(page, "letter of the physio.pdf")).isVisible();
    Studio.button(page, "Archive").click();
    assertThat(Studio.button(page, "Restore")).isVisible();
    Studio.open(page, "/clients");
    page.getByText("Benedikt Aalto").first().waitFor();
    assertThat(page.getByText("Noor Hallström")).hasCount(0);
    page.goBack();
    Studio.button(page, "Restore").click();
    assertThat(Studio.button(page, "Archive")).isVisible();
  }

  @Test
  void aRoomSaysWhatAPlanNeedsAndAChairWithWheelsIsRefused() {
    Studio.open(page, "/kit");
    assertThat(page.getByText("office chair has wheels: not usable, it rolls away under effort."))
        .isVisible();
    Studio.button(page, "Compute the grip").click();
    assertThat(page.getByText(Pattern.compile("\\d+ cm")).first()).isVisible();
    // a client's home is offered to that client only
    assertThat(
            page.getByLabel("Where Corentin Abiola trains")
                .locator("option", new Locator.LocatorOptions().setHasText("Rashid's kitchen")))
        .hasCount(0);
    Studio.client(page, "Rashid Temur");
    assertThat(page.getByText("Rashid's kitchen").first()).isVisible();
    Studio.link(page, "Plan").click();
    page.locator("select").first().selectOption("Steady Tuesday");
    assertThat(page.getByText("Done without").first()).isVisible();
  }

  private static final com.microsoft.playwright.options.WaitForSelectorState HIDDEN =
      com.microsoft.playwright.options.WaitForSelectorState.HIDDEN;
}
