package riposo.server.platform;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.function.Supplier;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Works something out once in a transaction that only reads. There the data stands still, so the
 * answer does too; where anything may be written it is worked out every time, and nothing outlives
 * its transaction.
 */
public final class OncePerRead {
  private OncePerRead() {}

  /**
   * The answer of {@code work}, remembered for {@code owner} and {@code key} until the read ends.
   */
  public static <V> V of(Class<?> owner, Object key, Supplier<V> work) {
    if (!TransactionSynchronizationManager.isSynchronizationActive()
        || !TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
      return work.get();
    }
    @SuppressWarnings("unchecked") // only this class binds under its own name
    Map<Object, Object> known =
        (Map<Object, Object>) TransactionSynchronizationManager.getResource(OncePerRead.class);
    if (known == null) {
      known = new HashMap<>();
      TransactionSynchronizationManager.bindResource(OncePerRead.class, known);
      TransactionSynchronizationManager.registerSynchronization(new Forget());
    }
    Object slot = Map.entry(owner, key);
    @SuppressWarnings("unchecked") // stored two lines below by the same owner and key
    V before = (V) known.get(slot);
    if (before != null) {
      return before;
    }
    V now = Objects.requireNonNull(work.get());
    known.put(slot, now);
    return now;
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
