package riposo.core.pulse;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import riposo.core.quantity.Pulse;
import riposo.core.screening.PulseFacts;

/**
 * The pulse of one client in numbers . All in bpm; percentages are computed, never carried over
 * from one scale to the other.
 *
 * @param maximum the maximum used
 * @param maximumSource where it comes from
 * @param resting null when not recorded
 * @param off why targets are off, in words; empty when they are on
 * @param ranges light and moderate; empty when targets are off
 * @param cap greatest pulse permitted; null when nothing caps it. Off never removes it
 * @param capSource where the cap comes from
 * @param warnings what the numbers cannot carry, in words
 */
public record PulseGuide(
    int age,
    int maximum,
    String maximumSource,
    List<Maximum> maxima,
    @Nullable Integer resting,
    List<String> off,
    List<Range> ranges,
    @Nullable Integer cap,
    @Nullable String capSource,
    List<String> warnings) {

  /** One way to come to a maximum. */
  public record Maximum(String name, int bpm, String source, boolean used) {}

  /**
   * One range with its effort and talk test.
   *
   * @param scale "of maximum" or "of reserve"
   * @param usable false when the lower end is under resting + 10 and so means nothing
   */
  public record Range(
      String name, String scale, int from, int to, boolean usable, String effort, String talk) {}

  /** A reading on both scales; reserve is null when resting is not known. */
  public record Reading(int bpm, int ofMaximum, @Nullable Integer ofReserve, boolean overCap) {}

  /**
   * What is known of the client.
   *
   * @param measuredMaximum outranks every formula; null when never measured
   * @param older true to use 220 - age instead of 208 - 0.7 x age
   * @param clinicCap a cap set by the clinic or a limit on the pulse; null when none
   * @param eventRecent within 12 weeks of an event or an opened breastbone, without a test
   */
  public record Facts(
      int age,
      @Nullable Integer resting,
      @Nullable Integer measuredMaximum,
      boolean older,
      PulseFacts screening,
      boolean eventRecent,
      @Nullable Integer clinicCap) {
    /** The same as if no resting pulse were recorded. */
    public Facts withoutResting() {
      return new Facts(age, null, measuredMaximum, older, screening, eventRecent, clinicCap);
    }
  }

  /** Computes the guide; throws when resting is not under the maximum. */
  public static PulseGuide of(Facts f) {
    boolean beta = f.screening().rateLimited();
    List<Maximum> maxima = new ArrayList<>();
    String use =
        f.measuredMaximum() != null
            ? "measured"
            : beta ? "Brawner" : f.older() ? "older" : "Tanaka";
    if (f.measuredMaximum() != null) {
      maxima.add(new Maximum("measured", f.measuredMaximum(), "a test on file", true));
    }
    maxima.add(
        new Maximum("208 − 0.7 × age", formula(208, f.age()), "Tanaka 2001", use.equals("Tanaka")));
    maxima.add(
        new Maximum("220 − age", 220 - f.age(), "older school, wider error", use.equals("older")));
    if (beta) {
      maxima.add(
          new Maximum(
              "164 − 0.7 × age, on a beta-blocker",
              formula(164, f.age()),
              "Brawner 2004",
              use.equals("Brawner")));
    }
    Maximum used = maxima.stream().filter(Maximum::used).findFirst().orElseThrow();
    int max = used.bpm();
    Integer rest = f.resting();
    if (rest != null && rest >= max) {
      throw new IllegalArgumentException(
          "a resting pulse of " + rest + " bpm is not under the maximum of " + max + " bpm");
    }
    List<String> warnings = new ArrayList<>();
    List<Range> ranges = new ArrayList<>();
    if (f.screening().off().isEmpty()) {
      range(ranges, warnings, "light", max, rest, 57, 63, 30, 39, "2–3", "sings");
      range(ranges, warnings, "moderate", max, rest, 64, 76, 40, 59, "4–6", "talks in sentences");
    } else {
      warnings.add(
          "Pulse targets are off: "
              + String.join(", ", f.screening().off())
              + ". Effort and talk test lead.");
    }
    Integer cap = null;
    String source = null;
    Integer rate = f.screening().lowestRate();
    if (f.clinicCap() != null) {
      cap = f.clinicCap();
      source = "the clinic's word or a limit";
      if (rate != null && cap > rate - 10) {
        cap = rate - 10;
        source = "never closer than 10 to the device's lowest rate of " + rate + " bpm";
      }
    } else if (rate != null) {
      cap = rate - 20;
      source = "20 below the device's lowest rate of " + rate + " bpm";
    }
    if (f.eventRecent()) {
      if (rest == null) {
        warnings.add(
            "Within 12 weeks of an event and no test: the cap is resting + 20 and resting is not recorded. Effort 3–4 at most.");
      } else if (cap == null || rest + 20 < cap) {
        // 20 to 30 is usual: the lower end.
        cap = rest + 20;
        source = "resting + 20, within 12 weeks of an event and no test";
      }
    }
    return new PulseGuide(
        f.age(),
        max,
        used.source(),
        List.copyOf(maxima),
        rest,
        f.screening().off(),
        List.copyOf(ranges),
        cap,
        source,
        List.copyOf(warnings));
  }

  private static int formula(int from, int age) {
    return (int) Math.round(from - 0.7 * age);
  }

  private static void range(
      List<Range> ranges,
      List<String> warnings,
      String name,
      int max,
      @Nullable Integer rest,
      int m1,
      int m2,
      int r1,
      int r2,
      String effort,
      String talk) {
    int low = Math.round(max * m1 / 100f);
    boolean usable = rest == null || low >= rest + 10;
    ranges.add(
        new Range(name, "of maximum", low, Math.round(max * m2 / 100f), usable, effort, talk));
    if (rest != null) {
      ranges.add(
          new Range(
              name,
              "of reserve",
              karvonen(max, rest, r1),
              karvonen(max, rest, r2),
              true,
              effort,
              talk));
      if (!usable) {
        warnings.add(
            m1
                + " % of maximum is "
                + low
                + " bpm, under resting + 10 = "
                + (rest + 10)
                + ": it means nothing here, use reserve.");
      }
    }
  }

  /** (max - resting) x percent + resting. */
  static int karvonen(int max, int rest, int percent) {
    return Math.round((max - rest) * percent / 100f) + rest;
  }

  /** A reading as % of maximum and of reserve, both computed. */
  public Reading read(int bpm) {
    new Pulse(bpm); // what cannot be right is refused
    Integer reserve =
        resting == null ? null : (int) Math.round((bpm - resting) * 100.0 / (maximum - resting));
    return new Reading(
        bpm, (int) Math.round(bpm * 100.0 / maximum), reserve, cap != null && bpm > cap);
  }
}
