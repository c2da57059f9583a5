package riposo.server.run.internal;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/**
 * Wrong codes by where they came from, and in all: after so many within a quarter of an hour
 * nothing is looked up for the rest of it, right or wrong.
 */
final class Guesses {
  /** From one address. */
  static final int OWN = 20;

  /** From everywhere, so that many addresses guess no faster. */
  static final int ALL = 300;

  private static final Duration WHILE = Duration.ofMinutes(15);
  private static final String EVERYWHERE = "";
  private static final int REMEMBERED = 10_000;

  private record Count(Instant since, int wrong) {}

  private final Clock clock;
  private final Map<String, Count> counts = new HashMap<>();
  private final Set<String> right = new HashSet<>();

  Guesses(Clock clock) {
    this.clock = clock;
  }

  /** Whether a code may be tried from there: one that was right there before always may. */
  synchronized boolean open(String from, String code) {
    return right.contains(from + ' ' + code) || wrong(from) < OWN && wrong(EVERYWHERE) < ALL;
  }

  /** A code was right: the screen that shows it is not shut out by the guesses of another. */
  synchronized void rightFrom(String from, String code) {
    if (right.size() >= REMEMBERED) {
      right.clear();
    }
    right.add(from + ' ' + code);
  }

  /** A code was wrong. */
  synchronized void wrongFrom(String from) {
    counts.values().removeIf(this::over);
    for (String of : new String[] {from, EVERYWHERE}) {
      Count c = counts.getOrDefault(of, new Count(clock.instant(), 0));
      counts.put(of, new Count(c.since, c.wrong + 1));
    }
  }

  private int wrong(String from) {
    Count c = counts.get(from);
    return c == null || over(c) ? 0 : c.wrong;
  }

  private boolean over(Count c) {
    return clock.instant().isAfter(c.since.plus(WHILE));
  }
}
