package riposo.core.today;

import java.math.BigDecimal;
import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.screening.Assessment.SugarRules;
import riposo.core.screening.Finding;
import riposo.core.screening.Outcome;
import riposo.core.screening.Pressure;
import riposo.core.screening.ReadingKind;
import riposo.core.tolerance.School;

/**
 * Today's check before a run (handbook 2, today's readings; handbook 6, today's dose): which
 * readings are missing, what today allows and what to do, and the dose.
 */
public final class TodayCheck {
  private static final Duration AFTER_LOW = Duration.ofMinutes(15);
  private static final String HOUSE = "handbook 2, today's readings";
  private static final String DOSE = "handbook 6, today's dose";

  private TodayCheck() {}

  /** How a dose is cut today. */
  public enum Dose {
    AS_PLANNED,
    EASED,
    SHORT,
    NOT_TODAY
  }

  /**
   * What is asked of this client.
   *
   * @param required readings without which the run is blocked
   * @param maternity the maternity lines of blood pressure
   * @param highSpine spinal injury at T6 or above
   * @param usualSystolic the client's own usual, for a high spinal injury; null when not recorded
   * @param steadiness asked where balance is limited
   * @param usualPain 0 to 10
   * @param lines the client's own care plan
   */
  public record Needs(
      Set<ReadingKind> required,
      boolean maternity,
      boolean highSpine,
      @Nullable Integer usualSystolic,
      SugarRules sugar,
      boolean steadiness,
      School school,
      int usualPain,
      List<CareLine> lines) {}

  /**
   * What was read and said; null where not taken.
   *
   * @param ketones mmol/L
   * @param pulseIrregular irregular, and new
   * @param sleep energy 0 to 10; pain 0 to 10
   */
  public record Given(
      @Nullable Pressure pressure,
      @Nullable Integer pulse,
      boolean pulseIrregular,
      @Nullable Integer saturation,
      @Nullable Glucose glucose,
      @Nullable BigDecimal ketones,
      boolean severeLow,
      @Nullable BigDecimal temperature,
      @Nullable Integer sleep,
      @Nullable Integer energy,
      @Nullable Integer pain,
      boolean wobbly,
      boolean hardYesterday,
      Set<Sign> signs) {
    public Given {
      signs = signs.isEmpty() ? Set.of() : Set.copyOf(EnumSet.copyOf(signs));
      range("Pulse", pulse, 20, 250, " bpm");
      range("Saturation", saturation, 50, 100, " %");
      range("Sleep", sleep, 0, 10, "");
      range("Energy", energy, 0, 10, "");
      range("Pain", pain, 0, 10, "");
      decimal("Ketones", ketones, "0", "15", " mmol/L");
      decimal("Temperature", temperature, "30", "43", " °C");
    }
  }

  /** Signs told or seen today. */
  public enum Sign {
    EMERGENCY("an emergency sign of the stop panel", Outcome.URGENT),
    CHEST_HEAD_VISION_NERVE("chest, head, vision or nerve symptoms", Outcome.CAUTION),
    UPPER_BELLY("upper-belly pain", Outcome.CAUTION),
    FLUSHED("pounding headache, flushing or sweating", Outcome.CAUTION),
    DIZZY("dizzy or giddy", Outcome.CAUTION),
    UNWELL("unwell", Outcome.CAUTION),
    FEVER("fever, a chest infection or vomiting", Outcome.NOT_TODAY),
    COLD("a cold", Outcome.CAUTION),
    NEW_PAIN("new pain or swelling", Outcome.CAUTION);

    public final String words;
    final Outcome alone;

    Sign(String words, Outcome alone) {
      this.words = words;
      this.alone = alone;
    }
  }

  /**
   * What today comes to.
   *
   * @param missing required readings and answers not given: the run is blocked while any is left
   * @param findings reasons, each with what to do and its source
   * @param effortCap greatest effort today from a caution; null when none
   * @param noLongHolds a pressure caution: no long holds
   * @param wobbly the unsupported balance cap is one lower today
   */
  public record Result(
      Outcome outcome,
      List<String> missing,
      List<Finding> findings,
      Dose dose,
      List<String> doseReasons,
      @Nullable Integer effortCap,
      boolean noLongHolds,
      boolean wobbly) {}

