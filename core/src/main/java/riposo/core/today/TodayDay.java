package riposo.core.today;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.screening.Finding;
import riposo.core.screening.Outcome;
import riposo.core.today.TodayCheck.Dose;
import riposo.core.today.TodayCheck.Given;
import riposo.core.today.TodayCheck.Result;

/**
 * The checks of one day together: a later one decides about the readings it repeats, and about
 * nothing else. Pressure, pulse and saturation are repeated at most twice, 5 minutes seated each;
 * glucose and ketones go by their own lines, neither undoing the other. What is urgent stays, and
 * so do a symptom or an answer that ruled the day out, "call maternity today" and a new irregular
 * pulse. Mild symptoms may be asked again.
 */
public final class TodayDay {
  /** Seated before a repeat counts. */
  public static final Duration SEATED = Duration.ofMinutes(5);

  public static final int REPEATS = 2;

  /** What only a test of ketones undoes, whatever the glucose has become. */
  private static final Set<String> KETONES = Set.of("today.glucose.ketones", "today.glucose.sglt2");

  private TodayDay() {}

  /** A check as kept, judged by itself. */
  public record Kept(Instant at, Given given, Result result) {}

  /** What is read again, each by itself. */
  private enum Reading {
    PRESSURE,
    PULSE,
    SATURATION,
    GLUCOSE,
    KETONES
  }

  /** A reading that was out of line: what it said, when it was last taken, how often again. */
  private static final class Chain {
    private @Nullable Finding open;
    private @Nullable Instant last;
    private int repeats;

    void take(Instant at, @Nullable Finding bad) {
      if (open == null || last == null) {
        open = bad;
        last = at;
        repeats = 0;
      } else if (repeats < REPEATS && Duration.between(last, at).compareTo(SEATED) >= 0) {
        repeats++;
        last = at;
        open = bad;
      }
    }
  }

  /**
   * The newest check as the day leaves it: its own findings, and those of earlier ones that stay.
   *
   * @param earlier the checks of the same day before it, in time order, without withdrawn ones
   * @param now the newest
   */
  public static Result with(List<Kept> earlier, Kept now) {
    List<Finding> stays = new ArrayList<>();
    Map<Reading, Chain> chains = new EnumMap<>(Reading.class);
    for (Reading k : Reading.values()) {
      chains.put(k, new Chain());
    }
    for (Kept k : earlier) {
      for (Finding f : k.result().findings()) {
        boolean closes = f.outcome().compareTo(Outcome.NOT_TODAY) >= 0;
        if (closes && (f.outcome() == Outcome.URGENT || kind(f.rule()) == null)) {
          stays.add(f);
        }
      }
      chains.forEach((kind, c) -> take(kind, c, k));
    }
    chains.forEach(
        (kind, c) -> {
          take(kind, c, now);
          if (c.open != null && closes(kind, now) == null) {
            stays.add(c.open);
          }
        });
    if (stays.isEmpty()) {
      return now.result();
    }
    List<Finding> all = new ArrayList<>(now.result().findings());
    Outcome outcome = now.result().outcome();
    for (Finding f : stays) {
      if (all.stream().noneMatch(x -> x.rule().equals(f.rule()) && x.outcome() == f.outcome())) {
        all.add(
            new Finding(
                f.rule(), f.outcome(), "Earlier today: " + f.text(), f.source(), f.questionId()));
        outcome = outcome.worse(f.outcome());
      }
    }
    Result r = now.result();
    return new Result(
        outcome,
        r.missing(),
        List.copyOf(all),
        outcome.compareTo(Outcome.NOT_TODAY) >= 0 ? Dose.NOT_TODAY : r.dose(),
        r.doseReasons(),
        r.effortCap(),
        r.noLongHolds(),
        r.wobbly());
  }

  private static void take(Reading kind, Chain c, Kept k) {
    Finding bad = closes(kind, k);
    if (!taken(kind, k.given()) && bad == null) {
      return;
    }
    if (kind == Reading.GLUCOSE || kind == Reading.KETONES) {
      c.open = bad; // treated by its own plan; the wait after a low is its own rule
      c.last = k.at();
    } else {
      c.take(k.at(), bad);
    }
  }

  private static boolean taken(Reading kind, Given g) {
    return switch (kind) {
      case PRESSURE -> g.pressure() != null;
      case PULSE -> g.pulse() != null;
      case SATURATION -> g.saturation() != null;
      case GLUCOSE -> g.glucose() != null;
      case KETONES -> g.ketones() != null;
    };
  }

  /** The finding by which that reading rules the day out; null when it does not. */
  private static @Nullable Finding closes(Reading kind, Kept k) {
    return k.result().findings().stream()
        .filter(f -> f.outcome() == Outcome.NOT_TODAY && kind(f.rule()) == kind)
        .findFirst()
        .orElse(null);
  }

  /** Which reading's repeat may undo a finding; null for what no second reading undoes. */
  private static @Nullable Reading kind(String rule) {
    String r = rule.replace("today.care-plan.", "today.");
    if (r.startsWith("today.pressure") && !r.startsWith("today.pressure.maternity")) {
      return Reading.PRESSURE;
    }
    if (r.startsWith("today.pulse") && !r.equals("today.pulse.irregular")) {
      return Reading.PULSE;
    }
    if (r.startsWith("today.saturation")) {
      return Reading.SATURATION;
    }
    if (KETONES.contains(r)) {
      return Reading.KETONES;
    }
    return r.startsWith("today.glucose") && !r.equals("today.glucose.severe-low")
        ? Reading.GLUCOSE
        : null;
  }
}
