package riposo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import riposo.core.kit.Room;
import riposo.core.movement.Kit;
import riposo.server.client.Clients;

/** Dose and tolerance over weeks, as the professional and the client see them. */
@ExtendWith(Studio.Closed.class)
class ToleranceTest {
  private static final Pattern A_PAGE = Pattern.compile("/Type\\s*/Page[^s]");

  private static Locator region(Page page, String name) {
    return page.getByRole(
        AriaRole.REGION, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  @Test
  void aStepTooBigIsSolvedByABottle() {
    Trained who = new Trained("Runa Step", 20);
    for (int ago : List.of(8, 5, 2)) {
      who.session(ago, true);
      if (ago > 2) {
        who.accept(ago - 1);
      }
    }
    Page page = Studio.marit(1280, 800);
    Studio.open(page, "/clients/" + who.id + "/tolerance");
    Locator pull = region(page, "Pull");
    assertThat(pull).containsText("3 kg is a step too big (+50 %)");
    assertThat(pull).containsText("a bottle filled to weigh up to 2.1 kg");
    who.now(
        () -> {
          Clients clients = Studio.bean(Clients.class);
          Room home =
              new Room(
                  List.of(new Room.Chair("chair", 45, false, false, true, false, 2)),
                  List.of(
                      new Room.Dumbbell(new BigDecimal("2"), Room.MassUnit.KG, 2),
                      new Room.Dumbbell(new BigDecimal("3"), Room.MassUnit.KG, 2)),
                  List.of(new Room.StandIn(Room.StandIn.Kind.BOTTLE, 2100, 2)),
                  List.of(),
                  List.of(20),
                  true,
                  90,
                  Set.of(Kit.MAT),
                  List.of());
          UUID room = clients.addRoom("Runa's hall", who.id, home);
          clients.setRoom(who.id, room);
          return room;
        });
    Studio.open(page, "/clients/" + who.id + "/tolerance");
    assertThat(pull).containsText("Proposes 2.1 kg");
    pull.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Accept")).click();
    assertThat(pull).containsText("accepted");
    Studio.open(page, "/clients/" + who.id + "/plan/" + who.plan);
    assertThat(page.locator("main")).containsText("2.1 l water bottle");
  }

  @Test
  void threeWeeksAwayAreShownOnThePageAndCutOnDeskAndCard() throws IOException {
    Trained who = new Trained("Aud Away", 60);
    for (int ago : List.of(40, 36, 32, 24)) {
      who.session(ago, true);
      who.accept(ago - 1);
    }
    Page page = Studio.marit(1280, 800);
    Studio.open(page, "/clients/" + who.id + "/tolerance");
    assertThat(region(page, "Pull")).containsText("24 days since the last");
    assertThat(region(page, "Pull")).containsText("40 % off");
    assertThat(page.getByText("away, 24 days").first()).isVisible();
    Studio.open(page, "/clients/" + who.id + "/plan/" + who.plan);
    assertThat(page.locator("main")).containsText("40 % off");
    String card = Studio.print(page, "Card A4");
    assertTrue(card.contains("Less for now: 24 days since the last"), card);
  }

  @Test
  void aFlareIsFoundOnThePageWithWhatWasDifferentBeforeIt() {
    Page page = Studio.marit(1280, 800);
    Studio.client(page, "Noor Hallström");
    Studio.link(page, "Tolerance").click();
    Studio.button(page, "all").click();
    page.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions().setName(Pattern.compile("A flare of pain")))
        .first()
        .click();
    Locator flare =
        page.getByRole(
            AriaRole.REGION, new Page.GetByRoleOptions().setName(Pattern.compile("^A flare of")));
    assertThat(flare).containsText("left knee, stairs one at a time");
    assertThat(flare).containsText("Effort of sessions, median of 14 days");
    assertThat(flare).containsText("moved the shop, up and down the ladder");
    assertThat(flare).containsText("none of them is said to be the cause");
    Axe.clean(page, "the diary, opened");
  }

  @Test
  void aReviewIsHeldKeptAndPrintsToTwoPagesAtMost() {
    Page page = Studio.marit(1280, 800);
    Studio.client(page, "Corentin Abiola");
    Studio.link(page, "Tolerance").click();
    Studio.link(page, "Review").click();
    Studio.button(page, "Begin the review").click();
    Locator next = region(page, "What next");
    Studio.choice(page, "other").click();
    Studio.button(page, "Decide").click();
    assertThat(next).containsText("Write the point.");
    next.getByLabel("The point").fill("ask the rehab team about the shoulder");
    Studio.button(page, "Decide").click();
    assertThat(next.getByRole(AriaRole.LISTITEM).first())
        .containsText("ask the rehab team about the shoulder");
    next.getByLabel("A word for the client").fill("Half the dose for two weeks, then as before.");
    Axe.clean(page, "review");
    Studio.button(page, "Close and keep").click();
    assertThat(page.getByText(Pattern.compile("by Marit Solheim, 1 point")).first()).isVisible();
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("\\d{4}$")))
        .first()
        .click();
    assertThat(page.getByText(Pattern.compile("closed \\d"))).isVisible();
    Studio.link(page, "For the client").click();
    assertThat(page.locator("article")).containsText("Half the dose for two weeks");
    assertEquals(1, pages(page), "for the client");
    Axe.clean(page, "for the client");
    Studio.link(page, "For the physio").click();
    assertThat(page.locator("article")).containsText("ask the rehab team about the shoulder");
    assertThat(page.locator("article")).containsText("tolerance.");
    assertTrue(pages(page) <= 2, "for the physio");
    Axe.clean(page, "for the physio");
    // whoever has the most to say still fits
    for (String name : List.of("Odile Varga", "Wendeline Cruz", "Noor Hallström")) {
      Studio.client(page, name);
      Studio.link(page, "Tolerance").click();
      Studio.link(page, "For the client").click();
      assertEquals(1, pages(page), name + ", for the client");
      Studio.link(page, "For the physio").click();
      assertTrue(pages(page) <= 2, name + ", for the physio: " + pages(page));
    }
  }

  private static int pages(Page page) {
    page.locator("article").waitFor();
    String pdf =
        new String(page.pdf(new Page.PdfOptions().setFormat("A4")), StandardCharsets.ISO_8859_1);
    return (int) A_PAGE.matcher(pdf).results().count();
  }

  @Test
  void aCheckInWithTwoSignsStopsAFamilyAndIsOnTheDaySheetAtOnce() {
    Trained who = new Trained("Svea Sign", 9);
    who.session(5, true);
    UUID run = who.session(1, false);
    Page page = Studio.marit(1280, 800);
    Studio.open(page, "/after/" + run);
    String link = page.locator("a[href*='/check-in/']").first().getAttribute("href");
    Page phone = Studio.page(360, 780);
    phone.navigate(link);
    Studio.choice(phone, "pain 3").click();
    Studio.choice(phone, "worse").click();
    Studio.choice(phone, "no").click();
    Studio.button(phone, "Numbness").click();
    Studio.button(phone, "A joint gave way").click();
    Studio.button(phone, "Look it over").click();
    assertThat(phone.getByText("Numbness; A joint gave way")).isVisible();
    Axe.clean(phone, "check-in, looked over");
    Studio.button(phone, "Send").click();
    assertThat(phone.getByText(Pattern.compile("can be changed until"))).isVisible();
    // taken back within the hour: the stop stays
    Studio.button(phone, "Change my answer").click();
    Studio.button(phone, "Nothing new").click();
    Studio.button(phone, "Look it over").click();
    Studio.button(phone, "Send").click();
    assertThat(phone.getByText(Pattern.compile("can be changed until"))).isVisible();
    Studio.open(page, "/");
    Locator told =
        region(page, "Told today")
            .getByRole(AriaRole.LISTITEM)
            .filter(new Locator.FilterOptions().setHasText("Svea Sign"));
    assertThat(told).containsText("numbness; a joint gave way");
    assertThat(told).containsText("taken back within the hour");
    assertThat(told).containsText("Pull: stop and refer, it was");
    Studio.open(page, "/clients/" + who.id + "/tolerance");
    assertThat(region(page, "Pull")).containsText("Stop and refer");
    Studio.open(page, "/clients/" + who.id + "/plan/" + who.plan);
    assertThat(page.locator("main")).containsText("Stopped and referred on");
  }
}
