package riposo.server.platform.internal;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.regex.Pattern;
import org.hibernate.TransactionException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionSystemException;
import org.springframework.web.filter.OncePerRequestFilter;
import riposo.server.platform.Problems;

/**
 * Where the database does not answer, every route says so in a problem, the sign-in and the session
 * before it too. Nothing has to be done when it is back.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class NoDatabase extends OncePerRequestFilter {
  /** What a failure of the database means to who asked: a code and a sentence, always 503. */
  enum Trouble {
    GONE(
        "no-database",
        "The records cannot be reached at this moment. What is on this screen is kept; nothing was"
            + " saved. Try again in a few seconds."),
    /** It went away while something was being saved: the answer is lost, the work may not be. */
    UNSURE(
        "no-database",
        "The records went away while this was being saved. It is not known whether it was: look"
            + " before sending it again."),
    TOO_SLOW(
        "too-slow",
        "This took too long and was given up. Nothing was changed; ask for less, or later."),
    /** Every connection is in use. */
    BUSY("busy", String.valueOf(Problems.busy().getMessage()));

    final String code;
    final String sentence;

    Trouble(String code, String sentence) {
      this.code = code;
      this.sentence = sentence;
    }
  }

  private static final Logger LOG = LoggerFactory.getLogger(NoDatabase.class);

  /** SQL states of a connection that is not there (class 08), and of a server going down. */
  private static final String CONNECTION = "08";

  /** How the pool says that it waited for others, not for the database. */
  private static final Pattern ALL_IN_USE = Pattern.compile("total=([1-9]\\d*), active=\\1,");

  /** A statement that went over the time it is given. */
  private static final int OVER_TIME = 1969;

  /** What of the database a failure comes from; null where it comes from elsewhere. */
  static @Nullable Trouble in(Throwable e) {
    boolean saving = false;
    for (Throwable t = e; t != null && t.getCause() != t; t = t.getCause()) {
      String words = String.valueOf(t.getMessage());
      saving |= t instanceof TransactionException && words.contains("commit");
      saving |= t instanceof TransactionSystemException && words.contains("commit");
      if (t instanceof SQLException s) {
        if (s.getErrorCode() == OVER_TIME) {
          return Trouble.TOO_SLOW;
        }
        if (s instanceof SQLTransientConnectionException && ALL_IN_USE.matcher(words).find()) {
          return Trouble.BUSY;
        }
        // a connection the pool has thrown away has no state
        if (s instanceof SQLTransientConnectionException
            || s.getSQLState() != null && s.getSQLState().startsWith(CONNECTION)
            || s.getSQLState() == null && words.equals("Connection is closed")) {
          return saving ? Trouble.UNSURE : Trouble.GONE;
        }
      }
    }
    return null;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    try {
      chain.doFilter(request, response);
    } catch (RuntimeException | ServletException e) {
      Trouble trouble = in(e);
      if (trouble == null || response.isCommitted()) {
        throw e;
      }
      LOG.warn("the database: {}", trouble);
      response.reset();
      response.setStatus(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
      response.setHeader("Retry-After", String.valueOf(Problems.AGAIN_SECONDS));
      response.setContentType("application/problem+json");
      response.setCharacterEncoding(StandardCharsets.UTF_8.name());
      response
          .getWriter()
          .write(
              "{\"type\":\"urn:riposo:problem:%s\",\"status\":503,\"code\":\"%s\",\"detail\":\"%s\"}"
                  .formatted(trouble.code, trouble.code, trouble.sentence));
    }
  }
}
