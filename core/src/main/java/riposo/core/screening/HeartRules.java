package riposo.core.screening;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Condition;
import riposo.core.limit.Side;

/** Signs, heart and vessels, lungs, sugar, kidneys, medicines, activity, the pulse. */
final class HeartRules {
  private static final Map<String, String> SIGNS =
      Map.of(
          "sign.chest", "discomfort in chest, neck, jaw or arm on exertion",
          "sign.breath", "breathless at rest, on mild effort, lying flat or at night",
          "sign.dizzy", "dizziness, fainting, palpitations or a known murmur",
          "sign.legs", "swollen ankles, or calf pain on walking that eases with rest",
          "sign.tired", "unusual tiredness with everyday things");

  private HeartRules() {}

  static void apply(Report r) {
    Answers a = r.a;
    for (String id : new java.util.TreeSet<>(SIGNS.keySet())) {
      if (a.yes(id) && a.surely(id + ".explained")) {
        r.find(
            "standing.explained." + id.substring(id.indexOf('.') + 1),
            Outcome.READY_WITH_LIMITS,
            "Explained and unchanged: " + SIGNS.get(id) + ". New or worse: stop, and ask anew.",
            Report.RIEBE,
            id);
        r.propose(Condition.EXPLAINED, Side.BOTH, a.today);
        if (id.equals("sign.dizzy")) {
          r.propose(Condition.LIGHT_HEADED, Side.BOTH, a.today);
        }
      } else {
        r.on(
            id,
            "standing." + id,
            Outcome.CLEARANCE_ONLY,
            "A sign that needs a doctor's word first: " + SIGNS.get(id) + ".",
            Report.RIEBE);
      }
    }
    if (a.yes("heart.valve") || a.yes("aneurysm") || a.yes("heart.failure")) {
      r.find(
          "standing.heart-wall",
          Outcome.READY_WITH_LIMITS,
          "Aneurysm, valve, heart muscle or failure: effort 4 at most, no strain, once cleared.",
          Condition.HEART_WALL.source,
          a.yes("heart.valve") ? "heart.valve" : a.yes("aneurysm") ? "aneurysm" : "heart.failure");
      r.propose(Condition.HEART_WALL, Side.BOTH, a.today);
    }
    String sudden = "Sudden weakness, new saddle numbness, or loss of bladder or bowel control: ";
    r.on(
        "sign.sudden",
        "today.sign.sudden",
        Outcome.URGENT,
        sudden + "call the emergency number now.",
        Report.HOUSE);
    r.on(
        "sign.sudden",
        "standing.sign.sudden",
        Outcome.CLEARANCE_ONLY,
        sudden + "no strength work without a clearance.",
        Report.HOUSE);
    event(r, "heart.event", "heart event or device", "heart.event.date", "heart.event.cleared");
    event(r, "stroke.tia", "stroke or TIA", "stroke.date", "stroke.cleared");
    event(r, "clot", "clot", "clot.date", "clot.cleared");
    r.on(
        "aneurysm",
        "standing.event.aneurysm",
        Outcome.CLEARANCE_ONLY,
        "An aneurysm, at any time: only a clearance opens strength work.",
        Report.HOUSE);
    device(r);
    if (a.yes("stroke.tia")) {
      r.propose(Condition.STROKE, Side.BOTH, a.today);
      if (!a.is("stroke.side", "none")) {
        r.propose(Condition.STROKE_SIDE, a.side("stroke.side"), a.today);
      }
    }
    r.on(
        "heart.uncontrolled",
        "standing.heart-uncontrolled",
        Outcome.ASK_FIRST,
        "Rhythm or heart failure not settled: ask the doctor first.",
        Report.HOUSE);
    r.on(
        "heart.valve",
        "standing.heart-valve",
        Outcome.ASK_FIRST,
        "Valve, heart muscle, lung pressure or inflammation: ask the doctor first.",
        Report.HOUSE);
    r.limits(
        "pressure.high",
        Condition.HIGH_PRESSURE,
        Side.BOTH,
        "High blood pressure: reading before every run, moderate effort, no long holds.");
    r.on(
        "pressure.uncontrolled",
        "standing.pressure-uncontrolled",
        Outcome.ASK_FIRST,
        "Blood pressure not under control: ask the doctor first.",
        Report.HOUSE);
    r.limits(
        "lung.ever",
        Condition.LUNG,
        Side.BOTH,
        "Lung disease: saturation before every run, rest as long as work, breathlessness 4 at most.");
    r.on(
        "lung.flare",
        "standing.lung-flare",
        Outcome.ASK_FIRST,
        "A lung flare or hospital stay within 6 weeks: ask first.",
        Report.HOUSE);
    r.limits("sugar.diabetes", Condition.DIABETES, Side.BOTH, "Diabetes: shoes on, sugar at hand.");
    r.limits("sugar.feet", Condition.DIABETES_FEET, Side.BOTH, "Numb feet: support for balance.");
    r.on(
        "kidney.dialysis",
        "standing.kidney-dialysis",
        Outcome.ASK_FIRST,
        "Dialysis or a transplant: ask the doctor first.",
        Report.HOUSE);
    r.on(
        "sugar.ulcer",
        "standing.foot-ulcer",
        Outcome.ASK_FIRST,
        "A foot ulcer or a hot swollen foot: the foot clinic within one working day, ask first.",
        Condition.FOOT_ULCER.source);
    if (a.yes("sugar.ulcer")) {
      r.propose(Condition.FOOT_ULCER, a.side("sugar.ulcer.side"), a.today);
    }
    if (a.yes("kidney.dialysis") && !a.is("kidney.access", "none")) {
      if (a.is("kidney.access", "belly")) {
        r.propose(Condition.BELLY_CATHETER, Side.BOTH, a.today);
      } else {
        r.propose(Condition.FISTULA, a.side("kidney.access"), a.today);
      }
      if (!a.is("kidney.access", "left") && !a.is("kidney.access", "right")) {
        r.propose(Condition.BELLY_CATHETER, Side.BOTH, a.today);
      }
    }
    if (a.yes("light.headed") || a.yes("nerve.autonomic")) {
      r.find(
          "standing.light-headed",
          Outcome.READY_WITH_LIMITS,
          "Light-headed on standing, or nerves that upset pulse or pressure: rise slowly, effort by talk.",
          Condition.LIGHT_HEADED.source,
          a.yes("light.headed") ? "light.headed" : "nerve.autonomic");
      r.propose(Condition.LIGHT_HEADED, Side.BOTH, a.today);
    }
    if (a.yes("blood.platelets")) {
      r.limits(
          "blood.platelets",
          Condition.PLATELETS,
          Side.BOTH,
          "Low platelets: no fall risk, no hard contact.");
      r.on(
          "blood.platelets.under",
          "standing.platelets",
          Outcome.ASK_FIRST,
          "Platelets under 50, or not known: ask first.",
          Report.HOUSE);
    }
    if (a.yes("clot") || a.yes("medicine.thinner")) {
      r.find(
          "standing.thinner",
          Outcome.READY_WITH_LIMITS,
          "Clot or blood thinner: support for balance, no hard contact.",
          Condition.CLOT.source,
          a.yes("medicine.thinner") ? "medicine.thinner" : "clot");
      r.propose(Condition.CLOT, Side.BOTH, a.today);
    }
    activity(r);
  }