  private static void range(String what, @Nullable Integer v, int least, int most, String unit) {
    if (v != null && (v < least || v > most)) {
      throw new IllegalArgumentException(
          what + " " + v + unit + " cannot be right: " + least + " to " + most + unit + ".");
    }
  }

  private static void decimal(
      String what, @Nullable BigDecimal v, String least, String most, String unit) {
    if (v != null
        && (v.compareTo(new BigDecimal(least)) < 0 || v.compareTo(new BigDecimal(most)) > 0)) {
      throw new IllegalArgumentException(
          what
              + " "
              + v.toPlainString()
              + unit
              + " cannot be right: "
              + least
              + " to "
              + most
              + unit
              + ".");
    }
  }

  /** Judges what was given; pure, the order of questions plays no part. */
  public static Result assess(Needs n, Given g) {
    List<Finding> f = new ArrayList<>();
    signs(n, g, f);
    pressure(n, g, f);
    pulse(g, f);
    saturation(g, f);
    glucose(n, g, f);
    BigDecimal t = g.temperature();
    if (t != null && t.compareTo(new BigDecimal("38.0")) >= 0) {
      // The handbook says "fever" without a number; 38.0 °C is the house's line.
      add(
          f,
          "fever",
          Outcome.NOT_TODAY,
          "Temperature " + t.toPlainString() + " °C: fever, not today.");
    }
    f = CareLine.apply(n.lines(), g, n.maternity(), f);
    Outcome outcome = Outcome.GO;
    for (Finding x : f) {
      outcome = outcome.worse(x.outcome());
    }
    List<String> reasons = new ArrayList<>();
    Dose dose = dose(n, g, reasons);
    if (outcome == Outcome.CAUTION && dose == Dose.AS_PLANNED) {
      dose = Dose.EASED;
      reasons.add("A caution today: eased.");
    }
    if (outcome.compareTo(Outcome.NOT_TODAY) >= 0) {
      dose = Dose.NOT_TODAY;
    }
    if (dose == Dose.NOT_TODAY && outcome.compareTo(Outcome.NOT_TODAY) < 0) {
      outcome = Outcome.NOT_TODAY;
      f.add(
          new Finding(
              "today.dose",
              Outcome.NOT_TODAY,
              String.join(" ", reasons) + " Not today.",
              DOSE,
              null));
    } else if (dose != Dose.AS_PLANNED && outcome == Outcome.GO) {
      outcome = Outcome.CAUTION;
    }
    boolean pressureCaution = f.stream().anyMatch(x -> x.rule().equals("today.pressure.caution"));
    return new Result(
        outcome,
        missing(n, g),
        List.copyOf(f),
        dose,
        List.copyOf(reasons),
        pressureCaution ? 5 : null,
        pressureCaution,
        g.wobbly());
  }

  /**
   * Why a start must wait after a low glucose earlier the same day (handbook 2: a new reading over
   * 5.0 after 15 min); null when it need not.
   *
   * @param before what the earlier check came to
   * @param since from that check to this one
   * @param now what was given at this one
   */
  public static @Nullable String waitAfterLow(Result before, Duration since, Given now) {
    return before.findings().stream().anyMatch(x -> x.rule().equals("today.glucose.low"))
        ? afterLow(since, now)
        : null;
  }

  /**
   * Why a start must wait after a low, read or seen on the stop panel: a new reading over 5.0
   * mmol/L, 15 minutes after it; null when that is there.
   *
   * @param since from the low to the check
   */
  public static @Nullable String afterLow(Duration since, Given now) {
    if (since.compareTo(AFTER_LOW) < 0) {
      return "Glucose was low: a reading over 5.0 counts 15 minutes after it, in mmol/L.";
    }
    Glucose g = now.glucose();
    return g != null && g.over("5.0")
        ? null
        : "Glucose was low: a new reading over 5.0 is wanted, in mmol/L.";
  }

