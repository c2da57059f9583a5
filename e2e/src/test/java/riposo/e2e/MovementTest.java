package riposo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The adapt desk over time, a choice pinned and let go, and movements of one's own. */
class MovementTest {
  private final Page page = Studio.marit(1280, 800);

  @BeforeEach
  @AfterEach
  void now() {
    Studio.shift(Duration.ZERO);
  }

  private void setLimit(String axis, String side, String cap, boolean advised, LocalDate until) {
    Studio.button(page, "Add a limit").click();
    page.getByLabel("What", new Page.GetByLabelOptions().setExact(true)).selectOption(axis);
    if (axis.startsWith("joint.")) {
      page.getByLabel("Load", new Page.GetByLabelOptions().setExact(true)).selectOption("any");
    }
    if (side != null) {
      page.getByLabel("Side", new Page.GetByLabelOptions().setExact(true)).selectOption(side);
    }
    if (cap != null) {
      page.getByLabel(Pattern.compile("^Up to")).fill(cap);
    }
    if (advised) {
      page.getByLabel("Strength").selectOption("ADVISED");
    }
    page.getByLabel("Source", new Page.GetByLabelOptions().setExact(true)).fill("physio letter");
    if (until != null) {
      page.getByLabel(Pattern.compile("^Until")).first().fill(until.toString());
    }
    Studio.button(page, "Set the limit").click();
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
  }

  private Locator row(String asked) {
    return page.locator("tr", new Page.LocatorOptions().setHasText(asked)).first();
  }

  private void desk() {
    Studio.link(page, "Plan").click();
    page.getByLabel("Plan", new Page.GetByLabelOptions().setExact(true))
        .first()
        .selectOption(
            new com.microsoft.playwright.options.SelectOption().setLabel("Steady Tuesday"));
    page.getByRole(
            AriaRole.HEADING,
            new Page.GetByRoleOptions().setName(Pattern.compile("^Steady Tuesday for")))
        .waitFor();
  }

