package riposo.server.platform;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.UUID;
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

  private final Cache<Of<K>, Kept<S, V>> kept;

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

  /** Where something may be written, what is written has not raised its stamp yet. */
  private static boolean reads() {
    return TransactionSynchronizationManager.isSynchronizationActive()
        && TransactionSynchronizationManager.isCurrentTransactionReadOnly();
  }
}
