package riposo.core.today;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import riposo.core.screening.Finding;
import riposo.core.screening.Outcome;

/**
 * One line of a client's own care plan. It may tighten the usual lines; it loosens one only with a
 * clinician's name and date, never past 200/110 mmHg, never for the maternity lines or an injury at
 * T6 or above, and it never takes URGENT away.
 *
 * @param value in the unit of the reading; at or past it is NOT_TODAY
 * @param by the clinician; null when it is the client's or the professional's own
 * @param on the day of their word
 */
public record CareLine(Kind kind, BigDecimal value, @Nullable String by, @Nullable LocalDate on) {

  /** The readings a line can be set for, with the usual line. */
  public enum Kind {
    SYSTOLIC_HIGH("systolic", "mmHg", true, "180", "today.pressure.high"),
    DIASTOLIC_HIGH("diastolic", "mmHg", true, "110", "today.pressure.high"),
    PULSE_HIGH("resting pulse", "bpm", true, "121", "today.pulse.high"),
    PULSE_LOW("resting pulse", "bpm", false, "39", "today.pulse.low"),
    SATURATION_LOW("saturation", "%", false, "87", "today.saturation"),
    GLUCOSE_HIGH("glucose", "mmol/L", true, null, ""),
    GLUCOSE_LOW("glucose", "mmol/L", false, null, "");

    public final String words;
    public final String unit;
    public final boolean high;

    /** The first value that is NOT_TODAY by default; null where the usual line is not one value. */
    final @Nullable String standard;

    final String rule;

    Kind(String words, String unit, boolean high, @Nullable String standard, String rule) {
      this.words = words;
      this.unit = unit;
      this.high = high;
      this.standard = standard;
      this.rule = rule;
    }

    /** Which reading it is of: pressure, pulse, saturation or glucose. */
    String reading() {
      return switch (this) {
        case SYSTOLIC_HIGH, DIASTOLIC_HIGH -> "pressure";
        case PULSE_HIGH, PULSE_LOW -> "pulse";
        case SATURATION_LOW -> "saturation";
        case GLUCOSE_HIGH, GLUCOSE_LOW -> "glucose";
      };
    }

    /** The default line in the unit of the reading; empty where it is not one value. */
    public Optional<String> usual() {
      return Optional.ofNullable(standard);
    }
  }

  /**
   * The lines with one more that may only tighten: a stricter line of its kind stays, and what is
   * looser than the usual line is not added.
   */
  public static List<CareLine> tightened(List<CareLine> lines, CareLine more) {
    List<CareLine> same = lines.stream().filter(l -> l.kind == more.kind).toList();
    boolean stricter =
        same.stream()
            .anyMatch(
                l ->
                    more.kind.high
                        ? l.value.compareTo(more.value) <= 0
                        : l.value.compareTo(more.value) >= 0);
    if (stricter || same.isEmpty() && more.loosens()) {
      return List.copyOf(lines);
    }
    List<CareLine> all = new ArrayList<>(lines);
    all.removeAll(same);
    all.add(more);
    return List.copyOf(all);
  }

  /** True when it lets through what the default would not. */
  public boolean loosens() {
    if (kind.standard == null) {
      return false;
    }
    int c = value.compareTo(new BigDecimal(kind.standard));
    return kind.high ? c > 0 : c < 0;
  }

  /** Throws when a looser line has no clinician's name and date. */
  public CareLine {
    if (value.signum() <= 0 || value.compareTo(BigDecimal.valueOf(300)) > 0) {
      throw new IllegalArgumentException(
          "a care plan line of " + value.toPlainString() + " " + kind.unit + " cannot be right");
    }
    if (kind.standard != null) {
      int c = value.compareTo(new BigDecimal(kind.standard));
      boolean looser = kind.high ? c > 0 : c < 0;
      if (looser && (by == null || by.isBlank() || on == null)) {
        throw new IllegalArgumentException(
            kind.words
                + " "
                + value.toPlainString()
                + " "
                + kind.unit
                + " is looser than the usual line: it needs a clinician's name and date");
      }
    }
  }

  /** Why it cannot be taken: no word loosens pressure past 200/110; null when it can. */
  public @Nullable String tooLoose() {
    BigDecimal most = most();
    return most != null && loosens() && value.compareTo(most) > 0
        ? "No care plan loosens "
            + kind.words
            + " past "
            + most.toPlainString()
            + " "
            + kind.unit
            + "; "
            + value.toPlainString()
            + " cannot be kept."
        : null;
  }

