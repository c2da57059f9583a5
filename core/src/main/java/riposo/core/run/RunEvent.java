package riposo.core.run;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;

/**
 * One thing that happened in a run. Append-only; the id is made by the device, so that the same
 * event sent twice is one event.
 *
 * @param at device time, milliseconds since 1970 UTC
 * @param seq number on the device, breaks ties of time
 * @param segment target segment of GOTO; null otherwise
 * @param seconds seconds added by EXTEND; null otherwise
 * @param entry the set logged by ENTRY; null otherwise
 * @param text the sign of STOP in words, or a note; null otherwise
 * @param sign id of the {@link StopSign} of STOP; null otherwise, and in older runs
 * @param device which device it happened on; null in older runs
 * @param deviceAt the device's own time where it could not be right and {@code at} is the server's;
 *     null otherwise
 */
public record RunEvent(
    UUID id,
    long at,
    int seq,
    Kind kind,
    @Nullable Integer segment,
    @Nullable Integer seconds,
    @Nullable Entry entry,
    @Nullable String text,
    @Nullable String sign,
    @Nullable String device,
    @Nullable Long deviceAt) {
  /** An event without a sign, of a device that is not named. */
  public RunEvent(
      UUID id,
      long at,
      int seq,
      Kind kind,
      @Nullable Integer segment,
      @Nullable Integer seconds,
      @Nullable Entry entry,
      @Nullable String text) {
    this(id, at, seq, kind, segment, seconds, entry, text, null, null, null);
  }

  /** The same under another id: for a STOP whose own belongs to another run. */
  public RunEvent withId(UUID other) {
    return new RunEvent(
        other, at, seq, kind, segment, seconds, entry, text, sign, device, deviceAt);
  }

  /** Kinds of event. */
  public enum Kind {
    START,
    PAUSE,
    RESUME,
    GOTO,
    EXTEND,
    ENTRY,
    STOP,
    FINISH
  }

  /**
   * A logged set, or what is newly known of one: null leaves what was logged before.
   *
   * @param grams weight per hand
   */
  public record Entry(
      String slotKey,
      int round,
      Side side,
      @Nullable Integer effort,
      @Nullable Integer pain,
      @Nullable String painWhere,
      @Nullable Integer reps,
      @Nullable Integer grams,
      @Nullable Boolean formLost) {
    public Entry {
      if (slotKey == null || side == null) {
        throw new IllegalArgumentException("an entry names its slot and side");
      }
      check("effort", effort, 10);
      check("pain", pain, 10);
      check("reps", reps, 500);
      check("grams", grams, 100_000);
      if (round < 0 || round > 999) {
        throw new IllegalArgumentException("round must lie between 0 and 999, was " + round);
      }
    }

    private static void check(String what, @Nullable Integer value, int greatest) {
      if (value != null && (value < 0 || value > greatest)) {
        throw new IllegalArgumentException(
            what + " must lie between 0 and " + greatest + ", was " + value);
      }
    }

    Entry over(Entry earlier) {
      return new Entry(
          slotKey,
          round,
          side,
          effort != null ? effort : earlier.effort,
          pain != null ? pain : earlier.pain,
          painWhere != null ? painWhere : earlier.painWhere,
          reps != null ? reps : earlier.reps,
          grams != null ? grams : earlier.grams,
          formLost != null ? formLost : earlier.formLost);
    }
  }
}