  @Test
  void theOverheadSlotOpensTheDayAfterTheShoulderLimitEnds() {
    LocalDate today = LocalDate.now(Studio.ZONE);
    Studio.client(page, "Noor Hallström");
    Studio.link(page, "Limits").click();
    setLimit("joint.shoulder-elevation", "BOTH", "80", true, today.plusDays(1));
    desk();
    assertThat(row("Overhead press")).containsText("asks for 170° of arm raised; limit 80°");
    // the last day still holds; the day after it is open, and the desk says so
    Studio.shift(Duration.ofDays(1));
    page.reload();
    assertThat(row("Overhead press")).containsText("limit 80°");
    Studio.shift(Duration.ofDays(2));
    page.reload();
    Locator since =
        page.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions().setName(Pattern.compile("^Since .*opened")));
    since.click();
    assertThat(page.getByText("No longer holds: arm raised ≤ 80°")).isVisible();
    assertThat(row("Overhead press")).not().containsText("limit 80°");
    // by keys: compare, and the week
    page.locator("body").press("v");
    Studio.button(page, "The week").click();
    assertThat(page.getByText("against the day before")).isVisible();
  }

  @Test
  void aChoiceIsPinnedByKeysForbiddenAndLetGo() {
    Studio.client(page, "Mirjam Oyelaran");
    desk();
    row("Squat").getByRole(AriaRole.BUTTON).first().click();
    page.getByText("Sit and stand: the stair").waitFor();
    page.keyboard().press("ArrowDown");
    page.keyboard().press("Enter");
    assertThat(row("Squat")).containsText("your choice");
    String chosen = page.locator("[aria-current=step]").innerText().split("\n")[0];
    page.reload();
    assertThat(row("Squat")).containsText(chosen);
    assertThat(row("Squat")).containsText("your choice");
    Studio.link(page, "Limits").click();
    setLimit("act.leg-work", null, null, false, null);
    desk();
    assertThat(row("Squat")).containsText("Your own choice was let go");
    row("Squat").getByRole(AriaRole.BUTTON).first().click();
    page.keyboard().press("w");
    page.getByLabel(Pattern.compile("^no work with the legs")).check();
    assertThat(page.getByText("a firm limit is lifted by a recorded clearance").first())
        .isVisible();
    page.keyboard().press("Escape");
  }

  @Test
  void movementsAreFoundByWhatTheyDoNotAskForAndOneIsBroughtInAndChosen() {
    Studio.link(page, "Movements").waitFor(); // no key is heard before the page is there
    page.keyboard().press("g");
    page.keyboard().press("m");
    assertThat(
            page.getByRole(
                AriaRole.HEADING,
                new Page.GetByRoleOptions().setName("Movements").setExact(true).setLevel(1)))
        .isVisible();
    Studio.button(page, "standing").click();
    Studio.button(page, "grip").click();
    assertThat(Studio.button(page, "no grip")).isVisible();
    assertThat(page.getByText("Floor push-up", new Page.GetByTextOptions().setExact(true)))
        .isVisible();
    assertThat(page.getByText("Squat", new Page.GetByTextOptions().setExact(true))).hasCount(0);
    Locator file = page.getByLabel("Movements document to import");
    file.setInputFiles(
        new FilePayload(
            "broken.json",
            "application/json",
            "{\"format\":\"riposo-movements/1\",\"movements\":[\n{\"id\":\"x\"}]}"
                .getBytes(StandardCharsets.UTF_8)));
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("broken.json line 2");
    String document =
        page.request().get(Studio.url("/api/movements/seated-band-row/document")).text();
    String own =
        "{\"format\":\"riposo-movements/1\",\"movements\":["
            + com.google.gson.JsonParser.parseString(document)
                .getAsJsonObject()
                .get("document")
                .getAsString()
                .replace("\"seated-band-row\",\n", "\"harbour-row\",\n")
                .replaceFirst("\"name\" : \"[^\"]*\"", "\"name\" : \"Harbour row\"")
            + "]}";
    file.setInputFiles(
        new FilePayload(
            "own.json",
            "application/json",
            own.replaceFirst("\"id\" : \"[a-z-]*\"", "\"id\" : \"harbour-row\"")
                .getBytes(StandardCharsets.UTF_8)));
    assertThat(
            page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("Added")))
        .containsText("Harbour row");
    // and it is on the stair of its family, for a client too
    Studio.client(page, "Elske Brandt");
    desk();
    row("Hinged row").getByRole(AriaRole.BUTTON).first().click();
    page.getByText("Pull: the stair").waitFor();
    Locator whole =
        page.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions().setName(Pattern.compile("^The whole stair")));
    whole.click();
    page.getByRole(
            AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Harbour row")))
        .click();
    assertThat(row("Hinged row")).containsText("Harbour row");
    assertThat(row("Hinged row")).containsText("your choice");
  }

  @Test
  void aMovementIsAddedWithItsCountLiveAndItsWarning() {
    Studio.open(page, "/movements/new?from=seated-curl");
    page.getByLabel("Name").fill("Window curl");
    Locator who = page.getByLabel("Who may do it");
    assertThat(who).containsText(Pattern.compile("\\d+ of \\d+ may do it"));
    page.getByLabel("Joints", new Page.GetByLabelOptions().setExact(true))
        .fill("elbow-flexion 145 added");
    assertThat(who).containsText("the posture implies 80° or more");
    page.getByLabel("Grip, 0 to 3").fill("0");
    assertThat(who).containsText("a weight in the hand without grip");
    Studio.button(page, "Add it").click();
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("a weight in the hand without grip");
    page.getByLabel("Grip, 0 to 3").fill("2");
    page.getByLabel("Difficulty, 0 to 100").fill("15");
    Studio.button(page, "Add it").click();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Window curl")))
        .isVisible();
    assertThat(page.getByText("ours").first()).isVisible();
    Studio.button(page, "Retire it").click();
    assertThat(page.getByText("offered no more")).isVisible();
  }

  @Test
  void rulesAreFoundByWords() {
    Studio.open(page, "/rules");
    page.getByLabel("Find a rule").fill("calendar school");
    assertThat(page.getByText("limit.pregnancy.position.supine")).isVisible();
    page.getByLabel("Find a rule").fill("no such words at all");
    assertThat(page.getByText("No rule has these words.")).isVisible();
  }
}
