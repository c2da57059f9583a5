package riposo.server.platform.internal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import java.util.stream.Stream;
import org.hibernate.TransactionException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotWritableException;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.orm.jpa.JpaSystemException;
import org.springframework.web.context.request.ServletWebRequest;

class NoDatabaseTest {
  private static final FilterChain FINE = (req, res) -> res.getWriter().write("fine");

  private static FilterChain failing(Exception e) {
    return (req, res) -> {
      res.getWriter().write("half an answer");
      if (e instanceof RuntimeException r) {
        throw r;
      }
      throw new ServletException(e);
    };
  }

  static Stream<Exception> gone() {
    return Stream.of(
        new IllegalStateException(new SQLTransientConnectionException("none came in time")),
        new SQLNonTransientConnectionException("closed", "08000"),
        new JpaSystemException(
            new TransactionException(
                "Unable to rollback against JDBC Connection",
                new SQLException("Connection is closed"))),
        new IllegalStateException(
            "outer", new RuntimeException(new SQLException("broken", "08S01"))));
  }

  @ParameterizedTest
  @MethodSource("gone")
  void whateverTheRouteItSaysThatTheRecordsCannotBeReachedAndWhenToComeAgain(Exception e)
      throws Exception {
    MockHttpServletResponse answer = new MockHttpServletResponse();
    new NoDatabase().doFilter(new MockHttpServletRequest("GET", "/api/day"), answer, failing(e));
    assertThat(answer.getStatus()).isEqualTo(503);
    assertThat(answer.getHeader("Retry-After")).isEqualTo("3");
    assertThat(answer.getContentType()).startsWith("application/problem+json");
    assertThat(answer.getContentAsString())
        .contains("\"code\":\"no-database\"")
        .contains("nothing was saved")
        .doesNotContain("half an answer");
  }

  @ParameterizedTest
  @MethodSource("gone")
  void behindARouteItIsTheSameProblem(Exception e) throws Exception {
    ResponseEntity<?> answer =
        new ProblemAdvice().other(e, new MockHttpServletRequest("GET", "/api/day"));
    assertThat(answer.getStatusCode().value()).isEqualTo(503);
    assertThat(String.valueOf(answer.getBody())).contains("no-database");
  }

  @Test
  void aStatementThatWasGivenUpIsNoBrokenServer() throws Exception {
    ResponseEntity<?> answer =
        new ProblemAdvice()
            .other(
                new IllegalStateException(
                    new SQLException("max_statement_time exceeded", "70100", 1969)),
                new MockHttpServletRequest("GET", "/api/day"));
    assertThat(answer.getStatusCode().value()).isEqualTo(503);
    assertThat(String.valueOf(answer.getBody())).contains("too-slow");
  }

  @Test
  void goneWhileAnAnswerWasWrittenIsNoBrokenServerEither() {
    ResponseEntity<?> answer =
        new ProblemAdvice()
            .handleExceptionInternal(
                new HttpMessageNotWritableException(
                    "half way", new SQLNonTransientConnectionException("closed", "08000")),
                null,
                new HttpHeaders(),
                HttpStatus.INTERNAL_SERVER_ERROR,
                new ServletWebRequest(new MockHttpServletRequest("GET", "/api/day")));
    assertThat(answer.getStatusCode().value()).isEqualTo(503);
    assertThat(String.valueOf(answer.getBody())).contains("no-database");
  }

  @Test
  void goneWhileItWasSavedItDoesNotSayThatNothingWasSaved() {
    assertThat(
            NoDatabase.in(
                new JpaSystemException(
                    new TransactionException(
                        "Unable to commit against JDBC Connection",
                        new SQLNonTransientConnectionException("closed", "08000")))))
        .isEqualTo(NoDatabase.Trouble.UNSURE);
    assertThat(NoDatabase.Trouble.UNSURE.sentence).contains("not known whether");
  }

  @Test
  void aPoolWhoseConnectionsAreAllInUseIsBusyAndNotGone() {
    assertThat(
            NoDatabase.in(
                new SQLTransientConnectionException(
                    "HikariPool-1 - Connection is not available, request timed out after 4000ms"
                        + " (total=12, active=12, idle=0, waiting=3)")))
        .isEqualTo(NoDatabase.Trouble.BUSY);
    assertThat(
            NoDatabase.in(
                new SQLTransientConnectionException(
                    "HikariPool-1 - Connection is not available, request timed out after 4000ms"
                        + " (total=0, active=0, idle=0, waiting=3)")))
        .isEqualTo(NoDatabase.Trouble.GONE);
  }

  @Test
  void nothingElseIsCalledThatAndAnAnswerPassesUntouched() throws Exception {
    MockHttpServletResponse answer = new MockHttpServletResponse();
    new NoDatabase().doFilter(new MockHttpServletRequest(), answer, FINE);
    assertThat(answer.getContentAsString()).isEqualTo("fine");
    Exception other = new IllegalStateException(new SQLException("bad grammar", "42000", 1064));
    assertThat(NoDatabase.in(other)).isNull();
    assertThatThrownBy(
            () ->
                new NoDatabase()
                    .doFilter(
                        new MockHttpServletRequest(),
                        new MockHttpServletResponse(),
                        failing(other)))
        .isSameAs(other);
  }
}
