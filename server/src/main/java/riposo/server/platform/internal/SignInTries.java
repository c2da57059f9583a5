package riposo.server.platform.internal;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import org.springframework.stereotype.Component;

/**
 * How often a password may be tried. The first {@value #FREE} wrong ones in a row for an account
 * from one place cost nothing; then each waits twice as long as the one before, a quarter of an
 * hour at most. Whatever the place, an account is tried {@value #ACCOUNT_AN_HOUR} times an hour at
 * most, and a place tries {@value #PLACE_AN_HOUR} times. An address without an account counts as
 * one of its own. Kept in memory: a start anew forgets.
 */
@Component
final class SignInTries {
  static final int FREE = 5;
  static final int ACCOUNT_AN_HOUR = 20;
  static final int PLACE_AN_HOUR = 100;
  static final Duration LONGEST = Duration.ofMinutes(15);
  private static final Duration HOUR = Duration.ofHours(1);

  /** Tries of the last hour, the oldest first. */
  private static final class Tries {
    final Deque<Instant> times = new ArrayDeque<>();

    /** In a row, without one that was right. */
    int wrong;

    Duration full(int most, Instant now) {
      while (!times.isEmpty() && !times.getFirst().isAfter(now.minus(HOUR))) {
        times.removeFirst();
      }
      return times.size() < most
          ? Duration.ZERO
          : Duration.between(now, times.getFirst().plus(HOUR));
    }
  }

  private final Clock clock;
  private final Cache<String, Tries> tries =
      Caffeine.newBuilder().maximumSize(200_000).expireAfterAccess(Duration.ofHours(2)).build();

  SignInTries(Clock clock) {
    this.clock = clock;
  }

  /**
   * Takes a try, counted as a wrong one until it is {@link #right}.
   *
   * @param account the account's id, or the address where there is no account
   * @param place the network address it comes from
   * @return how long to wait; zero where the try is taken
   */
  synchronized Duration take(String account, String place) {
    Instant now = clock.instant();
    Tries both = of(account + '\n' + place);
    Tries of = of(account);
    Tries from = of('\n' + place);
    Duration wait = max(of.full(ACCOUNT_AN_HOUR, now), from.full(PLACE_AN_HOUR, now));
    both.full(Integer.MAX_VALUE, now);
    if (both.times.isEmpty()) {
      both.wrong = 0; // an hour without one begins anew
    } else {
      wait = max(wait, Duration.between(now, both.times.getLast().plus(wait(both.wrong))));
    }
    if (!wait.isZero()) {
      return wait;
    }
    both.wrong++;
    both.times.add(now);
    of.times.add(now);
    from.times.add(now);
    return Duration.ZERO;
  }

  /** No password was looked at: the try that was taken last counts for nothing. */
  synchronized void back(String account, String place) {
    Tries both = of(account + '\n' + place);
    both.wrong = Math.max(0, both.wrong - 1);
    both.times.pollLast();
    of(account).times.pollLast();
    of('\n' + place).times.pollLast();
  }

  /** The try that was taken last was right: it counts for nothing, and those in a row are over. */
  synchronized void right(String account, String place) {
    back(account, place);
    of(account + '\n' + place).wrong = 0;
  }

  /** What the next one waits after so many wrong ones in a row. */
  static Duration wait(int wrong) {
    if (wrong < FREE) {
      return Duration.ZERO;
    }
    Duration doubled = Duration.ofMinutes(1L << Math.min(10, wrong - FREE));
    return doubled.compareTo(LONGEST) < 0 ? doubled : LONGEST;
  }

  private Tries of(String key) {
    return tries.get(key, k -> new Tries());
  }

  private static Duration max(Duration a, Duration b) {
    return a.compareTo(b) < 0 ? b : a;
  }
}
