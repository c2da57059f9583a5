package riposo.core.run;

import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Which event this is, and when and where it happened.
 *
 * @param id made by the device, so that the same event sent twice is one event
 * @param device which device it happened on; {@link #OLD} where older runs did not say
 * @param at device time, milliseconds since 1970 UTC; the server's where the device's could not be
 *     right
 * @param seq number on the device, 0 or more; breaks ties of time
 * @param deviceAt the device's own time where {@code at} is the server's; null otherwise
 */
public record Stamp(UUID id, String device, long at, int seq, @Nullable Long deviceAt) {
  /** The device of events from before devices were named; several may be behind it. */
  public static final String OLD = "old";

  /** The server itself, where it ends what was left open. */
  public static final String SERVER = "server";

  public Stamp {
    if (device.isBlank() || device.length() > 40) {
      throw new IllegalArgumentException("a device is named by 1 to 40 characters");
    }
    if (seq < 0) {
      throw new IllegalArgumentException("seq must not be below 0, was " + seq);
    }
  }

  /** An event at the device's own time. */
  public Stamp(UUID id, String device, long at, int seq) {
    this(id, device, at, seq, null);
  }

  /** The same under another id: for a STOP whose own is taken. */
  public Stamp withId(UUID other) {
    return new Stamp(other, device, at, seq, deviceAt);
  }

  /** The same at the server's time, the device's kept beside it. */
  public Stamp at(long server) {
    return new Stamp(id, device, server, seq, at);
  }
}
