package riposo.core.screening;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Condition;
import riposo.core.limit.Proposal;
import riposo.core.limit.Side;
import riposo.core.screening.Question.Kind;

/**
 * The question set and what the answers mean (handbook 2). Answers are text by question id: yes, no
 * or unsure; left, right or both; a date as 2026-02-12; a whole number. Not sure counts as yes.
 */
public final class Screening {
  private static final String RIEBE = "Riebe 2015";
  private static final String SOGC = "SOGC/CSEP 2019";
  private static final String HOUSE = "handbook 2";
  private static final Set<String> YES_NO = Set.of("yes", "no", "unsure");
  private static final Set<String> SIDES = Set.of("left", "right", "both");

  private static final Map<String, Question> QUESTIONS = new LinkedHashMap<>();

  static {
    String g = "Signs";
    yes(g, "sign.chest", "Pressure or pain in chest, neck, jaw or arm when you exert yourself?");
    yes(g, "sign.breath", "Out of breath at rest or with mild effort?");
    yes(g, "sign.dizzy", "Dizzy spells or fainting?");
    yes(g, "sign.lying", "Breathless lying flat, or waking breathless at night?");
    yes(g, "sign.ankles", "Swollen ankles?");
    yes(g, "sign.heartbeat", "Heart racing or skipping for no reason, or a known murmur?");
    yes(g, "sign.calf", "Calf pain on walking that eases with rest?");
    yes(g, "sign.tired", "Unusually tired by everyday things?");
    yes(g, "sign.face", "Sudden weakness of face, arm or leg, now or today?");
    yes(g, "sign.saddle", "New numbness around the saddle, or new trouble with bladder or bowel?");
    g = "Heart, vessels, sugar";
    yes(
        g,
        "heart.event",
        "Heart attack, heart operation, stent, stroke or clot in the last 12 months, or never cleared since?");
    yes(g, "disease.known", "Known heart or vessel disease, diabetes or kidney disease?");
    yes(g, "pressure.high", "High blood pressure, treated or not?");
    yes(
        g,
        "pressure.uncontrolled",
        "Is it often over 160/100, or has the treatment just changed?",
        "pressure.high");
    number(g, "pressure.systolic", "Reading now, upper number", "pressure.high", 50, 280, "mmHg");
    number(g, "pressure.diastolic", "Reading now, lower number", "pressure.high", 30, 180, "mmHg");
    g = "Bones and joints";
    yes(g, "bone.low", "Low bone density, or a bone broken by a small knock?");
    yes(g, "bone.back", "New back pain since then?", "bone.low");
    yes(g, "shoulder.pain", "A painful, stiff or operated shoulder?");
    side(g, "shoulder.side", "Which shoulder?", "shoulder.pain");
    yes(g, "knee.pain", "A painful or worn knee, or a sore tendon at it?");
    side(g, "knee.side", "Which knee?", "knee.pain");
    yes(g, "operation.recent", "An operation or a fracture in the last 12 weeks?");
    g = "Balance and falls";
    yes(g, "falls.two", "Two or more falls in the last year, or one that hurt you?");
    yes(g, "falls.blackout", "Did one come with a blackout or a knock to the head?", "falls.two");
    g = "Pregnancy and birth";
    yes(g, "pregnancy.now", "Pregnant now?");
    QUESTIONS.put(
        "pregnancy.due",
        new Question(
            "pregnancy.due", g, "Due date", Kind.DATE, "pregnancy.now", null, null, null, false));
    yes(
        g,
        "pregnancy.absolute",
        "Told of: waters broken, early labour, bleeding that goes on, low-lying placenta after week 28, pre-eclampsia, weak cervix, slow growth, triplets, or a serious uncontrolled illness?",
        "pregnancy.now");
    yes(
        g,
        "pregnancy.relative",
        "Told of: repeated loss, raised pressure in pregnancy, an earlier early birth, anaemia with symptoms, too little food, twins after week 28?",
        "pregnancy.now");
    yes(g, "pregnancy.flat", "Light-headed or unwell lying flat?", "pregnancy.now");
    yes(g, "pregnancy.girdle", "Pain at the front or back of the pelvis?", "pregnancy.now");
    yes(g, "birth.recent", "A birth in the last 6 weeks?");
    g = "Energy and activity";
    yes(g, "fatigue.after", "Worse for a day or more after exertion?");
    yes(g, "active.now", "At least 30 minutes of brisk activity on 3 days a week, for 3 months?");
    yes(g, "wish.vigorous", "Does the client want hard training (effort 7 or more)?");
  }

