package riposo.server.platform.internal;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.persistence.PessimisticLockException;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.test.web.servlet.setup.MockMvcBuilders;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** What a failure that nobody foresaw is told as: with a code, and nothing from inside. */
class ProblemAdviceTest {
  private static final String INSIDE = "select * from client where name = 'Ada'";

  /** Fails as asked. */
  @RestController
  static class Failing {
    @GetMapping("/{how}")
    String fail(@PathVariable String how) {
      throw switch (how) {
        case "bug" -> new IllegalStateException(INSIDE);
        case "version" -> new OptimisticLockingFailureException(INSIDE);
        case "deadlock" -> new CannotAcquireLockException(INSIDE);
        case "lock" -> new PessimisticLockException(INSIDE);
        case "unique" -> new DataIntegrityViolationException(INSIDE);
        default -> new UnsupportedOperationException(INSIDE);
      };
    }
  }

  private final MockMvc mvc =
      MockMvcBuilders.standaloneSetup(new Failing())
          .setControllerAdvice(new ProblemAdvice())
          .build();

  @ParameterizedTest(name = "{0}: {1} {2}")
  @CsvSource({
    "bug, 500, unexpected",
    "other, 500, unexpected",
    "version, 409, stale",
    "deadlock, 409, stale",
    "lock, 409, stale",
    "unique, 409, stale",
  })
  void aFailureHasItsCodeAndTellsNothingFromInside(String how, int status, String code)
      throws Exception {
    MockHttpServletResponse answer =
        mvc.perform(MockMvcRequestBuilders.get("/" + how)).andReturn().getResponse();
    assertThat(answer.getStatus()).isEqualTo(status);
    assertThat(answer.getContentAsString())
        .contains(code)
        .contains("Nothing was saved")
        .doesNotContain("select", "Ada");
  }
}
