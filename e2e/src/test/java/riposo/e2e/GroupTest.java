package riposo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A room full of people: lanes, a drop-in, a move by hand, the sheet on paper, a day of doses. */
class GroupTest {
  private final Page page = Studio.marit(1280, 900);

  private Locator row(String name) {
    return page.getByRole(AriaRole.ROW)
        .filter(
            new Locator.FilterOptions()
                .setHas(
                    page.getByRole(
                        AriaRole.ROWHEADER,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)))));
  }

  private String print(String link) throws IOException {
    return Studio.print(page, link);
  }

  @Test
  void aMixedGroupOfNineTurnsTheFloorIntoThreeLanesAndGoesOnPaper() throws IOException {
    Studio.open(page, "/groups");
    Studio.button(page, "New group").click();
    Studio.button(page, "Keep the group").click();
    assertThat(page.getByText("Give the group a name.").first()).isVisible();
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Nine at noon");
    page.getByLabel("Plan", new Page.GetByLabelOptions().setExact(true))
        .selectOption("Steady Tuesday");
    page.getByLabel("Room", new Page.GetByLabelOptions().setExact(true)).selectOption("Big room");
    for (String name :
        List.of(
            "Odile Varga",
            "Thandi Mokoena",
            "Corentin Abiola",
            "Ilse Farkas",
            "Aurelio Pask",
            "Elske Brandt",
            "Joaquim Prado",
            "Mirjam Oyelaran",
            "Tove Sandell",
            "Bruna Keel")) {
      page.getByLabel(Pattern.compile("^" + name)).check();
    }
    Studio.button(page, "Keep the group").click();
    page.getByText("People and lanes").waitFor();
    assertThat(page.getByText("9 people").first()).isVisible();
    // asked is a push-up on the floor: three lanes show three things, nobody is left out
    Locator push = row("3 push");
    Set<String> shown = new HashSet<>();
    for (Locator cell : push.getByRole(AriaRole.CELL).all()) {
      shown.add(cell.locator("p").first().innerText().replaceAll(" *\\d+ (people|person)$", ""));
    }
    assertEquals(3, shown.size(), shown.toString());
    assertTrue(shown.stream().noneMatch(s -> s.contains("another lane")), shown.toString());
    assertThat(push.getByText("alone,")).hasCount(0);
    assertThat(page.getByText("Not started with the group")).isVisible();
    assertThat(page.getByText("An aneurysm, at any time")).isVisible();
    String sheet = print("Print A4 P");
    for (String words : List.of("Nine at noon", "Steady Tuesday", "Bruna Keel", "Clinicians")) {
      assertTrue(sheet.contains(words), words + " in: " + sheet);
    }
    // by hand to the chair: what the lane breaks for her is said
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Odile Varga")).click();
    Studio.button(page, "Chair").click();
    assertThat(page.getByText("Chair, by hand")).isVisible();
    Studio.button(page, "not here today").click();
    assertThat(page.getByText("· 8 people ·")).isVisible();
    Studio.button(page, "is here").click();
    assertThat(page.getByText("· 9 people ·")).isVisible();
    page.keyboard().press("+");
    page.getByLabel("Name of who drops in").fill("Noor");
    page.keyboard().press("Enter");
    assertThat(page.getByText("dropped in").first()).isVisible();
    assertThat(page.getByText("Lanes are kept as they were")).isVisible();
    page.reload();
    assertThat(page.getByText("dropped in").first()).isVisible();
    Studio.button(page, "Lay out anew").click();
    assertThat(page.getByText("Lanes are kept as they were")).hasCount(0);
  }

  @Test
  void anOptionAboveIsTakenForOneOfThoseWhoMayAndTakenBack() {
    Studio.open(page, "/groups");
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Steady Tuesday"))
        .first()
        .click();
    Locator squat = row("1 sit and stand");
    assertThat(squat).containsText("above it, for who can: Goblet squat");
    Locator take = squat.locator("button[aria-label^='take it for']");
    take.first().waitFor();
    int may = take.count();
    assertTrue(may >= 3, may + " may do it");
    String who = take.first().innerText();
    take.first().click();
    assertThat(take).hasCount(may - 1);
    assertThat(squat).containsText(who + ": takes the option above: Goblet squat");
    squat.getByLabel("take it back for " + who).click();
    assertThat(take).hasCount(may);
    assertThat(squat).not().containsText("takes the option above");
  }

  @Test
  void aCardIsPrintedAndDosesThroughTheDayAreTicked() throws IOException {
    Studio.client(page, "Tove Sandell");
    Studio.plan(page);
    page.getByText("Start this session").waitFor();
    String card = print("Card A4");
    assertTrue(card.contains("Tove Sandell") && card.contains("Stop and get help"), card);
    Studio.link(page, "Overview").click();
    Studio.button(page, "Give a plan through the day").click();
    Studio.button(page, "Ten at a time").click();
    assertThat(page.getByText("0 of 15")).isVisible();
    Locator dose = page.getByLabel(Pattern.compile("dose 1 of 3")).first();
    dose.click();
    assertThat(page.getByText("1 of 15")).isVisible();
    page.reload();
    assertThat(page.getByText("1 of 15")).isVisible();
    Studio.button(page, "End it").click();
    assertThat(page.getByText("No doses through the day.")).isVisible();
  }
}
