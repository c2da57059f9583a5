package riposo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ServiceWorkerPolicy;
import java.io.IOException;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import riposo.bench.Desk;
import tools.jackson.databind.JsonNode;

/**
 * Without a network: what was started opens, runs, logs, eases and stops, and is delivered once.
 */
class OfflineTest {
  /** What the device keeps of the application and the session: its caches and its database. */
  static final String KEPT =
      """
      async () => {
        let sum = 0
        for (const name of await caches.keys())
          for (const r of await (await caches.open(name)).matchAll()) sum += (await r.clone().blob()).size
        const db = await new Promise((go, no) => {
          const r = indexedDB.open('riposo-runs'); r.onsuccess = () => go(r.result); r.onerror = no })
        for (const store of ['runs', 'events'])
          sum += new Blob([JSON.stringify(await new Promise((go) => {
            const r = db.transaction(store).objectStore(store).getAll(); r.onsuccess = () => go(r.result) }))]).size
        return sum
      }
      """;

  /** Whether a run is on the device. */
  private static final String HELD =
      """
      async (id) => {
        const db = await new Promise((go) => {
          const r = indexedDB.open('riposo-runs'); r.onsuccess = () => go(r.result) })
        const run = await new Promise((go) => {
          const r = db.transaction('runs').objectStore('runs').get(id); r.onsuccess = () => go(r.result) })
        db.close()
        return run !== undefined
      }
      """;

  private static final int MOST_KEPT = 1_500_000;

  private final Page page = Studio.page(1180, 820, ServiceWorkerPolicy.ALLOW);
  private final BrowserContext device = page.context();
  private final Line line;
  private Desk desk;

  OfflineTest() throws IOException {
    line = new Line();
  }

  @AfterEach
  void gone() throws IOException {
    line.close();
  }

  @BeforeEach
  void signedIn() throws Exception {
    desk = Studio.desk();
    Studio.signIn(page, Studio.MARIT, Studio.LANTERN);
    Studio.open(page, line.url("/"));
    page.evaluate("() => navigator.serviceWorker.ready.then(() => true)");
  }

  private static Locator stop(Page page) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Stop sign"));
  }

  private void next() {
    Locator part = page.locator("[data-part]");
    String before = part.getAttribute("data-part");
    page.keyboard().press("ArrowRight");
    assertThat(part).not().hasAttribute("data-part", before);
  }

  private JsonNode events(String run) throws Exception {
    return desk.get("/runs/" + run + "/events");
  }

  @Test
  void aSessionGoesFromItsStartToItsEndWithoutANetworkAndIsDeliveredOnce() throws Exception {
    String client = desk.client("Offline Ollesen");
    String id =
        desk.start(client, desk.plan("Steady Tuesday"), desk.check(client)).path("id").asString();
    page.navigate(line.url("/run/" + id));
    Studio.button(page, "Start").waitFor();
    page.waitForFunction(HELD, id);
    line.cut();
    page.reload();
    Studio.button(page, "Start").click();
    for (int i = 0; i < 40 && Studio.choice(page, "effort 5").count() == 0; i++) {
      next();
    }
    Studio.choice(page, "effort 5").click();
    Studio.choice(page, "pain 3").click();
    page.getByText("is over Offline Ollesen’s line").first().waitFor();
    page.getByRole(AriaRole.ALERT)
        .getByRole(AriaRole.BUTTON)
        .filter(new Locator.FilterOptions().setHasText("Easier:"))
        .first()
        .click();
    page.keyboard().press("Space"); // near stays while the clock stands
    assertThat(page.getByText("kept on this device")).isVisible();
    page.reload();
    assertThat(page.getByText("kept on this device")).isVisible();
    assertThat(page.getByText("Sets of the session, 1")).isVisible();

    // the browser is closed and opened again: the day sheet is not here, the session is
    page.close();
    Page again = device.newPage();
    again.navigate(line.url("/"));
    assertThat(again.getByText("Starting another one needs the server")).isVisible();
    assertThat(again.getByText("not sent yet")).isVisible();
    Studio.link(again, "Open").first().click();
    assertThat(stop(again)).isVisible();
    Studio.button(again, "End early").click();
    Studio.button(again, "End it now").click();
    assertThat(again.getByText("Done").first()).isVisible();
    assertEquals(0, events(id).size(), "nothing arrived yet");

    line.mend();
    Studio.button(again, "Words after").click();
    Studio.choice(again, "session effort 5").click();
    Studio.choice(again, "good").click();
    Studio.choice(again, "none").click();
    Studio.button(again, "Keep, and send the check-in").click();
    assertThat(again.getByText("The check-in is in the outbox")).isVisible();
    List<String> kinds = events(id).valueStream().map(e -> e.path("kind").asString()).toList();
    assertEquals(1, kinds.stream().filter("START"::equals).count(), kinds.toString());
    assertEquals(1, kinds.stream().filter("FINISH"::equals).count(), kinds.toString());
    assertEquals(1, kinds.stream().filter("CHANGE"::equals).count(), kinds.toString());
    assertEquals(
        kinds.size(),
        events(id).valueStream().map(e -> e.path("id").asString()).distinct().count());
    // delivered and closed: nothing of it stays on the device
    again.waitForFunction("async (id) => !(await (" + HELD.strip() + ")(id))", id);
  }

  @Test
  void aGroupOfNineIsKeptInLittleAndItsStopSignIsThereAfterAnOfflineReload() throws Exception {
    List<String> nine =
        IntStream.range(0, 9)
            .mapToObj(
                i -> {
                  try {
                    return desk.client("Hall " + (char) ('A' + i) + "sen");
                  } catch (Exception e) {
                    throw new IllegalStateException(e);
                  }
                })
            .toList();
    String group = desk.group("Hall", desk.plan("Steady Tuesday"), nine);
    String id = desk.startGroup(group, nine).path("id").asString();
    page.navigate(line.url("/run/" + id));
    Studio.button(page, "Start").waitFor();
    page.reload(); // from here on the device's own copy serves
    Studio.button(page, "Start").click();
    // its drawings come in the background
    page.waitForFunction(
        "async () => (await (await caches.open('riposo-figures')).keys()).length > 30");
    double kept = ((Number) page.evaluate(KEPT)).doubleValue();
    assertTrue(kept > 500_000 && kept <= MOST_KEPT, "kept: " + kept);

    line.cut();
    page.reload();
    stop(page).click();
    assertThat(page.getByRole(AriaRole.DIALOG).getByText("Stop and make safe")).isVisible();
    Locator panel = page.getByRole(AriaRole.DIALOG);
    panel.getByRole(AriaRole.RADIO).first().click();
    panel.getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName("Seizure")).click();
    panel
        .getByRole(
            AriaRole.BUTTON,
            new Locator.GetByRoleOptions()
                .setName(java.util.regex.Pattern.compile("^Stop .* and record")))
        .click();
    Studio.button(page, "The room goes on").click();
    line.mend();
    assertThat(page.getByText("not sent").or(page.getByText("being sent"))).hasCount(0);
    page.waitForFunction(
        "async (id) => (await (await fetch(`/api/runs/${id}/events`)).json())"
            + ".some((e) => e.kind === 'STOP')",
        id);
  }
}