  private @Nullable BigDecimal most() {
    return switch (kind) {
      case SYSTOLIC_HIGH -> BigDecimal.valueOf(200);
      case DIASTOLIC_HIGH -> BigDecimal.valueOf(110);
      default -> null;
    };
  }

  /** The line as it counts: what was kept past the greatest is cut to it. */
  private BigDecimal line() {
    BigDecimal most = most();
    return most == null ? value : value.min(most);
  }

  private @Nullable BigDecimal reading(TodayCheck.Given g) {
    return switch (kind) {
      case SYSTOLIC_HIGH ->
          g.pressure() == null ? null : BigDecimal.valueOf(g.pressure().systolic());
      case DIASTOLIC_HIGH ->
          g.pressure() == null ? null : BigDecimal.valueOf(g.pressure().diastolic());
      case PULSE_HIGH, PULSE_LOW -> g.pulse() == null ? null : BigDecimal.valueOf(g.pulse());
      case SATURATION_LOW -> g.saturation() == null ? null : BigDecimal.valueOf(g.saturation());
      case GLUCOSE_HIGH, GLUCOSE_LOW -> g.glucose() == null ? null : g.glucose().exact();
    };
  }

  private boolean passed(BigDecimal reading) {
    return kind.high ? reading.compareTo(line()) >= 0 : reading.compareTo(line()) <= 0;
  }

  /**
   * The findings with the care plan's lines applied: tighter ones first added, looser ones eased.
   *
   * @param maternity nothing is loosened
   * @param highSpine an injury at T6 or above: its pressure lines are not loosened
   */
  static List<Finding> apply(
      List<CareLine> lines,
      TodayCheck.Given g,
      boolean maternity,
      boolean highSpine,
      List<Finding> found) {
    List<Finding> all = new ArrayList<>(found);
    for (CareLine l : lines) {
      BigDecimal r = l.reading(g);
      if (r == null) {
        continue;
      }
      if (l.passed(r)) {
        all.add(
            new Finding(
                "today.care-plan." + l.kind.reading(),
                Outcome.NOT_TODAY,
                capital(l.kind.words)
                    + " "
                    + r.stripTrailingZeros().toPlainString()
                    + " "
                    + l.kind.unit
                    + ", own care plan's line "
                    + l.value.toPlainString()
                    + ": not today.",
                l.by == null ? "own care plan" : "care plan, " + l.by,
                null));
      } else if (l.loosens() && !maternity && !(highSpine && l.kind.reading().equals("pressure"))) {
        eased(l, g, lines, all);
      }
    }
    return all;
  }

  /**
   * Both numbers of a pressure share a rule: it is eased only when the other is under its line too.
   */
  private static void eased(
      CareLine l, TodayCheck.Given g, List<CareLine> lines, List<Finding> all) {
    for (Kind k : Kind.values()) {
      if (k.rule.equals(l.kind.rule) && k != l.kind && k.standard != null) {
        BigDecimal line =
            lines.stream()
                .filter(x -> x.kind == k && x.loosens())
                .map(CareLine::line)
                .findFirst()
                .orElse(new BigDecimal(k.standard));
        BigDecimal other = new CareLine(k, line, "x", LocalDate.EPOCH).reading(g);
        if (other != null && (k.high ? other.compareTo(line) >= 0 : other.compareTo(line) <= 0)) {
          return;
        }
      }
    }
    all.replaceAll(
        f ->
            f.rule().equals(l.kind.rule) && f.outcome() == Outcome.NOT_TODAY
                ? new Finding(
                    l.kind.rule.equals("today.pressure.high") ? "today.pressure.caution" : f.rule(),
                    Outcome.CAUTION,
                    f.text().replace("not today", "ease")
                        + " Care plan of "
                        + l.by
                        + ", "
                        + l.on
                        + ": line "
                        + l.value.toPlainString()
                        + " "
                        + l.kind.unit
                        + ".",
                    "care plan, " + l.by,
                    null)
                : f);
  }

  private static String capital(String s) {
    return Character.toUpperCase(s.charAt(0)) + s.substring(1);
  }
}
