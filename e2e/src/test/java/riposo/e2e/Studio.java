package riposo.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import riposo.server.RiposoApplication;
import riposo.server.platform.AsOfClock;
import riposo.server.platform.Studios;

/** One server with the demo data and one real browser, shared by the journeys of a run. */
final class Studio {
  /** The demo studio's own zone: its dates are counted there. */
  static final java.time.ZoneId ZONE = java.time.ZoneId.of("Europe/Oslo");

  static final String STRANGER = "stranger@elsewhere.example";

  /** Set to the address of a running demo to take pictures of that one. */
  private static final @Nullable String EXTERNAL = System.getProperty("riposo.external");

  private static final @Nullable ConfigurableApplicationContext SERVER =
      EXTERNAL == null ? serve() : null;
  private static final Playwright PLAYWRIGHT =
      Playwright.create(
          new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
  private static final Browser BROWSER =
      PLAYWRIGHT
          .chromium()
          .launch(
              new BrowserType.LaunchOptions()
                  .setExecutablePath(Path.of("/usr/bin/chromium"))
                  .setArgs(
                      List.of(
                          "--no-sandbox",
                          "--disable-dev-shm-usage",
                          "--disable-gpu",
                          "--disable-background-networking",
                          "--disable-component-update",
                          "--disable-sync",
                          "--no-first-run")));

  private Studio() {}

  private static ConfigurableApplicationContext serve() {
    String base =
        Objects.requireNonNull(
            System.getenv("RIPOSO_TEST_DB_BASE"), "run the tests with ./riposo test");
    String port = System.getProperty("riposo.port", "18080");
    ConfigurableApplicationContext context =
        SpringApplication.run(
            RiposoApplication.class,
            "--spring.datasource.url=" + base + "riposo_e2e",
            "--riposo.demo=true",
            "--server.port=" + port,
            "--riposo.public-url=http://127.0.0.1:" + port);
    Studios studios = context.getBean(Studios.class);
    if (!studios.hasAccount(STRANGER)) {
      studios.addAccount(
          studios.create("Elsewhere", "Europe/Oslo", "112"),
          STRANGER,
          "A. Stranger",
          "elsewhere-1");
    }
    return context;
  }

  static String url(String path) {
    if (EXTERNAL != null) {
      return EXTERNAL + path;
    }
    return "http://127.0.0.1:" + System.getProperty("riposo.port", "18080") + path;
  }

  /** Moves the server's clock; the browser's stays. */
  static void shift(Duration by) {
    Objects.requireNonNull(SERVER).getBean(AsOfClock.class).shift(by);
  }

  static Page page(int width, int height) {
    BrowserContext context =
        BROWSER.newContext(
            new Browser.NewContextOptions()
                .setViewportSize(width, height)
                .setLocale("en-GB")
                .setReducedMotion(com.microsoft.playwright.options.ReducedMotion.REDUCE));
    context.setDefaultTimeout(15_000);
    return context.newPage();
  }

  static Page signedIn(int width, int height, String email, String password) {
    Page page = page(width, height);
    page.navigate(url("/"));
    page.getByLabel("E-mail").fill(email);
    page.getByLabel("Password").fill(password);
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in")).click();
    page.getByText("Sign out").waitFor();
    return page;
  }

  static Page marit(int width, int height) {
    return signedIn(width, height, "marit@lanternfield.example", "lantern-light");
  }

  static Locator button(Page page, String name) {
    return page.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  static Locator link(Page page, String name) {
    return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  /** Opens a client from the list by name. */
  static void client(Page page, String name) {
    page.navigate(url("/clients"));
    page.getByText(name).first().click();
    page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name)).waitFor();
  }
}
