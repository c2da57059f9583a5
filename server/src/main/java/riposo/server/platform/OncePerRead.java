package riposo.server.platform;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Works something out once in a transaction that only reads. There the data stands still, so the
 * answer does too; where anything may be written it is worked out every time, and nothing outlives
 * its transaction. What will be asked of many is read ahead for all of them at once.
 */
public final class OncePerRead {
  private OncePerRead() {}

  /**
   * The answer of {@code work}, remembered for {@code owner} and {@code key} until the read ends.
   */
  public static <V> V of(Object owner, Object key, Supplier<V> work) {
    Map<Object, Object> known = known();
    if (known == null) {
      return work.get();
    }
    Object slot = Map.entry(owner, key);
    @SuppressWarnings("unchecked") // stored below by the same owner and key
    V before = (V) known.get(slot);
    if (before != null) {
      return before;
    }
    V now = Objects.requireNonNull(work.get());
    known.put(slot, now);
    return now;
  }

  /**
   * Works out for all keys at once what {@link #of} would be asked for one by one. Does nothing
   * where nothing is remembered.
   *
   * @param work answers for keys not known yet; never called with none
   * @param otherwise the answer for a key that {@code work} has none for
   */
  public static <K, V> void ahead(
      Object owner, Collection<K> keys, Function<List<K>, Map<K, V>> work, V otherwise) {
    Map<Object, Object> known = known();
    if (known == null) {
      return;
    }
    Set<K> wanted = new HashSet<>(keys);
    wanted.removeIf(k -> known.containsKey(Map.entry(owner, k)));
    if (!wanted.isEmpty()) {
      Map<K, V> found = work.apply(List.copyOf(wanted));
      wanted.forEach(k -> known.put(Map.entry(owner, k), found.getOrDefault(k, otherwise)));
    }
  }

  /** Forgets what this read has worked out so far, where it goes over more than memory holds. */
  public static void letGo() {
    Map<Object, Object> known = known();
    if (known != null) {
      known.clear();
    }
  }

  /** What this read has worked out; null where something may be written. */
  private static @Nullable Map<Object, Object> known() {
    if (!TransactionSynchronizationManager.isSynchronizationActive()
        || !TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
      return null;
    }
    @SuppressWarnings("unchecked") // only this class binds under its own name
    Map<Object, Object> known =
        (Map<Object, Object>) TransactionSynchronizationManager.getResource(OncePerRead.class);
    if (known == null) {
      known = new HashMap<>();
      TransactionSynchronizationManager.bindResource(OncePerRead.class, known);
      TransactionSynchronizationManager.registerSynchronization(new Forget());
    }
    return known;
  }

  /** Lets go with the transaction, and steps aside while another one runs inside it. */
  private static final class Forget implements TransactionSynchronization {
    private Object aside = new Object();

    @Override
    public void suspend() {
      aside = TransactionSynchronizationManager.unbindResource(OncePerRead.class);
    }

    @Override
    public void resume() {
      TransactionSynchronizationManager.bindResource(OncePerRead.class, aside);
    }

    @Override
    public void afterCompletion(int status) {
      TransactionSynchronizationManager.unbindResourceIfPossible(OncePerRead.class);
    }
  }
}
