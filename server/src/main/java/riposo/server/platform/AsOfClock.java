package riposo.server.platform;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;

/**
 * The one clock of the server. Tests move it with {@link #shift}; the demo loader writes its
 * history with {@link #asOf}.
 */
public final class AsOfClock extends Clock {
  private static final ThreadLocal<@Nullable Instant> AS_OF = new ThreadLocal<>();
  private final AtomicReference<Duration> shift = new AtomicReference<>(Duration.ZERO);

  @Override
  public ZoneId getZone() {
    return ZoneOffset.UTC;
  }

  @Override
  public Clock withZone(ZoneId zone) {
    return this;
  }

  @Override
  public Instant instant() {
    Instant fixed = AS_OF.get();
    return fixed != null ? fixed : Clock.systemUTC().instant().plus(shift.get());
  }

  /** Moves every later reading by that much. */
  public void shift(Duration by) {
    shift.set(by);
  }

  /** Does a piece of work on this thread as if it were that moment. */
  public static void asOf(Instant moment, Runnable work) {
    AS_OF.set(moment);
    try {
      work.run();
    } finally {
      AS_OF.remove();
    }
  }
}