  /**
   * Within 12 months or never cleared since: CLEARANCE_ONLY. Older and once cleared is left to the
   * known-disease row. An unknown date counts as recent.
   */
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

  private static void event(Report r, String id, String words, String dateId, String clearedId) {
    Answers a = r.a;
    if (!a.yes(id)) {
      return;
    }
    LocalDate date = a.date(dateId);
    boolean recent = date == null || !date.isBefore(a.today.minusMonths(12));
    boolean closed = recent || !a.surely(clearedId);
    if (closed) {
      r.find(
          "standing.event." + id,
          Outcome.CLEARANCE_ONLY,
          "A "
              + words
              + (date == null ? ", date not known" : " on " + DAY.format(date))
              + (recent ? ", within 12 months" : ", never cleared since")
              + ": only a clearance dated after it opens strength work.",
          Report.HOUSE,
          id,
          date);
    }
    if (id.equals("heart.event")) {
      if (closed) {
        r.propose(Condition.HEART_EVENT, Side.BOTH, a.today);
      }
      if (a.yes("heart.sternotomy")) {
        r.propose(Condition.STERNOTOMY, Side.BOTH, date == null ? a.today : date);
      }
    }
  }

  private static void device(Report r) {
    Answers a = r.a;
    boolean defibrillator = a.is("heart.device", "defibrillator");
    if (defibrillator || a.is("heart.device", "pacemaker")) {
      LocalDate date = a.date("heart.event.date");
      r.propose(Condition.DEVICE_NEW, a.side("heart.device.side"), date == null ? a.today : date);
    }
    if (defibrillator) {
      Integer rate = a.number("heart.device.rate");
      if (rate == null) {
        r.find(
            "standing.device-rate",
            Outcome.CLEARANCE_ONLY,
            "A defibrillator whose lowest treatment rate is not known: the clinic's word first.",
            Report.HOUSE,
            "heart.device.rate");
      } else {
        r.proposals.add(Condition.devicePulse(rate, a.today));
      }
    }
  }