  private static List<String> missing(Needs n, Given g) {
    List<String> missing = new ArrayList<>();
    need(missing, n, ReadingKind.PRESSURE, g.pressure());
    need(missing, n, ReadingKind.PULSE, g.pulse());
    need(missing, n, ReadingKind.SATURATION, g.saturation());
    need(missing, n, ReadingKind.GLUCOSE, g.glucose());
    if (n.highSpine() && n.usualSystolic() == null) {
      missing.add("the client's usual blood pressure, in the client record");
    }
    if (g.sleep() == null) {
      missing.add("sleep, 0 to 10");
    }
    if (g.energy() == null) {
      missing.add("energy, 0 to 10");
    }
    if (g.pain() == null) {
      missing.add("pain now, 0 to 10");
    }
    return missing;
  }

  private static void need(
      List<String> missing, Needs n, ReadingKind kind, @Nullable Object given) {
    if (n.required().contains(kind) && given == null) {
      missing.add(kind.words + ", " + kind.unit);
    }
  }

  private static void add(List<Finding> f, String rule, Outcome outcome, String text) {
    f.add(new Finding("today." + rule, outcome, text, HOUSE, null));
  }

  private static void signs(Needs n, Given g, List<Finding> f) {
    for (Sign s : Sign.values()) {
      if (g.signs().contains(s)) {
        String what = Character.toUpperCase(s.words.charAt(0)) + s.words.substring(1);
        String act =
            switch (s.alone) {
              case URGENT -> ": stop, call the emergency number, record.";
              case NOT_TODAY -> ": not today.";
              default -> ": ease or not today; tell and record.";
            };
        add(f, "sign." + s.name().toLowerCase(java.util.Locale.ROOT), s.alone, what + act);
      }
    }
  }

  private static void pressure(Needs n, Given g, List<Finding> f) {
    Pressure p = g.pressure();
    if (p == null) {
      return;
    }
    boolean symptoms =
        g.signs().contains(Sign.CHEST_HEAD_VISION_NERVE)
            || n.maternity() && g.signs().contains(Sign.UPPER_BELLY);
    f.addAll(p.findings(n.maternity(), symptoms, g.signs().contains(Sign.DIZZY)));
    Integer usual = n.usualSystolic();
    if (n.highSpine() && usual != null && p.systolic() - usual >= 20) {
      boolean flushed = g.signs().contains(Sign.FLUSHED);
      add(
          f,
          flushed ? "pressure.dysreflexia" : "pressure.above-usual",
          flushed ? Outcome.URGENT : Outcome.NOT_TODAY,
          "Systolic "
              + p.systolic()
              + ", "
              + (p.systolic() - usual)
              + " mmHg over the usual "
              + usual
              + (flushed
                  ? " with headache, flushing or sweating: dysreflexia. Sit up, loosen what is tight, call the emergency number."
                  : ": not today; look for the cause, watch for headache, flushing or sweating."));
    }
  }

  private static void pulse(Given g, List<Finding> f) {
    Integer p = g.pulse();
    if (g.pulseIrregular()) {
      add(
          f,
          "pulse.irregular",
          Outcome.NOT_TODAY,
          "Pulse irregular and new: not today, see a doctor.");
    }
    if (p == null) {
      return;
    }
    String reading = "Resting pulse " + p + " bpm";
    boolean unwell = g.signs().contains(Sign.UNWELL);
    boolean symptoms =
        unwell
            || g.signs().contains(Sign.DIZZY)
            || g.signs().contains(Sign.CHEST_HEAD_VISION_NERVE);
    if (p > 120) {
      add(f, "pulse.high", Outcome.NOT_TODAY, reading + ", over 120: not today.");
    } else if (p > 100 && unwell) {
      add(f, "pulse.high-unwell", Outcome.NOT_TODAY, reading + ", over 100 and unwell: not today.");
    } else if (p >= 100) {
      add(f, "pulse.caution", Outcome.CAUTION, reading + ", 100 to 120: ease, tell, record.");
    } else if (p < 40) {
      add(f, "pulse.low", Outcome.NOT_TODAY, reading + ", under 40: not today.");
    } else if (p < 50 && symptoms) {
      add(
          f,
          "pulse.low-symptoms",
          Outcome.NOT_TODAY,
          reading + ", under 50 with symptoms: not today.");
    }
  }