  private Screening() {}

  private static void yes(String group, String id, String text) {
    QUESTIONS.put(id, new Question(id, group, text, Kind.YES_NO, null, null, null, null, false));
  }

  private static void yes(String group, String id, String text, String showIf) {
    QUESTIONS.put(id, new Question(id, group, text, Kind.YES_NO, showIf, null, null, null, false));
  }

  private static void side(String group, String id, String text, String showIf) {
    QUESTIONS.put(id, new Question(id, group, text, Kind.SIDE, showIf, null, null, null, false));
  }

  private static void number(
      String group, String id, String text, String showIf, int least, int greatest, String unit) {
    QUESTIONS.put(
        id, new Question(id, group, text, Kind.NUMBER, showIf, least, greatest, unit, true));
  }

  /** All questions in the order they are asked. */
  public static List<Question> questions() {
    return List.copyOf(QUESTIONS.values());
  }

  /**
   * What the answers come to. Pure: the order of the answers does not matter, answers to questions
   * that are not asked are left out, and a half-done set gives the outcome so far.
   */
  public static Assessment assess(Map<String, String> answers, LocalDate today) {
    return new Reading(answers, today).assess();
  }

  private static final class Reading {
    private final Map<String, String> answers;
    private final LocalDate today;
    private final List<Finding> findings = new ArrayList<>();
    private final List<Proposal> proposals = new ArrayList<>();
    private final Map<String, String> errors = new LinkedHashMap<>();
    private final List<String> visible = new ArrayList<>();
    private final List<String> missing = new ArrayList<>();

    Reading(Map<String, String> answers, LocalDate today) {
      this.answers = answers;
      this.today = today;
    }

    private boolean yes(String id) {
      String a = answers.get(id);
      return visible.contains(id) && a != null && (a.equals("yes") || a.equals("unsure"));
    }

    private String so(String id) {
      return "unsure".equals(answers.get(id)) ? " (not sure counts as yes)" : "";
    }

    private @Nullable Integer number(String id) {
      String a = answers.get(id);
      return a == null || a.isBlank() || errors.containsKey(id) || !visible.contains(id)
          ? null
          : Integer.valueOf(a);
    }

    private Side side(String id) {
      String a = answers.get(id);
      // Until the side is known both are held back.
      return "left".equals(a) ? Side.LEFT : "right".equals(a) ? Side.RIGHT : Side.BOTH;
    }

    private void find(
        String rule, Outcome outcome, String text, String source, @Nullable String id) {
      findings.add(new Finding(rule, outcome, id == null ? text : text + so(id), source, id));
    }

    private void validate() {
      for (String id : answers.keySet()) {
        if (!QUESTIONS.containsKey(id)) {
          errors.put(id, "There is no such question.");
        }
      }
      for (Question q : QUESTIONS.values()) {
        if (q.showIf() != null && !yes(q.showIf())) {
          continue;
        }
        visible.add(q.id());
        String a = answers.get(q.id());
        if (a == null || a.isBlank()) {
          if (!q.optional()) {
            missing.add(q.id());
          }
          continue;
        }
        @Nullable String error = error(q, a);
        if (error != null) {
          errors.put(q.id(), error);
        }
      }
    }

    private static @Nullable String error(Question q, String a) {
      switch (q.kind()) {
        case YES_NO:
          return YES_NO.contains(a) ? null : "Answer yes, no or not sure.";
        case SIDE:
          return SIDES.contains(a) ? null : "Answer left, right or both.";
        case DATE:
          try {
            LocalDate.parse(a);
            return null;
          } catch (DateTimeParseException e) {
            return "Give the date as year-month-day, for example 2027-02-12.";
          }
        default:
          String range =
              "Give a whole number from "
                  + q.least()
                  + " to "
                  + q.greatest()
                  + " "
                  + q.unit()
                  + ".";
          try {
            int n = Integer.parseInt(a);
            return n < q.least() || n > q.greatest() ? range : null;
          } catch (NumberFormatException e) {
            return range;
          }
      }
    }

