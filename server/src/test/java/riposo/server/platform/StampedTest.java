package riposo.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;

class StampedTest {
  private static final UUID OURS = new UUID(1, 1);
  private static final UUID THEIRS = new UUID(1, 2);

  private final Stamped<String, Long, String> kept = new Stamped<>(100);
  private final AtomicInteger worked = new AtomicInteger();

  private String work() {
    return "work " + worked.incrementAndGet();
  }

  private String asked(UUID studio, boolean reads, long stamp, Supplier<String> work) {
    return StudioContext.within(
        studio,
        "tester",
        () ->
            OncePerReadTest.transaction(reads)
                .execute(s -> kept.of("a", stamp, work, v -> !v.equals("passing"))));
  }

  private String asked(UUID studio, boolean reads, long stamp) {
    return asked(studio, reads, stamp, this::work);
  }

  @Test
  void isGoodAsLongAsTheStampStandsAndForOneStudio() {
    assertThat(asked(OURS, true, 1)).isEqualTo("work 1");
    assertThat(asked(OURS, true, 1)).isEqualTo("work 1");
    assertThat(asked(OURS, true, 2)).as("something changed").isEqualTo("work 2");
    assertThat(asked(THEIRS, true, 2)).as("the same id and stamp elsewhere").isEqualTo("work 3");
    assertThat(asked(OURS, true, 2)).isEqualTo("work 2");
  }

  @Test
  void whereSomethingMayBeWrittenNothingIsTakenOrKept() {
    assertThat(asked(OURS, false, 1)).isEqualTo("work 1");
    assertThat(asked(OURS, true, 1)).isEqualTo("work 2");
    assertThat(asked(OURS, false, 1)).isEqualTo("work 3");
  }

  @Test
  void whatDoesNotLastIsWorkedOutEveryTime() {
    assertThat(asked(OURS, true, 1, () -> "passing")).isEqualTo("passing");
    assertThat(asked(OURS, true, 1)).isEqualTo("work 1");
  }

  @Test
  void anErrorIsNotKept() {
    assertThatThrownBy(
            () ->
                asked(
                    OURS,
                    true,
                    1,
                    () -> {
                      throw new IllegalStateException("no");
                    }))
        .isInstanceOf(IllegalStateException.class);
    assertThat(asked(OURS, true, 1)).isEqualTo("work 1");
  }

  @Test
  void whatManyAskForAtOnceIsWorkedOutOnce() throws Exception {
    int many = 8;
    CountDownLatch begun = new CountDownLatch(1);
    CountDownLatch all = new CountDownLatch(many - 1);
    ExecutorService pool = Executors.newFixedThreadPool(many);
    try {
      List<Future<String>> answers = new ArrayList<>();
      answers.add(
          pool.submit(
              () ->
                  asked(
                      OURS,
                      true,
                      1,
                      () -> {
                        begun.countDown();
                        await(all);
                        return work();
                      })));
      await(begun);
      for (int i = 1; i < many; i++) {
        answers.add(
            pool.submit(
                () -> {
                  all.countDown();
                  return asked(OURS, true, 1);
                }));
      }
      for (Future<String> a : answers) {
        assertThat(a.get(20, TimeUnit.SECONDS)).isEqualTo("work 1");
      }
    } finally {
      pool.shutdownNow();
    }
    assertThat(worked.get()).isEqualTo(1);
  }

  @Test
  void whoWaitedForSomethingThatFailedWorksItOutAlone() throws Exception {
    CountDownLatch begun = new CountDownLatch(1);
    CountDownLatch other = new CountDownLatch(1);
    ExecutorService pool = Executors.newFixedThreadPool(2);
    try {
      Future<String> fails =
          pool.submit(
              () ->
                  asked(
                      OURS,
                      true,
                      1,
                      () -> {
                        begun.countDown();
                        await(other);
                        throw new IllegalStateException("no");
                      }));
      await(begun);
      Future<String> waits =
          pool.submit(
              () -> {
                other.countDown();
                return asked(OURS, true, 1);
              });
      assertThat(waits.get(20, TimeUnit.SECONDS)).isEqualTo("work 1");
      assertThatThrownBy(() -> fails.get(20, TimeUnit.SECONDS))
          .hasCauseInstanceOf(IllegalStateException.class);
    } finally {
      pool.shutdownNow();
    }
  }

  private static void await(CountDownLatch latch) {
    try {
      assertThat(latch.await(20, TimeUnit.SECONDS)).isTrue();
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }

  @Test
  void ofManyOnlyThoseOfWhichNothingIsKnownAreWorkedOutTogether() {
    List<Set<String>> asked = new ArrayList<>();
    Function<Set<String>, Map<String, String>> work =
        keys -> {
          asked.add(Set.copyOf(keys));
          Map<String, String> of = new HashMap<>();
          keys.stream()
              .filter(k -> !k.equals("nobody"))
              .forEach(k -> of.put(k, k + " " + asked.size()));
          return of;
        };
    assertThat(all(true, Map.of("a", 1L, "b", 1L, "nobody", 1L), work))
        .isEqualTo(Map.of("a", "a 1", "b", "b 1"));
    assertThat(all(true, Map.of("a", 1L, "b", 2L), work)).isEqualTo(Map.of("a", "a 1", "b", "b 2"));
    assertThat(all(true, Map.of("a", 1L, "b", 2L), work)).isEqualTo(Map.of("a", "a 1", "b", "b 2"));
    assertThat(all(false, Map.of("a", 1L), work)).isEqualTo(Map.of("a", "a 3"));
    assertThat(asked).containsExactly(Set.of("a", "b", "nobody"), Set.of("b"), Set.of("a"));
  }

  private Map<String, String> all(
      boolean reads, Map<String, Long> under, Function<Set<String>, Map<String, String>> work) {
    return StudioContext.within(
        OURS,
        "tester",
        () -> OncePerReadTest.transaction(reads).execute(s -> kept.all(under, work)));
  }

  @Test
  void whatIsHeavierThanAllowedGoes() {
    Stamped<String, Long, String> light = new Stamped<>(10, String::length);
    StudioContext.within(
        OURS,
        "tester",
        () ->
            OncePerReadTest.transaction(true)
                .execute(
                    s -> {
                      light.put("a", 1L, "a word that weighs too much");
                      light.settle();
                      assertThat(light.get("a", 1L)).isNull();
                      light.put("b", 1L, "short");
                      light.settle();
                      assertThat(light.get("b", 1L)).isEqualTo("short");
                      return true;
                    }));
  }
}
