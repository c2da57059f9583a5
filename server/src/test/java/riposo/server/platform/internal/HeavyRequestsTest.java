package riposo.server.platform.internal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpStatus;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.web.method.HandlerMethod;
import riposo.server.platform.Heavy;
import riposo.server.platform.Problems;

class HeavyRequestsTest {
  private final HandlerMethod much;
  private final HandlerMethod little;
  private final HeavyRequests gate = new HeavyRequests(2, 1);

  HeavyRequestsTest() throws NoSuchMethodException {
    much = new HandlerMethod(this, "much");
    little = new HandlerMethod(this, "little");
  }

  @Heavy
  public void much() {}

  public void little() {}

  private boolean enters(HeavyRequests gate, MockHttpServletRequest r, HandlerMethod what)
      throws InterruptedException {
    return gate.preHandle(r, new MockHttpServletResponse(), what);
  }

  private void leaves(HeavyRequests gate, MockHttpServletRequest r, HandlerMethod what) {
    gate.afterCompletion(r, new MockHttpServletResponse(), what, null);
  }

  @Test
  void oneTooManyIsAskedToComeAgainAndFindsAPlaceLater() throws Exception {
    MockHttpServletRequest first = new MockHttpServletRequest();
    MockHttpServletRequest second = new MockHttpServletRequest();
    MockHttpServletRequest third = new MockHttpServletRequest();
    assertThat(enters(gate, first, much)).isTrue();
    assertThat(enters(gate, second, much)).isTrue();
    assertThatThrownBy(() -> enters(gate, third, much))
        .isInstanceOfSatisfying(
            Problems.class,
            p -> {
              assertThat(p.code()).isEqualTo("busy");
              assertThat(p.status()).isEqualTo(HttpStatus.SERVICE_UNAVAILABLE);
              assertThat(p.getMessage()).contains("try again in 3 seconds");
            });
    leaves(gate, third, much);
    assertThatThrownBy(() -> enters(gate, third, much))
        .as("who was refused gives no place free")
        .isInstanceOf(Problems.class);
    leaves(gate, first, much);
    leaves(gate, first, much);
    assertThat(enters(gate, third, much)).isTrue();
    assertThatThrownBy(() -> enters(gate, new MockHttpServletRequest(), much))
        .as("a place is given back once")
        .isInstanceOf(Problems.class);
  }

  @Test
  void theLightOnesAreNeverHeldUp() throws Exception {
    enters(gate, new MockHttpServletRequest(), much);
    enters(gate, new MockHttpServletRequest(), much);
    for (int i = 0; i < 20; i++) {
      assertThat(enters(gate, new MockHttpServletRequest(), little)).isTrue();
    }
  }

  @Test
  void whoWaitsIsLetInWhenAPlaceIsFree() throws Exception {
    HeavyRequests patient = new HeavyRequests(1, 60_000);
    MockHttpServletRequest first = new MockHttpServletRequest();
    enters(patient, first, much);
    ExecutorService other = Executors.newSingleThreadExecutor();
    CountDownLatch asks = new CountDownLatch(1);
    Future<Boolean> waits =
        other.submit(
            () -> {
              asks.countDown();
              return enters(patient, new MockHttpServletRequest(), much);
            });
    asks.await();
    leaves(patient, first, much);
    assertThat(waits.get(30, TimeUnit.SECONDS)).isTrue();
    assertThat(other.shutdownNow()).isEqualTo(List.of());
  }
}