    Assessment assess() {
      validate();
      signs();
      heart();
      joints();
      @Nullable Gestation gestation = pregnancy();
      boolean pressureReading = pressure(gestation != null || yes("birth.recent"));
      activity();
      boolean fatigue = yes("fatigue.after");
      if (fatigue) {
        find(
            "standing.fatigue",
            Outcome.READY_WITH_LIMITS,
            "Worse the day after exertion: short, restful, no stepping up.",
            "handbook 3, fatigue",
            "fatigue.after");
        proposals.addAll(Condition.FATIGUE.proposals(Side.BOTH, today));
      }
      Outcome standing = proposals.isEmpty() ? Outcome.READY : Outcome.READY_WITH_LIMITS;
      Outcome now = Outcome.GO;
      for (Finding f : findings) {
        if (f.outcome().today) {
          now = now.worse(f.outcome());
        } else {
          standing = standing.worse(f.outcome());
        }
      }
      return new Assessment(
          standing,
          now,
          List.copyOf(findings),
          List.copyOf(proposals),
          List.copyOf(visible),
          List.copyOf(missing),
          new LinkedHashMap<>(errors),
          gestation == null ? null : gestation.toString(),
          fatigue,
          pressureReading);
    }

    private void signs() {
      for (String id :
          List.of("chest", "breath", "dizzy", "lying", "ankles", "heartbeat", "calf", "tired")) {
        if (yes("sign." + id)) {
          Question q = QUESTIONS.get("sign." + id);
          find(
              "standing.sign." + id,
              Outcome.CLEARANCE_ONLY,
              "A sign that needs a doctor's word first: " + plain(q.text()) + ".",
              RIEBE,
              q.id());
        }
      }
      if (yes("sign.face")) {
        find(
            "today.sign.face",
            Outcome.URGENT,
            "Sudden weakness: call the emergency number now.",
            HOUSE,
            "sign.face");
        find(
            "standing.sign.face",
            Outcome.CLEARANCE_ONLY,
            "Sudden weakness of face or limb: no strength work without a clearance.",
            HOUSE,
            "sign.face");
      }
      if (yes("sign.saddle")) {
        find(
            "today.sign.saddle",
            Outcome.URGENT,
            "New saddle numbness or loss of control: emergency care now.",
            HOUSE,
            "sign.saddle");
        find(
            "standing.sign.saddle",
            Outcome.CLEARANCE_ONLY,
            "New saddle numbness or loss of control: no strength work without a clearance.",
            HOUSE,
            "sign.saddle");
      }
    }

    private void heart() {
      if (yes("heart.event")) {
        find(
            "standing.heart-event",
            Outcome.CLEARANCE_ONLY,
            "Heart event, stroke or clot within 12 months or never cleared: only a clearance dated after it opens strength work.",
            HOUSE,
            "heart.event");
      }
      if (yes("pressure.high")) {
        find(
            "standing.pressure",
            Outcome.READY_WITH_LIMITS,
            "High blood pressure: reading before every run, moderate effort, no long holds.",
            "handbook 3, high blood pressure",
            "pressure.high");
        proposals.addAll(Condition.HIGH_PRESSURE.proposals(Side.BOTH, today));
      }
      if (yes("pressure.uncontrolled")) {
        find(
            "standing.pressure-uncontrolled",
            Outcome.ASK_FIRST,
            "Blood pressure not under control: ask the doctor first.",
            HOUSE,
            "pressure.uncontrolled");
      }
    }

    private boolean pressure(boolean maternity) {
      Integer s = number("pressure.systolic");
      Integer d = number("pressure.diastolic");
      if (s != null && d != null) {
        try {
          boolean signs = yes("sign.chest") || yes("sign.face");
          findings.addAll(new Pressure(s, d).findings(maternity, signs, yes("sign.dizzy")));
        } catch (IllegalArgumentException e) {
          errors.put("pressure.diastolic", String.valueOf(e.getMessage()));
        }
      } else if (s != null || d != null) {
        errors.put(
            s == null ? "pressure.systolic" : "pressure.diastolic",
            "Give both numbers of the reading, or neither.");
      }
      return yes("pressure.high") || maternity;
    }

