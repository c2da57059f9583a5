package riposo.core.today;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import riposo.core.screening.Finding;
import riposo.core.screening.Outcome;

/**
 * Whether a check of today is good for a start: the newest, not older than two hours, nothing
 * missing, nothing that rules today out, and made of what is still known of the client.
 */
public final class CheckGate {
  /** So long a check is good for (house rule). */
  public static final Duration GOOD_FOR = Duration.ofHours(2);

  private CheckGate() {}

  /** Why it is not. */
  public enum Bar {
    CHECK_WANTED("check-wanted", "Today's check comes before the start."),
    NEWER_CHECK("newer-check", "There is a newer check of today; start from that one."),
    OLD_CHECK("old-check", "This check is over two hours old: check again."),
    URGENT("urgent", "Something urgent was found today: no session today."),
    READING_WANTED("reading-wanted", "The run waits for what was not taken yet."),
    NOT_TODAY("not-today", "Not today."),
    WAIT_AFTER_LOW("wait-after-low", "Glucose was low."),
    CHECK_AGAIN(
        "check-again", "What is known of this client has changed since the check: check again.");

    public final String code;
    public final String sentence;

    Bar(String code, String sentence) {
      this.code = code;
      this.sentence = sentence;
    }
  }

  /** What comes of it. */
  public sealed interface Answer {}

  /** Good, with what the day makes of it. */
  public record Good(TodayCheck.Result result) implements Answer {}

  /**
   * Not good.
   *
   * @param why what stands open; may be empty
   */
  public record Refused(Bar bar, String sentence, List<String> why) implements Answer {}

  /**
   * Asks whether to start from a check.
   *
   * @param day the checks of today that count, in time order
   * @param chosen the index of the check to start from; -1 where it is not among them
   * @param needs what is asked of the client now
   * @param lows when a low was seen on the stop panel today
   */
  public static Answer of(
      List<TodayDay.Kept> day,
      int chosen,
      Instant now,
      TodayCheck.Needs needs,
      List<Instant> lows) {
    if (chosen < 0) {
      return refused(Bar.CHECK_WANTED);
    }
    if (chosen != day.size() - 1) {
      return refused(Bar.NEWER_CHECK);
    }
    TodayDay.Kept check = day.get(chosen);
    if (check.at().isBefore(now.minus(GOOD_FOR))) {
      return refused(Bar.OLD_CHECK);
    }
    TodayCheck.Result r = TodayDay.with(day.subList(0, chosen), check);
    if (r.outcome() == Outcome.URGENT) {
      return new Refused(Bar.URGENT, Bar.URGENT.sentence, reasons(r));
    }
    if (!r.missing().isEmpty()) {
      String sentence =
          "Not taken yet: " + String.join("; ", r.missing()) + ". The run waits for it.";
      return new Refused(Bar.READING_WANTED, sentence, r.missing());
    }
    if (r.outcome() == Outcome.NOT_TODAY) {
      return new Refused(Bar.NOT_TODAY, String.join(" ", reasons(r)), reasons(r));
    }
    String wait = afterLow(day, check, lows);
    if (wait != null) {
      return new Refused(Bar.WAIT_AFTER_LOW, wait, List.of());
    }
    // conditions, limits or the record may have changed since: the check judged something else
    TodayCheck.Result again = TodayCheck.assess(needs, check.given());
    return again.equals(check.result())
        ? new Good(r)
        : new Refused(Bar.CHECK_AGAIN, Bar.CHECK_AGAIN.sentence, reasons(again));
  }

  private static @Nullable String afterLow(
      List<TodayDay.Kept> day, TodayDay.Kept check, List<Instant> lows) {
    for (TodayDay.Kept before : day) {
      Duration since = Duration.between(before.at(), check.at());
      String wait = TodayCheck.waitAfterLow(before.result(), since, check.given());
      if (wait != null) {
        return wait;
      }
    }
    for (Instant low : lows) {
      String wait = TodayCheck.afterLow(Duration.between(low, check.at()), check.given());
      if (wait != null) {
        return wait;
      }
    }
    return null;
  }

  private static Refused refused(Bar bar) {
    return new Refused(bar, bar.sentence, List.of());
  }

  private static List<String> reasons(TodayCheck.Result r) {
    return r.findings().stream().map(Finding::text).toList();
  }
}
