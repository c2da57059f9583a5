package riposo.core.movement;

/** Seconds to lower, hold, lift, hold: 2-0-2-0 is 4 s a repetition, so 45 s hold 11. */
public record Tempo(int lower, int holdLow, int lift, int holdHigh) {
  public Tempo {
    if (lower < 0 || holdLow < 0 || lift < 0 || holdHigh < 0) {
      throw new IllegalArgumentException("tempo parts must be 0 or more");
    }
    if (lower + holdLow + lift + holdHigh < 1) {
      throw new IllegalArgumentException("a tempo must last at least 1 s");
    }
  }

  /** Reads "3-0-1-0". */
  public static Tempo of(String text) {
    String[] parts = text.split("-");
    if (parts.length != 4) {
      throw new IllegalArgumentException("tempo must be four numbers such as 2-0-2-0, was " + text);
    }
    return new Tempo(
        Integer.parseInt(parts[0]),
        Integer.parseInt(parts[1]),
        Integer.parseInt(parts[2]),
        Integer.parseInt(parts[3]));
  }

  public int seconds() {
    return lower + holdLow + lift + holdHigh;
  }

  /** Repetitions expected in an interval: floor(work / tempo sum). */
  public int repsIn(int workSeconds) {
    return workSeconds / seconds();
  }

  @Override
  public String toString() {
    return lower + "-" + holdLow + "-" + lift + "-" + holdHigh;
  }
}
