package riposo.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.PlaywrightException;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import com.microsoft.playwright.options.ServiceWorkerPolicy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import riposo.bench.Desk;
import riposo.server.RiposoApplication;
import riposo.server.platform.AsOfClock;
import riposo.server.platform.Studios;

/** One server with the demo data and one real browser, shared by the journeys of a run. */
final class Studio {
  /**
   * The demo studio's zone here: its dates are counted there. The demo's own, or one two hours
   * behind where midnight would come during the run: days told from the start would be others at
   * its end.
   */
  static final java.time.ZoneId ZONE = zone();

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

  private static final ThreadLocal<List<BrowserContext>> OPEN =
      ThreadLocal.withInitial(ArrayList::new);

  private Studio() {}

  private static java.time.ZoneId zone() {
    java.time.ZoneId own = java.time.ZoneId.of("Europe/Oslo");
    return java.time.LocalTime.now(own).isBefore(java.time.LocalTime.of(23, 0))
        ? own
        : java.time.ZoneId.of("Atlantic/Azores");
  }

  private static ConfigurableApplicationContext serve() {
    // how quick a page is is measured elsewhere
    PlaywrightAssertions.setDefaultAssertionTimeout(15_000);
    String base =
        Objects.requireNonNull(
            System.getenv("RIPOSO_TEST_DB_BASE"), "run the tests with ./riposo test");
    String port = System.getProperty("riposo.port", "18080");
    ConfigurableApplicationContext context =
        SpringApplication.run(
            RiposoApplication.class,
            "--spring.datasource.url=" + base + "riposo_e2e",
            "--riposo.demo=true",
            "--riposo.demo.zone=" + ZONE,
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

  /** A part of the server that runs here. */
  static <T> T bean(Class<T> type) {
    return Objects.requireNonNull(SERVER, "not of a server elsewhere").getBean(type);
  }

  /** Moves the server's clock; the browser's stays. */
  static void shift(Duration by) {
    Objects.requireNonNull(SERVER).getBean(AsOfClock.class).shift(by);
  }

  static Page page(int width, int height) {
    return page(width, height, ServiceWorkerPolicy.BLOCK);
  }

  /**
   * A page of a browser of its own.
   *
   * @param offline whether the application may keep itself on the device
   */
  static Page page(int width, int height, ServiceWorkerPolicy offline) {
    BrowserContext context =
        BROWSER.newContext(
            new Browser.NewContextOptions()
                .setViewportSize(width, height)
                .setServiceWorkers(offline)
                .setLocale("en-GB")
                .setReducedMotion(com.microsoft.playwright.options.ReducedMotion.REDUCE));
    context.setDefaultTimeout(15_000);
    OPEN.get().add(context);
    return context.newPage();
  }

  /**
   * Closes a test's pages after it: one left open goes on asking and drawing beside the next. What
   * they showed when a test failed is kept under {@code target/failures}.
   */
  public static final class Closed implements AfterEachCallback {
    @Override
    public void afterEach(ExtensionContext test) {
      if (test.getExecutionException().isPresent()) {
        keep(test.getRequiredTestClass().getSimpleName() + "." + test.getDisplayName());
      }
      OPEN.get().forEach(Studio::close);
      OPEN.get().clear();
    }
  }

  /** Requests that a test held up are let go first: one that comes while all closes fails it. */
  private static void close(BrowserContext context) {
    try {
      context.pages().forEach(Page::unrouteAll);
      context.close();
    } catch (PlaywrightException e) {
      if (!String.valueOf(e.getMessage()).contains("has been closed")) {
        throw e;
      }
    }
  }

  static Page signedIn(int width, int height, String email, String password) {
    Page page = page(width, height);
    signIn(page, email, password);
    open(page, "/");
    return page;
  }

  static void signIn(Page page, String email, String password) {
    page.request().get(url("/api/me")); // brings the token a change is sent with
    String token =
        page.context().cookies().stream()
            .filter(c -> c.name.equals("XSRF-TOKEN"))
            .findFirst()
            .orElseThrow()
            .value;
    APIResponse in =
        page.request()
            .post(
                url("/api/sign-in"),
                RequestOptions.create()
                    .setHeader("X-XSRF-TOKEN", token)
                    .setData(Map.of("email", email, "password", password)));
    assertEquals(200, in.status(), in::text);
  }

  /**
   * Goes to an address, of this studio when it is a path, and waits until it has its heading and
   * nothing is loading. Looks at every frame: a locator waits half a second between two looks.
   */
  static void open(Page page, String address) {
    page.navigate(address.startsWith("http") ? address : url(address));
    page.waitForFunction(
        "() => document.querySelector('main h1, main h2')"
            + " && !document.body.innerText.includes('Loading ')");
  }

  /** The demo's professional over HTTP, to make up people of a journey's own. */
  static Desk desk() throws IOException, InterruptedException {
    Desk desk = new Desk(url(""));
    desk.signIn(MARIT, LANTERN);
    return desk;
  }

  static final String MARIT = "marit@lanternfield.example";
  static final String LANTERN = "lantern-light";

  static Page marit(int width, int height) {
    return signedIn(width, height, MARIT, LANTERN);
  }

  static Locator button(Page page, String name) {
    return page.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  /** One answer of a scale or a choice. */
  static Locator choice(Page page, String name) {
    return page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  static Locator link(Page page, String name) {
    return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  /** What the question in focus asks, or the label of the field in focus. */
  private static final String FOCUSED =
      "() => { const e = document.activeElement; if (!e) return '';"
          + " if (e.getAttribute('role') === 'radiogroup') return e.getAttribute('aria-label');"
          + " const l = e.closest('label') ?? (e.id && document.querySelector(`label[for='${e.id}']`));"
          + " return l ? l.textContent.trim() : '' }";

  /**
   * Answers the whole screening by keys alone, from the question in focus to the signature: no to
   * everything but the questions named by a part of their words. A date is given as yyyy-mm-dd.
   *
   * @return how many questions were asked
   */
  static int screen(Page page, Map<String, String> answers) {
    String question = focusAfter(page, "");
    for (int asked = 0; asked < 90; asked++) {
      if (question.startsWith("Read to and agreed by")) {
        return asked;
      }
      String words = question;
      String answer =
          answers.entrySet().stream()
              .filter(e -> words.contains(e.getKey()))
              .map(Map.Entry::getValue)
              .findFirst()
              .orElse("n");
      if ((Boolean) page.evaluate("() => document.activeElement.tagName === 'INPUT'")) {
        type(page, "n".equals(answer) ? "" : answer);
        page.keyboard().press("Enter");
      } else {
        page.keyboard().press(answer);
      }
      question = focusAfter(page, question);
    }
    throw new AssertionError("the screening does not end");
  }

  /** What has the focus once it has left {@code question}. */
  private static String focusAfter(Page page, String question) {
    long end = System.nanoTime() + Duration.ofSeconds(15).toNanos();
    while (System.nanoTime() < end) {
      String now = (String) page.evaluate(FOCUSED);
      if (!now.isEmpty() && !now.equals(question)) {
        return now;
      }
    }
    throw new AssertionError("the focus stays at: " + question);
  }

  /** Types into the field in focus; a date as this browser orders it, day or month first. */
  static void type(Page page, String value) {
    if (!value.matches("\\d{4}-\\d\\d-\\d\\d")) {
      page.keyboard().type(value);
      return;
    }
    String day = value.substring(8);
    String month = value.substring(5, 7);
    page.keyboard().type(day + month + value.substring(0, 4));
    if (!value.equals(page.evaluate("() => document.activeElement.value"))) {
      page.keyboard().press("ArrowLeft");
      page.keyboard().press("ArrowLeft");
      page.keyboard().type(month + day + value.substring(0, 4));
    }
    assertEquals(value, page.evaluate("() => document.activeElement.value"));
  }

  /** Today's check of someone well, then the start; readings are filled in before. */
  static void wellThenStart(Page page) {
    for (String tap : List.of("Pain now 0", "Sleep 7", "Energy 7")) {
      choice(page, tap).click();
    }
    page.getByLabel("none of these").check();
    button(page, "Start").click();
  }

  /** Opens the client's plan: the usual one, or one that is chosen where none was done yet. */
  static void plan(Page page) {
    link(page, "Plan").click();
    Locator which = page.getByText("Which plan for");
    which.or(page.getByText(": the stair")).first().waitFor();
    if (which.isVisible()) {
      page.getByLabel("Plan", new Page.GetByLabelOptions().setExact(true))
          .selectOption("Chair and kettle");
    }
  }

  /** Opens a client from the list by name. */
  static void client(Page page, String name) {
    open(page, "/clients");
    page.getByText(name).first().click();
    page.waitForFunction(
        "name => document.querySelector('main h1')?.textContent.includes(name)", name);
  }

  /** What every open page shows: a picture, and its address with its words. */
  private static void keep(String test) {
    Path into = Path.of("target", "failures");
    int n = 0;
    for (BrowserContext c : OPEN.get()) {
      for (Page p : c.pages()) {
        String name = test.replaceAll("[^A-Za-z0-9.]+", "-") + "-" + n++;
        try {
          Files.createDirectories(into);
          Files.writeString(
              into.resolve(name + ".txt"), p.url() + "\n" + p.locator("body").innerText());
          p.screenshot(new Page.ScreenshotOptions().setPath(into.resolve(name + ".png")));
        } catch (PlaywrightException | IOException e) {
          System.err.println("nothing kept of " + name + ": " + e.getMessage());
        }
      }
    }
  }

  /** What a paper says, of two pages at most. */
  static String print(Page page, String link) throws IOException {
    APIResponse r = page.request().get(url(link(page, link).first().getAttribute("href")));
    assertEquals(200, r.status());
    try (PDDocument d = Loader.loadPDF(r.body())) {
      assertTrue(d.getNumberOfPages() <= 2);
      return new PDFTextStripper().getText(d).replaceAll("\\s+", " ");
    }
  }
}
