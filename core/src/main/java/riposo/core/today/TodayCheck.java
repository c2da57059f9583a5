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
import riposo.core.screening.TodayFacts;
import riposo.core.tolerance.School;

/**
 * Today's check before a run: which readings and answers are still wanted, what today allows and
 * what to do, and the dose. A good reading never cancels a symptom, and nothing is GO while
 * something is wanted.
 */
public final class TodayCheck {
  private static final Duration AFTER_LOW = Duration.ofMinutes(15);
  private static final BigDecimal FEVER = new BigDecimal("38.0");
  private static final String HOUSE = "house rule: today's readings";
  private static final String DOSE = "house rule: today's dose";

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
   * @param facts what today's symptoms mean for this client
   * @param usualSaturation the client's own usual, %; null when not recorded
   * @param restingPulseWanted an event within 12 weeks and no resting pulse on record: its cap
   *     cannot be reckoned, so it is wanted before the first run
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
      List<CareLine> lines,
      TodayFacts facts,
      @Nullable Integer usualSaturation,
      boolean restingPulseWanted) {}

  /**
   * What was read and said; null where not taken.
   *
   * @param ketones mmol/L
   * @param pulseIrregular irregular, and new
   * @param sleep energy 0 to 10; pain 0 to 10
   * @param signs what there is, or NONE; empty while it was not asked
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

    /** A good night, nothing to tell but pain, and what was read. */
    public static Given well(@Nullable Pressure pressure, @Nullable Integer saturation, int pain) {
      return new Given(
          pressure,
          null,
          false,
          saturation,
          null,
          null,
          false,
          null,
          7,
          7,
          pain,
          false,
          false,
          Set.of(Sign.NONE));
    }

    /** The readings taken, with their units: "blood pressure 130/80 mmHg, pulse 72 bpm". */
    public String readings() {
      List<String> all = new ArrayList<>();
      if (pressure != null) {
        all.add("blood pressure " + pressure.systolic() + "/" + pressure.diastolic() + " mmHg");
      }
      if (pulse != null) {
        all.add("resting pulse " + pulse + " bpm" + (pulseIrregular ? ", irregular and new" : ""));
      }
      if (saturation != null) {
        all.add("saturation " + saturation + " %");
      }
      if (glucose != null) {
        all.add("glucose " + glucose);
      }
      if (ketones != null) {
        all.add("ketones " + ketones.toPlainString() + " mmol/L");
      }
      if (temperature != null) {
        all.add("temperature " + temperature.toPlainString() + " °C");
      }
      return String.join(", ", all);
    }
  }

  /** Signs told or seen today. The names are kept with every check. */
  public enum Sign {
    /** Asked, and nothing of what follows; said, never assumed. */
    NONE("none of these"),
    EMERGENCY("an emergency sign of the stop panel"),
    CHEST_HEAD_VISION_NERVE(
        "new or worse chest symptoms; sudden or severe head, vision, speech or one-sided nerve symptoms"),
    AS_USUAL("long-standing chest, head, vision or nerve symptoms, as usual"),
    HEADACHE("a headache that stays"),
    UPPER_BELLY("upper-belly pain"),
    FLUSHED("pounding headache, sudden flushing or sweating"),
    DIZZY("dizzy or giddy"),
    UNWELL("suddenly unwell"),
    FEVER("fever, a chest infection or vomiting"),
    COLD("a cold"),
    HOT_JOINT("a hot, red, swollen joint"),
    HOT_REPLACED("a hot, red, swollen joint that was replaced"),
    HOT_FOOT("a hot swollen foot"),
    GROIN("new groin or thigh pain"),
    NO_WEIGHT("a leg that cannot bear weight"),
    FALLEN("a fall since last time"),
    NEW_PAIN("new pain or swelling");

    public final String words;

    Sign(String words) {
      this.words = words;
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
    saturation(n, g, f);
    glucose(n, g, f);
    f = CareLine.apply(n.lines(), g, n.maternity(), n.highSpine(), f);
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
    List<String> missing = missing(n, g);
    if (!missing.isEmpty()) {
      outcome = outcome.worse(Outcome.STILL_OPEN);
    }
    boolean pressureCaution = f.stream().anyMatch(x -> x.rule().equals("today.pressure.caution"));
    return new Result(
        outcome,
        missing,
        List.copyOf(f),
        dose,
        List.copyOf(reasons),
        pressureCaution ? 5 : null,
        pressureCaution,
        g.wobbly());
  }

  /**
   * What a kept check leaves behind for the days after: CLEARANCE_ONLY after anything urgent, which
   * takes a clinician's word; ASK_FIRST after what a clinician has to see; null for neither.
   */
  public static @Nullable Outcome leaves(Result r) {
    if (r.outcome() == Outcome.URGENT) {
      return Outcome.CLEARANCE_ONLY;
    }
    return r.findings().stream().anyMatch(f -> ASKED.contains(f.rule())) ? Outcome.ASK_FIRST : null;
  }

  private static final Set<String> ASKED =
      Set.of("today.sign.groin.fragile", "today.sign.hot-foot", "today.sign.hot-joint");

  /**
   * Why a start must wait after a low glucose earlier the same day: a new reading over 5.0 mmol/L
   * after 15 minutes; null when it need not.
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
    if (g.signs().contains(Sign.DIZZY)
        && g.pressure() == null
        && !n.required().contains(ReadingKind.PRESSURE)) {
      missing.add("blood pressure seated, because dizzy, mmHg");
    }
    if (n.restingPulseWanted()) {
      missing.add("the client's resting pulse, in the client record");
    }
    if (g.signs().isEmpty()) {
      missing.add("symptoms today, or “none of these”");
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

  /** What a symptom means whatever the readings say. */
  private record Means(String rule, Outcome outcome, String act, String source) {}

  private static Means means(Sign s, Needs n, Given g) {
    BigDecimal t = g.temperature();
    boolean hot = t != null && t.compareTo(FEVER) >= 0;
    boolean fever = hot || g.signs().contains(Sign.FEVER);
    Means urgent = new Means("", Outcome.URGENT, "stop, call the emergency number, record", HOUSE);
    Means ease = new Means("", Outcome.CAUTION, "ease or not today; tell and record", HOUSE);
    return switch (s) {
      case EMERGENCY, CHEST_HEAD_VISION_NERVE, HOT_REPLACED, NO_WEIGHT -> urgent;
      case NONE -> new Means("", Outcome.GO, "recorded", HOUSE);
      case AS_USUAL -> new Means("", Outcome.GO, "recorded; new or worse is urgent", HOUSE);
      case HEADACHE, UPPER_BELLY ->
          n.maternity()
              ? new Means(
                  ".maternity",
                  Outcome.NOT_TODAY,
                  "not today, call maternity today",
                  "NICE NG133, maternity")
              : ease;
      case FLUSHED ->
          n.highSpine()
              ? new Means(
                  "",
                  Outcome.URGENT,
                  "dysreflexia at any pressure: sit up, loosen what is tight, find the cause, call the emergency number",
                  "Consortium for Spinal Cord Medicine 2001")
              : ease;
      case UNWELL -> n.facts().chemotherapy() ? chemotherapy() : ease;
      case FEVER ->
          n.facts().chemotherapy()
              ? chemotherapy()
              : new Means("", Outcome.NOT_TODAY, "not today", HOUSE);
      case HOT_JOINT ->
          fever ? urgent : new Means("", Outcome.NOT_TODAY, "not today, a doctor today", HOUSE);
      case HOT_FOOT ->
          new Means(
              "",
              Outcome.NOT_TODAY,
              "not today, the foot clinic within one working day",
              "NICE NG19");
      case GROIN ->
          n.facts().fragileBone() || g.signs().contains(Sign.FALLEN)
              ? new Means(
                  ".fragile", Outcome.NOT_TODAY, "not today, a doctor is asked first", HOUSE)
              : ease;
      case FALLEN ->
          new Means("", Outcome.CAUTION, "ease; record it on Papers, it is screened again", HOUSE);
      case DIZZY ->
          new Means(
              "", Outcome.CAUTION, "a seated reading first, then ease; tell and record", HOUSE);
      case COLD, NEW_PAIN -> ease;
    };
  }

  private static Means chemotherapy() {
    return new Means(
        ".chemotherapy",
        Outcome.URGENT,
        "under chemotherapy this is urgent: call the treating team's emergency line now",
        "NICE CG151");
  }

  private static void signs(Needs n, Given g, List<Finding> f) {
    for (Sign s : Sign.values()) {
      if (s != Sign.NONE && g.signs().contains(s)) {
        Means m = means(s, n, g);
        f.add(
            new Finding(
                "today.sign."
                    + s.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-')
                    + m.rule(),
                m.outcome(),
                Character.toUpperCase(s.words.charAt(0))
                    + s.words.substring(1)
                    + ": "
                    + m.act()
                    + ".",
                m.source(),
                null));
      }
    }
    BigDecimal t = g.temperature();
    if (t != null && t.compareTo(FEVER) >= 0) {
      boolean urgent = n.facts().chemotherapy();
      f.add(
          new Finding(
              "today.fever",
              urgent ? Outcome.URGENT : Outcome.NOT_TODAY,
              "Temperature "
                  + t.toPlainString()
                  + " °C: fever, "
                  + (urgent ? chemotherapy().act() : "not today")
                  + ".",
              urgent ? "NICE CG151" : HOUSE,
              null));
    }
  }

  private static void pressure(Needs n, Given g, List<Finding> f) {
    Pressure p = g.pressure();
    if (p == null) {
      return;
    }
    boolean symptoms =
        g.signs().contains(Sign.CHEST_HEAD_VISION_NERVE)
            || g.signs().contains(Sign.AS_USUAL)
            || g.signs().contains(Sign.HEADACHE)
            || n.maternity() && g.signs().contains(Sign.UPPER_BELLY);
    boolean dizzy = g.signs().contains(Sign.DIZZY);
    List<Finding> usualLines = p.findings(n.maternity(), symptoms, dizzy);
    Integer usual = n.usualSystolic();
    if (!n.highSpine() || usual == null) {
      f.addAll(usualLines);
      return;
    }
    // high and low lines are against the client's own usual
    usualLines.stream().filter(x -> !x.rule().startsWith("today.pressure.low")).forEach(f::add);
    f.addAll(p.low(Math.max(80, usual - 19), Math.max(70, usual - 29), dizzy, ", usual " + usual));
    int over = p.systolic() - usual;
    if (over < 20 && p.systolic() < 150) {
      return;
    }
    boolean urgent =
        over >= 40
            || p.systolic() >= 150
            || g.signs().contains(Sign.FLUSHED)
            || g.signs().contains(Sign.HEADACHE);
    f.add(
        new Finding(
            urgent ? "today.pressure.dysreflexia" : "today.pressure.above-usual",
            urgent ? Outcome.URGENT : Outcome.NOT_TODAY,
            "Systolic "
                + p.systolic()
                + ", "
                + over
                + " mmHg over the usual "
                + usual
                + (urgent
                    ? ": dysreflexia. Sit up, loosen what is tight, find the cause, call the emergency number."
                    : ": sit up, loosen what is tight, find the cause; not today."),
            "Consortium for Spinal Cord Medicine 2001",
            null));
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
            || g.signs().contains(Sign.AS_USUAL)
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

  private static void saturation(Needs n, Given g, List<Finding> f) {
    Integer s = g.saturation();
    if (s == null) {
      return;
    }
    boolean lung = n.facts().lung();
    int line = lung ? 88 : 92;
    Integer usual = n.usualSaturation();
    String reading = "Saturation " + s + " % at rest";
    if (s < line) {
      add(
          f,
          "saturation",
          Outcome.NOT_TODAY,
          reading
              + ", under "
              + line
              + (lung ? ": not today." : " and no lung disease named: not today, ask a doctor."));
    } else if (lung && s < 92 && (usual == null || usual - s >= 3)) {
      add(
          f,
          "saturation.under-usual",
          Outcome.CAUTION,
          reading
              + (usual == null ? ", own usual not on record" : ", usual " + usual)
              + ": ease, rest when it drops under 88.");
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
    if (v.over("16.7")) {
      add(
          f,
          "glucose.very-high",
          Outcome.NOT_TODAY,
          reading + ", over 16.7: not today, with or without ketones.");
    }
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
   * From sleep, energy and pain against the client's usual: any one of sleep 3 or less, energy 3 or
   * less, pain over the school's line eases; two cut short; energy 1 or less, or pain 7 or more and
   * over the usual, is not today.
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
      reasons.add("Pain " + pain + " of 10, line " + line + ", usual " + n.usualPain() + ".");
    }
    if (energy != null && energy <= 1 || pain != null && pain >= 7 && pain > n.usualPain()) {
      return Dose.NOT_TODAY;
    }
    if (g.hardYesterday() && low == 0) {
      reasons.add("A hard day yesterday: chores count.");
      return Dose.EASED;
    }
    return low >= 2 ? Dose.SHORT : low == 1 ? Dose.EASED : Dose.AS_PLANNED;
  }
}