    private void joints() {
      if (yes("bone.low")) {
        find(
            "standing.bone",
            Outcome.READY_WITH_LIMITS,
            "Low bone density: no loaded or end-range bend or turn; rise from the floor by rolling to the side.",
            "Giangregorio 2014",
            "bone.low");
        proposals.addAll(Condition.LOW_BONE_DENSITY.proposals(Side.BOTH, today));
      }
      if (yes("bone.back")) {
        find(
            "standing.bone-back",
            Outcome.ASK_FIRST,
            "New back pain with low bone density: ask first.",
            HOUSE,
            "bone.back");
      }
      if (yes("shoulder.pain")) {
        find(
            "standing.shoulder",
            Outcome.READY_WITH_LIMITS,
            "Shoulder: loaded arm below 80°, no dips.",
            Condition.SHOULDER.source,
            "shoulder.pain");
        proposals.addAll(Condition.SHOULDER.proposals(side("shoulder.side"), today));
      }
      if (yes("knee.pain")) {
        find(
            "standing.knee",
            Outcome.READY_WITH_LIMITS,
            "Knee: limited loaded bend, no impact, pad to kneel.",
            Condition.KNEE.source,
            "knee.pain");
        proposals.addAll(Condition.KNEE.proposals(side("knee.side"), today));
      }
      if (yes("operation.recent")) {
        find(
            "standing.operation",
            Outcome.ASK_FIRST,
            "Operation or fracture in the last 12 weeks: ask the surgeon first.",
            HOUSE,
            "operation.recent");
      }
      if (yes("falls.two")) {
        find(
            "standing.falls",
            Outcome.READY_WITH_LIMITS,
            "Falls: support for balance, no floor yet; refer for a falls check.",
            "handbook 3, falls",
            "falls.two");
        proposals.addAll(Condition.FALLS.proposals(Side.BOTH, today));
      }
      if (yes("falls.blackout")) {
        find(
            "standing.falls-blackout",
            Outcome.ASK_FIRST,
            "A fall with blackout or head injury: ask first.",
            HOUSE,
            "falls.blackout");
      }
    }

    private @Nullable Gestation pregnancy() {
      if (yes("birth.recent")) {
        find(
            "standing.birth",
            Outcome.ASK_FIRST,
            "Birth within 6 weeks: strength waits for the recorded check; breathing, mobility and walking are fine if well.",
            HOUSE,
            "birth.recent");
      }
      if (!yes("pregnancy.now")) {
        return null;
      }
      if (yes("pregnancy.absolute")) {
        find(
            "standing.pregnancy-absolute",
            Outcome.CLEARANCE_ONLY,
            "Pregnancy with a listed complication: only the maternity team's clearance opens strength work.",
            SOGC,
            "pregnancy.absolute");
      }
      if (yes("pregnancy.relative")) {
        find(
            "standing.pregnancy-relative",
            Outcome.ASK_FIRST,
            "Pregnancy with a point to discuss: ask midwife or doctor first.",
            SOGC,
            "pregnancy.relative");
      }
      if (yes("pregnancy.girdle")) {
        find(
            "standing.pelvic-girdle",
            Outcome.READY_WITH_LIMITS,
            "Pelvic girdle pain: both sides alike, small hip spread.",
            "handbook 3, pregnancy",
            "pregnancy.girdle");
        proposals.addAll(Condition.PELVIC_GIRDLE.proposals(Side.BOTH, today));
      }
      String due = answers.get("pregnancy.due");
      if (due == null || due.isBlank() || errors.containsKey("pregnancy.due")) {
        return null;
      }
      try {
        Gestation g = Gestation.on(today, LocalDate.parse(due));
        find(
            "standing.pregnancy",
            Outcome.READY_WITH_LIMITS,
            "Pregnant, " + g + " weeks: limits by week, talk test leads.",
            SOGC,
            "pregnancy.now");
        proposals.addAll(Condition.pregnancy(g::weekBegins, g.due(), yes("pregnancy.flat"), today));
        return g;
      } catch (IllegalArgumentException e) {
        errors.put("pregnancy.due", String.valueOf(e.getMessage()));
        return null;
      }
    }

    private void activity() {
      if (answers.get("active.now") == null && answers.get("disease.known") == null) {
        return;
      }
      // "not sure" about being active counts against, as everywhere
      boolean active = "yes".equals(answers.get("active.now"));
      boolean disease = yes("disease.known");
      if (disease && !active) {
        find(
            "standing.inactive-disease",
            Outcome.ASK_FIRST,
            "Known disease and not active now: ask the doctor first.",
            RIEBE,
            "disease.known");
      } else if (disease && yes("wish.vigorous")) {
        find(
            "standing.active-disease-vigorous",
            Outcome.ASK_FIRST,
            "Known disease and hard training wanted: clearance within 12 months first.",
            RIEBE,
            "wish.vigorous");
      }
      if (disease || !active) {
        proposals.addAll(Condition.MODERATE_ONLY.proposals(Side.BOTH, today));
        find(
            "standing.moderate",
            Outcome.READY_WITH_LIMITS,
            disease
                ? "Known disease: moderate effort."
                : "Not active now: light to moderate to start.",
            RIEBE,
            disease ? "disease.known" : "active.now");
      }
    }

    private static String plain(String question) {
      String s = question.endsWith("?") ? question.substring(0, question.length() - 1) : question;
      return s.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + s.substring(1);
    }
  }
}
