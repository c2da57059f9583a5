package riposo.server.platform.internal;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import riposo.server.platform.Heavy;
import riposo.server.platform.Problems;

/** Lets few {@link Heavy} requests work at once, first come first served. */
@Component
class HeavyRequests implements HandlerInterceptor {
  /** How many may wait: more than that are asked at once to come again. */
  private static final int WAITING = 80;

  private static final String HELD = HeavyRequests.class.getName();

  private final Semaphore places;
  private final long waitMs;

  /**
   * @param atOnce how many work at once
   * @param waitMs how long one waits for its turn
   */
  HeavyRequests(
      @Value("${riposo.heavy.at-once}") int atOnce, @Value("${riposo.heavy.wait-ms}") long waitMs) {
    this.places = new Semaphore(atOnce, true);
    this.waitMs = waitMs;
  }

  @Override
  public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
      throws InterruptedException {
    if (!(handler instanceof HandlerMethod m) || !m.hasMethodAnnotation(Heavy.class)) {
      return true;
    }
    boolean mine =
        places.tryAcquire()
            || places.getQueueLength() < WAITING
                && places.tryAcquire(waitMs, TimeUnit.MILLISECONDS);
    if (!mine) {
      throw Problems.busy();
    }
    request.setAttribute(HELD, true);
    return true;
  }

  @Override
  public void afterCompletion(
      HttpServletRequest request,
      HttpServletResponse response,
      Object handler,
      @Nullable Exception ex) {
    if (request.getAttribute(HELD) != null) {
      request.removeAttribute(HELD);
      places.release();
    }
  }
}
