package riposo.core.plan;

import riposo.core.movement.Tempo;

/**
 * A stage of a staged set: so many repetitions in one part of the range at one tempo. Pulses are 1
 * count each, a hold is one repetition with all its counts in a hold.
 *
 * @param count 1 to 100
 * @param tempo counts of a beat, not seconds
 */
public record Stage(int count, Part range, Kind kind, Tempo tempo) {
  /** Which part of the range. */
  public enum Part {
    FULL,
    HALF,
    LOW,
    HIGH
  }

  /** What is done. */
  public enum Kind {
    REPS,
    PULSES,
    HOLD
  }

  public Stage {
    if (range == null || kind == null || tempo == null) {
      throw new IllegalArgumentException("a stage needs its range, kind and tempo");
    }
    if (count < 1 || count > 100) {
      throw new IllegalArgumentException("a stage has 1 to 100 repetitions, was " + count);
    }
  }

  /** The same; a pulse is one count, whatever was said of it. */
  Stage plain() {
    return kind == Kind.PULSES && tempo.seconds() != 1
        ? new Stage(count, range, kind, Tempo.of("1-0-0-0"))
        : this;
  }

  /** Counts of the beat: repetitions times the tempo's sum. */
  public int counts() {
    return count * tempo.seconds();
  }

  /**
   * Whether the stage is held: a hold, or repetitions whose still part is longer than the client
   * may hold. Then it runs in holds within the cap instead.
   */
  boolean held(int beat, int holdCap) {
    int still = Math.max(tempo.holdLow(), tempo.holdHigh());
    return kind == Kind.HOLD || still > 0 && seconds(still, beat) > holdCap;
  }

  /** Seconds of so many counts at a beat, rounded up: 108 counts at 100 a minute are 65 s. */
  public static int seconds(int counts, int beat) {
    return (int) ((counts * 60L + beat - 1) / beat);
  }
}