  private static void saturation(Given g, List<Finding> f) {
    Integer s = g.saturation();
    if (s != null && s < 88) {
      add(
          f,
          "saturation",
          Outcome.NOT_TODAY,
          "Saturation " + s + " % at rest, under 88: not today.");
    }
  }

  private static void glucose(Needs n, Given g, List<Finding> f) {
    SugarRules s = n.sugar();
    BigDecimal k = g.ketones();
    boolean unwell = g.signs().contains(Sign.UNWELL) || g.signs().contains(Sign.FEVER);
    if (g.severeLow()) {
      add(f, "glucose.severe-low", Outcome.NOT_TODAY, "A severe low in the last 24 h: not today.");
    }
    if (s.sglt2() && unwell && k == null) {
      add(
          f,
          "glucose.sglt2",
          Outcome.NOT_TODAY,
          "SGLT2 tablets and unwell: test ketones at any glucose; not today until then.");
    }
    if (k != null && k.compareTo(new BigDecimal("1.5")) >= 0) {
      add(
          f,
          "glucose.ketones",
          Outcome.NOT_TODAY,
          "Ketones " + k.toPlainString() + " mmol/L, 1.5 or more: not today, own plan, clinic.");
    }
    Glucose v = g.glucose();
    if (v == null) {
      return;
    }
    String reading = "Glucose " + v;
    if (v.over("13.9")) {
      if (unwell) {
        add(f, "glucose.high-unwell", Outcome.NOT_TODAY, reading + " and unwell: not today.");
      } else if (s.type1() && k == null) {
        add(
            f,
            "glucose.high-untested",
            Outcome.NOT_TODAY,
            reading + ", type 1, ketones not tested: test first, not today until then.");
      } else if (k != null
          && k.compareTo(new BigDecimal("0.6")) >= 0
          && k.compareTo(new BigDecimal("1.5")) < 0) {
        add(
            f,
            "glucose.high-ketones",
            Outcome.CAUTION,
            reading + ", ketones " + k.toPlainString() + " mmol/L: correct by own plan first.");
      } else if (k == null || k.compareTo(new BigDecimal("1.5")) < 0) {
        add(
            f,
            "glucose.high",
            Outcome.CAUTION,
            reading + ", over 13.9: ease, water, measure again.");
      }
    } else if (v.under("3.9")) {
      // Blocked, not only eased: the run opens with a new reading over 5.0.
      add(
          f,
          "glucose.low",
          Outcome.NOT_TODAY,
          reading + ", under 3.9: treat now; start only with a new reading over 5.0 after 15 min.");
    } else if (!v.over("5.0")) {
      add(
          f,
          "glucose.lowish",
          Outcome.CAUTION,
          reading + ", 3.9 to 5.0: carbohydrate first, by own plan.");
    }
  }

  /**
   * From sleep, energy and pain: any one of sleep 3 or less, energy 3 or less, pain over the
   * school's line eases; two cut short; energy 1 or less or pain 7 or more is not today.
   */
  private static Dose dose(Needs n, Given g, List<String> reasons) {
    Integer sleep = g.sleep();
    Integer energy = g.energy();
    Integer pain = g.pain();
    int low = 0;
    if (sleep != null && sleep <= 3) {
      low++;
      reasons.add("Sleep " + sleep + " of 10.");
    }
    if (energy != null && energy <= 3) {
      low++;
      reasons.add("Energy " + energy + " of 10.");
    }
    int line = n.school().line(n.usualPain());
    if (pain != null && pain > line) {
      low++;
      reasons.add("Pain " + pain + " of 10, line " + line + ".");
    }
    if (energy != null && energy <= 1 || pain != null && pain >= 7) {
      return Dose.NOT_TODAY;
    }
    if (g.hardYesterday() && low == 0) {
      reasons.add("A hard day yesterday: chores count.");
      return Dose.EASED;
    }
    return low >= 2 ? Dose.SHORT : low == 1 ? Dose.EASED : Dose.AS_PLANNED;
  }
}
