package riposo.e2e;

import com.google.gson.JsonObject;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * Measures how long the day sheet takes until it is drawn and can be used, the processor slowed
 * four times: the first time, with nothing in the browser's cache, and on coming back. Run by
 * ./riposo bench page; its name keeps it out of the test run: a time is no test.
 */
class PageSpeed {
  private static final int TIMES = 9;

  @Test
  void daySheet() {
    BrowserContext context = Studio.marit(1280, 800).context();
    measure(context, false, "the first time, nothing kept");
    measure(context, true, "on coming back");
  }

  private static void measure(BrowserContext context, boolean kept, String what) {
    List<Integer> all = new ArrayList<>();
    for (int i = 0; i < TIMES; i++) {
      Page page = context.newPage();
      CDPSession browser = context.newCDPSession(page);
      JsonObject slow = new JsonObject();
      slow.addProperty("rate", 4);
      browser.send("Emulation.setCPUThrottlingRate", slow);
      browser.send("Network.enable");
      JsonObject off = new JsonObject();
      off.addProperty("cacheDisabled", !kept);
      browser.send("Network.setCacheDisabled", off);
      page.addInitScript(
          """
          // drawn with all that is on it: the frame after it stood in the document
          const seen = new MutationObserver(() => {
            if (!document.querySelector('a[href*="/plan/"], a[href^="/run/"]') ||
                !document.body.textContent.includes('Waits for you')) return
            seen.disconnect()
            requestAnimationFrame(() => setTimeout(() => {
              window.usable = Math.round(performance.now())
            }))
          })
          seen.observe(document, { childList: true, subtree: true })""");
      page.navigate(Studio.url("/"));
      page.waitForFunction("() => window.usable");
      all.add((Integer) page.evaluate("() => window.usable"));
      page.close();
    }
    Collections.sort(all);
    System.out.println(
        "day sheet usable, processor slowed 4 times, "
            + what
            + ": median "
            + all.get(TIMES / 2)
            + " ms of "
            + all);
  }
}