  private static void activity(Report r) {
    Answers a = r.a;
    boolean disease = disease(a);
    if (!a.answered("active.now") && !disease) {
      return;
    }
    boolean active = a.surely("active.now");
    if (disease && !active) {
      r.find(
          "standing.inactive-disease",
          Outcome.ASK_FIRST,
          "Known disease and not active now: ask the doctor first.",
          Report.RIEBE,
          null);
    } else if (disease && a.yes("wish.vigorous")) {
      r.find(
          "standing.active-disease-vigorous",
          Outcome.ASK_FIRST,
          "Known disease and hard training wanted: clearance within 12 months first.",
          Report.RIEBE,
          "wish.vigorous");
    }
    if (disease || !active) {
      r.propose(Condition.MODERATE_ONLY, Side.BOTH, a.today);
      r.find(
          "standing.moderate",
          Outcome.READY_WITH_LIMITS,
          disease
              ? "Known disease: moderate effort."
              : "Not active now: light to moderate to start.",
          Report.RIEBE,
          disease ? null : "active.now");
    }
  }

  /** Heart or vessel of any kind, diabetes, kidney; not pressure, not lung. */
  private static boolean disease(Answers a) {
    return a.yes("heart.ever") || a.yes("sugar.diabetes") || a.yes("kidney.any");
  }

  static PulseFacts pulse(Answers a, boolean pregnant) {
    List<String> off = new ArrayList<>();
    boolean rate = a.yes("medicine.rate");
    why(off, rate, "a medicine slows the pulse");
    why(off, device(a), "a pacemaker or defibrillator");
    why(off, a.yes("heart.rhythm"), "a rhythm trouble such as atrial fibrillation");
    why(off, pregnant, "pregnancy");
    why(off, a.yes("heart.transplant"), "a heart transplant");
    why(off, a.yes("nerve.autonomic"), "nerve damage that upsets the pulse");
    why(
        off,
        a.yes("spine.injury") && !a.is("spine.level", "low"),
        "a spinal injury at T6 or above");
    LocalDate until = null;
    if (a.yes("heart.event")) {
      LocalDate date = a.date("heart.event.date");
      LocalDate end = (date == null ? a.today : date).plusWeeks(12);
      until = end.isBefore(a.today) ? null : end;
    }
    @Nullable Integer lowest =
        a.is("heart.device", "defibrillator") ? a.number("heart.device.rate") : null;
    return off.isEmpty() && until == null
        ? PulseFacts.NONE
        : new PulseFacts(off, rate, lowest, until);
  }

  private static boolean device(Answers a) {
    return a.is("heart.device", "pacemaker") || a.is("heart.device", "defibrillator");
  }

  private static void why(List<String> off, boolean holds, String words) {
    if (holds) {
      off.add(words);
    }
  }
}
