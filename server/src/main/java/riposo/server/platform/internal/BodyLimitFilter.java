package riposo.server.platform.internal;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Refuses bodies over 256 kB, said or unsaid. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class BodyLimitFilter extends OncePerRequestFilter {
  static final long MOST = 256 * 1024;
  static final long MOST_ATTACHED = 10 * 1024 * 1024;
  static final String SENTENCE = "This is larger than 256 kB; nothing was read or saved.";
  static final String ATTACHED = "This file is larger than 10 MB; nothing was saved.";

  /** Thrown while reading a body that turns out too long. */
  static final class TooLarge extends IOException {
    TooLarge(String sentence) {
      super(sentence);
    }

    static String sentence(Throwable e) {
      for (Throwable t = e; t != null; t = t.getCause()) {
        if (t instanceof TooLarge) {
          return String.valueOf(t.getMessage());
        }
      }
      return SENTENCE;
    }

    static boolean in(Throwable e) {
      for (Throwable t = e; t != null; t = t.getCause()) {
        if (t instanceof TooLarge) {
          return true;
        }
      }
      return false;
    }
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    boolean attached = request.getRequestURI().endsWith("/attachments");
    long most = attached ? MOST_ATTACHED : MOST;
    String sentence = attached ? ATTACHED : SENTENCE;
    if (request.getContentLengthLong() > most) {
      response.setStatus(413);
      response.setContentType("application/problem+json");
      response
          .getWriter()
          .write(
              "{\"type\":\"urn:riposo:problem:too-large\",\"status\":413,\"code\":\"too-large\",\"detail\":\""
                  + sentence
                  + "\"}");
      return;
    }
    chain.doFilter(
        new HttpServletRequestWrapper(request) {
          @Override
          public ServletInputStream getInputStream() throws IOException {
            return new Counting(super.getInputStream(), most, sentence);
          }
        },
        response);
  }

  private static final class Counting extends ServletInputStream {
    private final ServletInputStream in;
    private final long most;
    private final String sentence;
    private long read;

    Counting(ServletInputStream in, long most, String sentence) {
      this.in = in;
      this.most = most;
      this.sentence = sentence;
    }

    @Override
    public int read() throws IOException {
      int b = in.read();
      count(b < 0 ? 0 : 1);
      return b;
    }

    @Override
    public int read(byte[] bytes, int off, int len) throws IOException {
      int n = in.read(bytes, off, len);
      count(Math.max(0, n));
      return n;
    }

    private void count(int n) throws TooLarge {
      read += n;
      if (read > most) {
        throw new TooLarge(sentence);
      }
    }

    @Override
    public boolean isFinished() {
      return in.isFinished();
    }

    @Override
    public boolean isReady() {
      return in.isReady();
    }

    @Override
    public void setReadListener(ReadListener listener) {
      in.setReadListener(listener);
    }
  }
}
