package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** The page is asked for each time; its parts, named by what is in them, are fetched once. */
class PageTest extends ApiDesk {
  private MockHttpServletResponse raw(String path) throws Exception {
    return mvc.perform(MockMvcRequestBuilders.get(path)).andReturn().getResponse();
  }

  @Test
  void partsAreKeptByTheBrowserAndTheDocumentAndAnswersAreNot() throws Exception {
    MockHttpServletResponse page = raw("/clients/any/plan");
    assertThat(page.getStatus()).isEqualTo(200);
    assertThat(page.getHeader("Cache-Control")).contains("no-store");
    var parts =
        Pattern.compile("/assets/[^\"]+")
            .matcher(page.getContentAsString())
            .results()
            .map(MatchResult::group)
            .toList();
    assertThat(parts).anyMatch(p -> p.endsWith(".js")).anyMatch(p -> p.endsWith(".css"));
    for (String part : parts) {
      MockHttpServletResponse kept = raw(part);
      assertThat(kept.getStatus()).as(part).isEqualTo(200);
      assertThat(kept.getHeader("Cache-Control"))
          .as(part)
          .contains("max-age=31536000", "immutable")
          .as("%s: never by a cache that others share", part)
          .contains("private")
          .doesNotContain("public", "no-store");
      assertThat(kept.getHeader("Pragma")).as(part).isNull();
    }
    assertThat(raw("/api/me").getHeader("Cache-Control")).contains("no-store");
  }

  @Test
  void aPartThatIsGoneIsMissingAndNotKeptSo() throws Exception {
    MockHttpServletResponse gone = raw("/assets/gone-00000000.js");
    assertThat(gone.getStatus()).isEqualTo(404);
    assertThat(String.valueOf(gone.getHeader("Cache-Control"))).doesNotContain("immutable");
  }
}
