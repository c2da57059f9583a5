package riposo.core.screening;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.run.StopFor;

/**
 * The question set and what the answers mean. Answers are text by question id: yes, no or unsure;
 * left, right or both; an option's value; a date as 2026-02-12; a whole number. Not sure counts as
 * yes, and as no where a yes would protect.
 */
public final class Screening {
  /** The number of this question set; a screening made with an earlier one is asked anew. */
  public static final int SET = Questions.SET;

  private Screening() {}

  /** All questions in the order they are asked. */
  public static List<Question> questions() {
    return List.copyOf(Questions.ALL.values());
  }

  /**
   * What the answers come to on a day. Pure: the order of the answers does not matter, answers to
   * questions that are not asked are left out, and a half-done set gives the outcome so far.
   */
  public static Assessment assess(Map<String, String> answers, LocalDate today) {
    Answers a = new Answers(answers, today);
    Report r = new Report(a);
    HeartRules.apply(r);
    BodyRules.apply(r);
    @Nullable Gestation gestation = LifeRules.pregnancy(r);
    boolean maternity = LifeRules.birth(r) || a.yes("pregnancy.now");
    LifeRules.apply(r);
    pressure(r, maternity);
    if (a.yes("pregnancy.now")
        && !a.answered("pregnancy.due")
        && !a.answered("pregnancy.weeks")
        && a.errors.keySet().stream().noneMatch(id -> id.startsWith("pregnancy."))) {
      a.missing.add("pregnancy.due");
    }
    LocalDate given = a.date("pregnancy.due");
    LocalDate told = fromWeeks(a);
    if (given != null && told != null && Math.abs(ChronoUnit.DAYS.between(given, told)) > 7) {
      a.errors.put(
          "pregnancy.weeks",
          "The weeks told and the due date " + given + " lie over a week apart.");
    }
    Integer pain = a.number("pain.level");
    if (pain != null) {
      r.notes.add(
          new CareNote(
              "pain now",
              "Pain " + pain + " of 10 at the screening: ask against it.",
              Report.HOUSE));
    }
    boolean open = !a.missing.isEmpty() || !a.errors.isEmpty();
    Outcome standing = r.proposals.isEmpty() ? Outcome.READY : Outcome.READY_WITH_LIMITS;
    Outcome now = Outcome.GO;
    if (open) {
      standing = Outcome.NOT_KNOWN;
      now = Outcome.STILL_OPEN;
    }
    for (Finding f : r.findings) {
      if (f.outcome().today) {
        now = now.worse(f.outcome());
      } else {
        standing = standing.worse(f.outcome());
      }
    }
    return new Assessment(
        standing,
        now,
        List.copyOf(r.findings),
        List.copyOf(r.proposals),
        List.copyOf(r.notes),
        List.copyOf(a.visible),
        List.copyOf(a.missing),
        new LinkedHashMap<>(a.errors),
        gestation == null ? null : gestation.toString(),
        maternity,
        a.yes("fatigue.after"),
        readings(a, maternity),
        new Assessment.SugarRules(
            a.yes("sugar.type1"), a.yes("sugar.low") || a.yes("sugar.type1"), a.yes("sugar.sglt2")),
        HeartRules.pulse(a, a.yes("pregnancy.now")),
        stopFor(a),
        new TodayFacts(
            a.yes("lung.ever"),
            a.yes("cancer.now"),
            a.yes("bone.low")
                || a.yes("medicine.steroid")
                || a.yes("cancer.bone")
                || a.yes("falls.two"),
            a.yes("hip.replaced")
                || a.yes("knee.replaced")
                || a.is("shoulder.kind", "full")
                || a.is("shoulder.kind", "reverse"),
            a.yes("sugar.diabetes")));
  }

  /** Days in a week are not told: of "24 weeks" the last day is taken, so that no limit is late. */
  private static final int TOLD_DAYS = 6;

  /** The due date as given, else reckoned from the weeks told today; null when neither is there. */
  static @Nullable LocalDate due(Answers a) {
    LocalDate due = a.date("pregnancy.due");
    return due != null ? due : fromWeeks(a);
  }

  private static @Nullable LocalDate fromWeeks(Answers a) {
    Integer weeks = a.number("pregnancy.weeks");
    return weeks == null ? null : a.today.plusDays(280L - Math.min(294, 7L * weeks + TOLD_DAYS));
  }

  /**
   * The answers as they are kept: weeks told on a day are turned into the due date they mean, so
   * that they go on counting.
   */
  public static Map<String, String> dated(Map<String, String> answers, LocalDate today) {
    Answers a = new Answers(answers, today);
    LocalDate due = due(a);
    Map<String, String> kept = new LinkedHashMap<>(answers);
    if (due != null && a.visible.contains("pregnancy.due")) {
      kept.put("pregnancy.due", due.toString());
    }
    return kept;
  }

  private static Set<StopFor> stopFor(Answers a) {
    Set<StopFor> set = EnumSet.noneOf(StopFor.class);
    if (a.yes("pregnancy.now")) {
      set.add(StopFor.PREGNANT);
    }
    LocalDate born = a.date("birth.date");
    if (a.yes("birth.recent") && (born == null || !born.plusWeeks(12).isBefore(a.today))) {
      set.add(StopFor.AFTER_BIRTH);
    }
    if (a.yes("sugar.diabetes")) {
      set.add(StopFor.DIABETES);
    }
    if (BodyRules.highSpine(a)) {
      set.add(StopFor.SPINE_HIGH);
    }
    if (a.yes("cancer.nodes")) {
      set.add(StopFor.LYMPHOEDEMA);
    }
    if (BodyRules.operated(a)) {
      set.add(StopFor.OPERATION);
    }
    if (a.yes("medicine.thinner") || a.yes("clot")) {
      set.add(StopFor.THINNER);
    }
    return set;
  }

  private static Set<ReadingKind> readings(Answers a, boolean maternity) {
    Set<ReadingKind> set = EnumSet.noneOf(ReadingKind.class);
    if (a.yes("pressure.high") || maternity || a.yes("heart.ever") || BodyRules.highSpine(a)) {
      set.add(ReadingKind.PRESSURE);
    }
    if (a.yes("heart.ever")) {
      set.add(ReadingKind.PULSE);
    }
    if (a.yes("lung.ever")) {
      set.add(ReadingKind.SATURATION);
    }
    if (a.yes("sugar.low") || a.yes("sugar.type1")) {
      set.add(ReadingKind.GLUCOSE);
    }
    return set;
  }

  private static void pressure(Report r, boolean maternity) {
    Answers a = r.a;
    Integer s = a.number("pressure.systolic");
    Integer d = a.number("pressure.diastolic");
    if (s != null && d != null) {
      try {
        boolean signs = a.yes("sign.chest") || a.yes("sign.sudden");
        r.findings.addAll(new Pressure(s, d).findings(maternity, signs, a.yes("sign.dizzy")));
      } catch (IllegalArgumentException e) {
        a.errors.put("pressure.diastolic", String.valueOf(e.getMessage()));
      }
    } else if ((s != null || d != null)
        && !a.errors.containsKey("pressure.systolic")
        && !a.errors.containsKey("pressure.diastolic")) {
      a.errors.put(
          s == null ? "pressure.systolic" : "pressure.diastolic",
          "Give both numbers of the reading, or neither.");
    }
  }
}
