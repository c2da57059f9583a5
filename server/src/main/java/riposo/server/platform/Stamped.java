package riposo.server.platform;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.function.ToIntFunction;
import org.jspecify.annotations.Nullable;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * What was worked out for a key of the studio at work under a stamp; asked under another stamp, or
 * by another studio, there is nothing. Keeps so many at most, and none for longer than a day after
 * it was last asked for.
 *
 * @param <S> all that the answer rests on, such as the stamps of {@link Stamps} and the day
 */
public final class Stamped<K, S, V> {
  private record Kept<S, V>(S under, V value) {}

  private record Of<K>(UUID studio, K key) {}

  private record Asked<K, S>(Of<K> of, S under) {}

  /** As long as somebody waits for what another works out; no longer where the database hangs. */
  private static final int PATIENCE_S = 2;

  private final Cache<Of<K>, Kept<S, V>> kept;

  /** What is being worked out at this moment. */
  private final ConcurrentMap<Asked<K, S>, CompletableFuture<Optional<V>>> going =
      new ConcurrentHashMap<>();

  public Stamped(int most) {
    this(most, v -> 1);
  }

  /**
   * For values of very different sizes.
   *
   * @param most weight of all that is kept
   * @param weight of one
   */
  public Stamped(long most, ToIntFunction<V> weight) {
    this.kept =
        Caffeine.newBuilder()
            .maximumWeight(most)
            .weigher((Of<K> k, Kept<S, V> v) -> weight.applyAsInt(v.value))
            .expireAfterAccess(Duration.ofDays(1))
            .build();
  }

  private static <K> Of<K> of(K key) {
    return new Of<>(StudioContext.current(), key);
  }

  /**
   * What is known under this stamp, or is worked out now: by one, while the others who ask for the
   * same wait for it. In a transaction that may write it is always worked out.
   */
  public V of(K key, S under, Supplier<V> work) {
    return of(key, under, work, v -> true);
  }

  /**
   * The same.
   *
   * @param lasts whether an answer may be kept; one that may not is for who asked alone
   */
  public V of(K key, S under, Supplier<V> work, Predicate<V> lasts) {
    if (!reads()) {
      return work.get();
    }
    V before = get(key, under);
    if (before != null) {
      return before;
    }
    Asked<K, S> asked = new Asked<>(of(key), under);
    CompletableFuture<Optional<V>> mine = new CompletableFuture<>();
    CompletableFuture<Optional<V>> others = going.putIfAbsent(asked, mine);
    if (others != null) {
      return await(others).orElseGet(work);
    }
    Optional<V> told = Optional.empty();
    try {
      V now = work.get();
      if (lasts.test(now)) {
        put(key, under, now);
        told = Optional.of(now);
      }
      return now;
    } finally {
      going.remove(asked, mine);
      mine.complete(told);
    }
  }

  /**
   * What is known of each of these under its stamp; those of which nothing is are worked out
   * together.
   *
   * @param under of each that is asked for
   * @param work what it is of these, never empty; who it leaves out is left out of the answer
   * @return of each, for the caller alone
   */
  public Map<K, V> all(Map<K, S> under, Function<Set<K>, Map<K, V>> work) {
    Map<K, V> all = new HashMap<>();
    Set<K> missing = new LinkedHashSet<>();
    under.forEach(
        (key, s) -> {
          V v = get(key, s);
          if (v == null) {
            missing.add(key);
          } else {
            all.put(key, v);
          }
        });
    if (!missing.isEmpty()) {
      work.apply(missing)
          .forEach(
              (key, v) -> {
                put(key, Objects.requireNonNull(under.get(key)), v);
                all.put(key, v);
              });
    }
    return all;
  }

  /** Empty where it failed, may not be kept or takes too long: then everybody works it out. */
  private Optional<V> await(CompletableFuture<Optional<V>> others) {
    try {
      return others.get(PATIENCE_S, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return Optional.empty();
    } catch (ExecutionException | TimeoutException e) {
      return Optional.empty();
    }
  }

  /** What is known under this stamp; null where nothing is, and in a transaction that may write. */
  public @Nullable V get(K key, S under) {
    Kept<S, V> k = reads() ? kept.getIfPresent(of(key)) : null;
    return k != null && k.under.equals(under) ? k.value : null;
  }

  public void put(K key, S under, V value) {
    if (reads()) {
      kept.put(of(key), new Kept<>(under, value));
    }
  }

  /** Lets go at once of what weighs too much. */
  void settle() {
    kept.cleanUp();
  }

  /**
   * Whether anything is kept or taken here: where something may be written, what is written has not
   * raised its stamp yet.
   */
  public static boolean reads() {
    return TransactionSynchronizationManager.isSynchronizationActive()
        && TransactionSynchronizationManager.isCurrentTransactionReadOnly();
  }
}
