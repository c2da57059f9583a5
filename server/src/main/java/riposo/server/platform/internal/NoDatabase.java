package riposo.server.platform.internal;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import riposo.server.platform.Problems;

/**
 * Where the database does not answer, every route says so in a problem, the sign-in and the session
 * before it too. Nothing has to be done when it is back.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class NoDatabase extends OncePerRequestFilter {
  static final String SENTENCE =
      "The records cannot be reached at this moment. What is on this screen is kept; nothing was"
          + " saved. Try again in a few seconds.";

  private static final Logger LOG = LoggerFactory.getLogger(NoDatabase.class);

  /** SQL states of a connection that is not there (class 08), and of a server going down. */
  private static final String CONNECTION = "08";

  /** A statement that went over the time it is given. */
  private static final int OVER_TIME = 1969;

  /** Whether a failure comes from a database that is not there. */
  static boolean in(Throwable e) {
    for (Throwable t = e; t != null && t.getCause() != t; t = t.getCause()) {
      if (t instanceof SQLTransientConnectionException
          || t instanceof SQLException s
              && s.getSQLState() != null
              && s.getSQLState().startsWith(CONNECTION)) {
        return true;
      }
    }
    return false;
  }

  /** Whether a statement was given up because it took too long. */
  static boolean tooSlow(Throwable e) {
    for (Throwable t = e; t != null && t.getCause() != t; t = t.getCause()) {
      if (t instanceof SQLException s && s.getErrorCode() == OVER_TIME) {
        return true;
      }
    }
    return false;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    try {
      chain.doFilter(request, response);
    } catch (RuntimeException | ServletException e) {
      if (!in(e) || response.isCommitted()) {
        throw e;
      }
      LOG.warn("the database does not answer");
      response.reset();
      response.setStatus(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
      response.setHeader("Retry-After", String.valueOf(Problems.AGAIN_SECONDS));
      response.setContentType("application/problem+json");
      response.setCharacterEncoding(StandardCharsets.UTF_8.name());
      response
          .getWriter()
          .write(
              "{\"type\":\"urn:riposo:problem:no-database\",\"status\":503,\"code\":\"no-database\",\"detail\":\""
                  + SENTENCE
                  + "\"}");
    }
  }
}
