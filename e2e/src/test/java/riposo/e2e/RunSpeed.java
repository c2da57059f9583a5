package riposo.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ServiceWorkerPolicy;
import java.net.URI;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import riposo.bench.Desk;
import tools.jackson.databind.JsonNode;

/**
 * Measures a group's run in the browser: how long a tap takes until it is painted with 30 people
 * logged, what the device keeps of nine, and how long an offline reload takes until the stop sign
 * can be used. Run by ./riposo bench page; its name keeps it out of the test run: a time is no
 * test.
 */
class RunSpeed {
  private static final int TIMES = 9;
  private static final int SETS = 12;

  /** Milliseconds from a tap on an effort until the frame in which it stands was painted. */
  private static final String TAPS =
      """
      async () => {
        const painted = () => new Promise((go) => requestAnimationFrame(() => setTimeout(go)))
        const times = []
        for (const row of [...document.querySelectorAll('[data-person]')]) {
          row.click()
          await painted()
          for (const effort of [4, 6]) {
            const b = document.querySelector(`[data-strip] [aria-label="effort ${effort}"]`)
            const from = performance.now()
            b.click()
            await painted()
            times.push(performance.now() - from)
          }
        }
        return times
      }
      """;

  private static JsonNode group(Desk desk, int people) throws Exception {
    List<String> ids = new ArrayList<>();
    for (int i = 0; i < people; i++) {
      ids.add(desk.client("Measured " + (char) ('A' + i % 26) + i + "sen"));
    }
    String group = desk.group("Measured", desk.plan("Steady Tuesday"), ids);
    return desk.startGroup(group, ids);
  }

  private static String said(List<Double> all) {
    Collections.sort(all);
    return "median %.0f ms, worst %.0f ms of %d"
        .formatted(all.get(all.size() / 2), all.get(all.size() - 1), all.size());
  }

  @Test
  void aTapWithThirtyPeopleLogged() throws Exception {
    Desk desk = Studio.desk();
    JsonNode run = group(desk, 30);
    String id = run.path("id").asString();
    long at = System.currentTimeMillis();
    int seq = 0;
    for (JsonNode p : run.path("people")) {
      List<String> events = new ArrayList<>();
      for (JsonNode s : p.path("slots")) {
        for (int round = 1; round <= 2 && events.size() < SETS; round++) {
          events.add(
              "{\"id\":\"%s\",\"at\":%d,\"seq\":%d,\"kind\":\"ENTRY\",\"device\":\"m\",\"person\":\"%s\",\"entry\":{\"slotKey\":\"%s\",\"round\":%d,\"side\":\"%s\",\"effort\":5}}"
                  .formatted(
                      UUID.randomUUID(),
                      at,
                      seq++,
                      p.path("clientId").asString(),
                      s.path("key").asString(),
                      round,
                      s.path("parts").get(0).path("side").asString()));
        }
      }
      desk.post("/runs/" + id + "/events", "{\"events\":[" + String.join(",", events) + "]}");
    }
    Page page = Studio.marit(1280, 800);
    page.navigate(Studio.url("/run/" + id));
    Studio.button(page, "Start").click();
    for (int i = 0; i < 12 && page.getByText("round 1 of").count() == 0; i++) {
      page.keyboard().press("ArrowRight");
      page.waitForTimeout(200);
    }
    page.keyboard().press("Space");
    @SuppressWarnings("unchecked")
    List<Number> times = (List<Number>) page.evaluate(TAPS);
    System.out.println(
        "a tap until it is painted, 30 people and "
            + seq
            + " sets logged: "
            + said(new ArrayList<>(times.stream().map(Number::doubleValue).toList())));
  }

  @Test
  void anOfflineReloadUntilTheStopSign() throws Exception {
    Desk desk = Studio.desk();
    String id = group(desk, 9).path("id").asString();
    try (Line line = new Line(URI.create(Studio.url("/")).getPort())) {
      Page page = Studio.page(1180, 820, ServiceWorkerPolicy.ALLOW);
      BrowserContext device = page.context();
      Studio.signIn(page, Studio.MARIT, Studio.LANTERN);
      Studio.open(page, line.url("/"));
      page.evaluate("() => navigator.serviceWorker.ready.then(() => true)");
      page.navigate(line.url("/run/" + id));
      Studio.button(page, "Start").click();
      page.waitForFunction(
          "async () => (await (await caches.open('riposo-figures')).keys()).length > 30");
      System.out.println(
          "kept on the device for a group of nine: " + page.evaluate(OfflineTest.KEPT) + " bytes");
      line.cut();
      device.addInitScript(
          """
          const seen = new MutationObserver(() => {
            const stop = [...document.querySelectorAll('button')].find((b) => b.textContent.includes('Stop sign'))
            if (!stop) return
            seen.disconnect()
            requestAnimationFrame(() => setTimeout(() => { window.usable = performance.now() }))
          })
          seen.observe(document, { childList: true, subtree: true })""");
      List<Double> times = new ArrayList<>();
      for (int i = 0; i < TIMES; i++) {
        page.reload();
        page.waitForFunction("() => window.usable");
        times.add(((Number) page.evaluate("() => window.usable")).doubleValue());
      }
      System.out.println("offline reload until the stop sign can be used: " + said(times));
    }
  }
}
