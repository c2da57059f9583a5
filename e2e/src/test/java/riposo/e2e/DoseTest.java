package riposo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/**
 * What is said beside the clock: how long a hold, which side, which weight; and what is refused.
 */
class DoseTest {
  private final Page page = Studio.marit(1280, 800);

  private Locator field(String label) {
    return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
  }

  private Locator number(Locator in, String label) {
    return in.getByRole(AriaRole.SPINBUTTON, new Locator.GetByRoleOptions().setName(label));
  }

  private Locator total() {
    return page.getByLabel("total", new Page.GetByLabelOptions().setExact(true));
  }

  private void pick(String block, String text, String name) {
    Locator find = page.getByLabel("Add a movement to " + block).last();
    find.fill(text);
    page.locator("[role=listbox] [role=option]")
        .filter(new Locator.FilterOptions().setHasText(name))
        .first()
        .click();
  }

  private Locator work(int nth) {
    return page.locator("section[data-block]", new Page.LocatorOptions())
        .filter(
            new Locator.FilterOptions().setHas(page.locator("h2:text-matches('^Work( [0-9])?$')")))
        .nth(nth);
  }

  private Locator edit(String name) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Edit " + name))
        .last()
        .click();
    return page.getByRole(AriaRole.DIALOG);
  }

  /** Names the movement above the one of the dialog. */
  private void above(Locator dialog, String text, String name) {
    dialog.getByLabel("The movement above this one").fill(text);
    page.locator("[role=listbox] [role=option]")
        .filter(new Locator.FilterOptions().setHasText(name))
        .first()
        .click();
  }

  @Test
  void holdsASideASetThatBuildsUpAndAPhraseAreBuiltMendedKeptAndReadOnTheDesk() {
    Studio.open(page, "/plans/new");
    field("Name of the plan").fill("Said as it is done");
    // a set that builds up
    work(0).locator("select").first().selectOption("SETS");
    pick("Work", "hammer", "Hammer curl");
    number(work(0), "sets").fill("3");
    number(work(0), "repetitions").first().fill("8");
    number(work(0), "rest, s").fill("60");
    number(work(0), "rest between movements, s").fill("60");
    Locator dialog = edit("Hammer curl");
    dialog.getByText("What differs by round").click();
    dialog.getByLabel("kg at most").nth(0).fill("2");
    dialog.getByLabel("kg at most").nth(1).fill("1");
    dialog.getByLabel("the rounds build up: never lighter, never quicker").check();
    assertThat(
            dialog.getByText(
                "Sets that build up never take less: round 2 asks for 1 kg after 2 kg."))
        .isVisible();
    dialog.getByLabel("kg at most").nth(0).fill("0");
    dialog.getByLabel("kg at most").nth(1).fill("1");
    dialog.getByLabel("kg at most").nth(2).fill("1");
    assertThat(dialog.getByText("Sets that build up never take less")).hasCount(0);
    Studio.button(page, "Done").click();
    // a phrase: left, right, both
    Studio.button(page, "+ work block").click();
    work(1).locator("select").first().selectOption("PHRASE");
    pick("Work 2", "squat", "Squat");
    Locator repeats = number(work(1), "repeats");
    repeats.fill("8");
    number(work(1), "rest, s").fill("30");
    work(1).getByLabel("pattern of sides").fill("L R B");
    Locator mend = page.getByLabel("To mend");
    assertThat(mend).containsText("works both sides at once: a phrase of left and right needs");
    dialog = edit("Squat");
    dialog.getByLabel("Another movement for this slot").fill("one-arm press");
    page.locator("[role=listbox] [role=option]")
        .filter(new Locator.FilterOptions().setHasText("Seated one-arm press"))
        .first()
        .click();
    Studio.button(page, "Done").click();
    assertThat(mend).hasCount(0);
    // holds of 40 s, each side its own
    Studio.button(page, "+ work block").click();
    work(2).locator("select").first().selectOption("HOLDS");
    pick("Work 3", "calf stretch", "Calf stretch");
    number(work(2), "hold, s").fill("40");
    number(work(2), "rest, s").fill("10");
    number(work(2), "repeats").fill("1");
    work(2).getByLabel("last rest").selectOption("1");
    // and a stretch of what was held for the rest
    Studio.button(page, "+ work block").click();
    work(3).locator("select").first().selectOption("HOLDS");
    pick("Work 4", "flamingo", "One-leg stand");
    number(work(3), "hold, s").fill("40");
    number(work(3), "rest, s").fill("60");
    number(work(3), "repeats").fill("2");
    work(3).getByLabel("last rest").selectOption("1");
    work(3).getByText("rest, set-up, days").click();
    work(3).getByLabel("the rest is").selectOption("STRETCH");
    // one option above it, refused where it is not above
    dialog = edit("One-leg stand");
    dialog.getByLabel("Above it, for who can").selectOption("movement");
    above(dialog, "heel-to-toe", "Heel-to-toe stand");
    assertThat(dialog.getByText("Heel-to-toe stand is not above One-leg stand")).isVisible();
    Studio.button(page, "another").click();
    above(dialog, "knee-up hold", "Knee-up hold");
    assertThat(dialog.getByText("is not above")).hasCount(0);
    Studio.button(page, "Done").click();
    Studio.button(page, "Keep plan").click();
    assertThat(Studio.button(page, "Saved")).isVisible();

    Studio.client(page, "Tove Sandell");
    Studio.link(page, "Plan").click();
    page.locator("select").first().selectOption("Said as it is done");
    Locator rows = page.locator("table tbody tr");
    assertThat(rows.filter(new Locator.FilterOptions().setHasText("Calf stretch")))
        .containsText("1 × 40 s hold each side");
    assertThat(rows.filter(new Locator.FilterOptions().setHasText("one-arm press")).first())
        .containsText("16 reps each side");
    Locator curls = rows.filter(new Locator.FilterOptions().setHasText("Hammer curl"));
    assertThat(curls.nth(0)).containsText("1 × 8 reps, no weight");
    assertThat(curls.nth(1)).containsText("1 × 8 reps, 1 kg in each hand");
    assertThat(curls.nth(1)).containsText("1 kg: lightest in kit, to be found.");
    Locator stand = rows.filter(new Locator.FilterOptions().setHasText("One-leg stand"));
    assertThat(stand).containsText("2 × 40 s hold each side");
    stand.getByRole(AriaRole.BUTTON).first().click();
    Locator panel = page.getByLabel("Stair: Balance");
    assertThat(panel).containsText("For catching a stumble");
    assertThat(panel)
        .containsText("In the rests: Calf stretch at the wall, 25 s a side, a mild pull");
    // the option above is shown, never taken by itself; taken it has its way back
    assertThat(stand).containsText("above it: Knee-up hold");
    assertThat(stand).not().containsText("your choice");
    panel.getByText("take it").click();
    assertThat(stand).containsText("your choice");
    page.keyboard().press("z");
    assertThat(stand).not().containsText("your choice");
  }

  @Test
  void aWeightByHandIsRefusedOverTheCapTakenInsideItAndTakenBack() {
    Studio.client(page, "Tove Sandell");
    Studio.link(page, "Limits").click();
    Studio.button(page, "Add a limit").click();
    field("What").selectOption("load.hand");
    field("Side").selectOption("BOTH");
    page.getByLabel("Up to, kg").fill("1.5");
    field("Source").fill("hand clinic");
    Studio.button(page, "Set the limit").click();
    assertThat(
            page.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("hand clinic"))
                .last())
        .containsText("1.5 kg");
    Studio.link(page, "Plan").click();
    page.locator("select").first().selectOption("Week by week");
    page.locator("table tbody tr", new Page.LocatorOptions().setHasText("One-arm row"))
        .getByRole(AriaRole.BUTTON)
        .first()
        .click();
    Studio.button(page, "Another weight").click();
    Locator weight = page.getByLabel("Weight", new Page.GetByLabelOptions().setExact(true));
    Locator kg = weight.getByLabel("Another weight, kg");
    kg.fill("2");
    weight.getByText("For today").click();
    assertThat(weight)
        .containsText("2 kg is over what this client’s limits leave here: 1.5 kg at most.");
    kg.fill("1.5");
    weight.getByText("For today").click();
    assertThat(weight).containsText("1.5 kg is not in this kit");
    kg.fill("nothing");
    weight.getByText("For today").click();
    assertThat(weight).containsText("A number of kilograms, such as 2 or 2.5.");
    kg.fill("1");
    weight.getByText("From now on").click();
    assertThat(weight).containsText("1 kg: set by hand on");
    weight.getByText("Take mine back").click();
    assertThat(weight).containsText("1 kg: lightest in kit, to be found.");
  }
}
