package riposo.core.plan;

import java.util.Locale;

/**
 * A number a format asks for, with its unit and range. A missing one is asked for, never guessed.
 */
public enum Param {
  WORK("work", "s", 5, 600),
  REST("rest", "s", 0, 300),
  ROUNDS("rounds", "", 1, 20),
  /** Movements a block, in a format of blocks. */
  SIZE("movements a block", "", 2, 12),
  LONG_REST("rest between rounds and blocks", "s", 0, 600),
  /** The burst after each strength interval. */
  BURST("burst", "s", 5, 120),
  SETS("sets", "", 1, 10),
  REPS("repetitions", "", 1, 100),
  BETWEEN("rest between movements", "s", 0, 300),
  HOLD("hold", "s", 2, 300),
  REPEATS("repeats", "", 1, 50),
  /** 1 drops the rest after the last hold, 0 keeps it. */
  DROP_LAST_REST("drop the last rest", "", 0, 1),
  TOTAL("repetitions in all", "", 2, 500),
  SET_SIZE("repetitions a set", "", 1, 100),
  CAP("time", "s", 60, 3600),
  ON("on", "s", 10, 1800),
  OFF("off", "s", 0, 600),
  PAIR("seconds a pair", "s", 2, 30),
  TIMES("times a day", "", 1, 12);

  public final String words;
  public final String unit;
  public final int least;
  public final int greatest;

  Param(String words, String unit, int least, int greatest) {
    this.words = words;
    this.unit = unit;
    this.least = least;
    this.greatest = greatest;
  }

  /** The name in documents: "long-rest". */
  public String id() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** Whether a longer value of this number is rest. */
  boolean isRest() {
    return this == REST || this == LONG_REST || this == BETWEEN || this == OFF;
  }

  void check(int value) {
    if (value < least || value > greatest) {
      throw new IllegalArgumentException(
          words
              + " must lie between "
              + least
              + " and "
              + greatest
              + (unit.isEmpty() ? "" : " " + unit)
              + ", was "
              + value);
    }
  }
}
