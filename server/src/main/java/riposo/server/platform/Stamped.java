package riposo.server.platform;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * What was worked out for a key under a stamp; asked under another stamp there is nothing. Keeps so
 * many at most, and none for longer than a day after it was last asked for.
 *
 * @param <S> all that the answer rests on, such as the stamps of {@link Stamps} and the day
 */
public final class Stamped<K, S, V> {
  private record Kept<S, V>(S under, V value) {}

  private final Cache<K, Kept<S, V>> kept;

  public Stamped(int most) {
    this.kept =
        Caffeine.newBuilder().maximumSize(most).expireAfterAccess(Duration.ofDays(1)).build();
  }

  /** What is known under this stamp; null where nothing is, and in a transaction that may write. */
  public @Nullable V get(K key, S under) {
    Kept<S, V> k = reads() ? kept.getIfPresent(key) : null;
    return k != null && k.under.equals(under) ? k.value : null;
  }

  public void put(K key, S under, V value) {
    if (reads()) {
      kept.put(key, new Kept<>(under, value));
    }
  }

  /** Where something may be written, what is written has not raised its stamp yet. */
  private static boolean reads() {
    return TransactionSynchronizationManager.isSynchronizationActive()
        && TransactionSynchronizationManager.isCurrentTransactionReadOnly();
  }
}
