package riposo.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** What axe finds against WCAG 2.2 A and AA on the page as it stands. */
final class Axe {
  private static final String AXE = script();

  private Axe() {}

  private static String script() {
    try {
      return Files.readString(Path.of("../web/node_modules/axe-core/axe.min.js"));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Fails with what axe finds. */
  static void clean(Page page, String where) {
    assertEquals("", String.join("\n", broken(page, 5)), where);
  }

  /**
   * @param least rules that have to pass, so that an empty page is no pass
   */
  static List<String> broken(Page page, int least) {
    page.evaluate(AXE); // the page's own policy lets no script tag in
    @SuppressWarnings("unchecked")
    List<String> broken =
        (List<String>)
            page.evaluate(
                """
                async (least) => {
                  const r = await axe.run(document, { runOnly: { type: 'tag',
                    values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22a', 'wcag22aa'] } })
                  if (r.passes.length < least) return ['axe saw an empty page']
                  return r.violations.flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.html.slice(0, 160)}`))
                }""",
                least);
    return broken;
  }
}
