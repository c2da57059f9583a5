package riposo.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.AbstractPlatformTransactionManager;
import org.springframework.transaction.support.DefaultTransactionStatus;
import org.springframework.transaction.support.TransactionTemplate;

class OncePerReadTest {
  private final AtomicInteger worked = new AtomicInteger();

  private int answer(String key) {
    return OncePerRead.of(OncePerReadTest.class, key, worked::incrementAndGet);
  }

  @Test
  void aReadWorksItOutOnceAndTheNextReadAnew() {
    TransactionTemplate read = transaction(true);
    read.executeWithoutResult(
        s -> {
          assertThat(answer("a")).isEqualTo(1);
          assertThat(answer("a")).isEqualTo(1);
          assertThat(answer("b")).isEqualTo(2);
        });
    read.executeWithoutResult(s -> assertThat(answer("a")).isEqualTo(3));
  }

  @Test
  void whatIsLetGoOfIsWorkedOutAgain() {
    transaction(true)
        .executeWithoutResult(
            s -> {
              assertThat(answer("a")).isEqualTo(1);
              OncePerRead.letGo();
              assertThat(answer("a")).isEqualTo(2);
              assertThat(answer("a")).isEqualTo(2);
            });
  }

  @Test
  void whereAnythingMayBeWrittenNothingIsRemembered() {
    transaction(false)
        .executeWithoutResult(
            s -> {
              assertThat(answer("a")).isEqualTo(1);
              assertThat(answer("a")).isEqualTo(2);
            });
    assertThat(answer("a")).as("nor outside of any transaction").isEqualTo(3);
    assertThat(answer("a")).isEqualTo(4);
  }

  @Test
  void aWriteInsideAReadSeesNothingOfItAndTheReadGoesOn() {
    TransactionTemplate inner = transaction(false);
    inner.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    transaction(true)
        .executeWithoutResult(
            s -> {
              assertThat(answer("a")).isEqualTo(1);
              inner.executeWithoutResult(t -> assertThat(answer("a")).isEqualTo(2));
              assertThat(answer("a")).isEqualTo(1);
            });
  }

  static TransactionTemplate transaction(boolean readOnly) {
    TransactionTemplate t = new TransactionTemplate(new Nothing());
    t.setReadOnly(readOnly);
    return t;
  }

  /** Transactions with nothing behind them. */
  private static final class Nothing extends AbstractPlatformTransactionManager {
    private static final long serialVersionUID = 1;
    private boolean open;

    @Override
    protected Object doGetTransaction() {
      return new Object();
    }

    @Override
    protected boolean isExistingTransaction(Object transaction) {
      return open;
    }

    @Override
    protected void doBegin(Object transaction, TransactionDefinition definition) {
      open = true;
    }

    @Override
    protected Object doSuspend(Object transaction) {
      open = false;
      return transaction;
    }

    @Override
    protected void doResume(Object transaction, Object suspended) {
      open = true;
    }

    @Override
    protected void doCommit(DefaultTransactionStatus status) {
      open = false;
    }

    @Override
    protected void doRollback(DefaultTransactionStatus status) {
      open = false;
    }
  }
}
