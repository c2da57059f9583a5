package riposo.core.screening;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Condition;
import riposo.core.limit.Side;

/** Pregnancy, birth and belly, cancer care, fatigue, eyes and allergy. */
final class LifeRules {
  private LifeRules() {}

  static void apply(Report r) {
    Answers a = r.a;
    r.limits(
        "pelvic.floor",
        Condition.PELVIC_FLOOR,
        Side.BOTH,
        "Pelvic floor or belly wall: no strain, no impact, breathe out on effort.");
    if (a.yes("reflux") || a.yes("sign.breath")) {
      r.find(
          "standing.reflux",
          Outcome.READY_WITH_LIMITS,
          "Reflux or breathless lying: not flat, reclined is fine.",
          Condition.REFLUX.source,
          a.yes("reflux") ? "reflux" : "sign.breath");
      r.propose(Condition.REFLUX, Side.BOTH, a.today);
    }
    r.on(
        "cancer.now",
        "standing.cancer-now",
        Outcome.ASK_FIRST,
        "Chemotherapy or radiotherapy now: ask the treating team first.",
        Report.HOUSE);
    r.on(
        "cancer.bone",
        "standing.cancer-bone",
        Outcome.ASK_FIRST,
        "Cancer in the bone: ask the treating team first.",
        Report.HOUSE);
    if (a.yes("cancer.bone")) {
      r.propose(Condition.BONE_SPREAD, Side.BOTH, a.today);
      boolean unknown = !a.is("cancer.bone.place", "spine");
      if (unknown && !a.is("cancer.bone.place", "leg")) {
        r.propose(Condition.BONE_SPREAD_ARM, Side.BOTH, a.today);
      }
      if (unknown && !a.is("cancer.bone.place", "arm")) {
        r.propose(Condition.BONE_SPREAD_LEG, Side.BOTH, a.today);
      }
    }
    if (a.yes("cancer.nodes")) {
      if (!a.surely("cancer.assessed")) {
        r.find(
            "standing.lymph",
            Outcome.ASK_FIRST,
            "A limb at risk of swelling, not assessed yet: ask first.",
            Report.HOUSE,
            "cancer.assessed");
      }
      r.find(
          "standing.cancer.nodes",
          Outcome.READY_WITH_LIMITS,
          "A limb at risk of swelling: start lightest, one step at a time.",
          Condition.LYMPH_ARM.source,
          "cancer.nodes");
      if (!a.is("cancer.limb", "leg")) {
        r.propose(Condition.LYMPH_ARM, a.side("cancer.side"), a.today);
      }
      if (!a.is("cancer.limb", "arm")) {
        r.propose(Condition.LYMPH_LEG, a.side("cancer.side"), a.today);
      }
    }
    r.limits("cancer.numb", Condition.NEUROPATHY, Side.BOTH, "Numbness: support for balance.");
    r.limits("cancer.port", Condition.PORT, Side.BOTH, "A port: no pressure on it.");
    r.limits(
        "fatigue.after",
        Condition.FATIGUE,
        Side.BOTH,
        "Worse the day after exertion: short, restful, no stepping up.");
    r.on(
        "fatigue.after",
        "standing.fatigue-worse",
        Outcome.ASK_FIRST,
        "Worse for a day or more after exertion: the specialist leads, effort 3 at most until then.",
        Condition.FATIGUE_WORSE.source);
    if (a.yes("fatigue.after")) {
      r.propose(Condition.FATIGUE_WORSE, Side.BOTH, a.today);
    }
    r.limits(
        "belly.stoma",
        Condition.STOMA,
        Side.BOTH,
        "Stoma or a new hernia mesh: light loads, no sit-ups.");
    r.on(
        "unexplained",
        "standing.unexplained",
        Outcome.ASK_FIRST,
        "Weight loss, fever or new night pain without a cause: ask first.",
        Report.HOUSE);
    r.on(
        "eyes.retina",
        "standing.retina",
        Outcome.ASK_FIRST,
        "Retinal surgery or proliferative retinopathy: ask first.",
        Report.HOUSE);
    boolean retina = a.yes("eyes.retina");
    if (retina || a.yes("eyes.disease")) {
      r.find(
          "standing.eyes",
          Outcome.READY_WITH_LIMITS,
          "Eyes: head not below the heart, no strain, no long holds.",
          Condition.EYES.source,
          null);
      r.propose(Condition.EYES, Side.BOTH, a.today);
      if (retina || a.yes("sugar.diabetes")) {
        r.propose(Condition.DIABETES_EYES, Side.BOTH, a.today);
      }
    }
    r.limits(
        "vertigo",
        Condition.VERTIGO,
        Side.BOTH,
        "Vertigo: head not tipped back, no quick turns, no rolling, lying only reclined.");
    r.limits(
        "senses.low", Condition.LOW_SENSES, Side.BOTH, "Poor sight or hearing: one cue at a time.");
    r.limits("latex", Condition.LATEX, Side.BOTH, "Latex allergy: no latex bands.");
  }

  /** The gestation when pregnant and the date can be right. */
  static @Nullable Gestation pregnancy(Report r) {
    Answers a = r.a;
    if (!a.yes("pregnancy.now")) {
      return null;
    }
    Gestation g = null;
    LocalDate due = Screening.due(a);
    if (due != null) {
      try {
        g = Gestation.on(a.today, due);
      } catch (IllegalArgumentException e) {
        a.errors.put(
            a.answered("pregnancy.due") ? "pregnancy.due" : "pregnancy.weeks",
            String.valueOf(e.getMessage()));
      }
    }
    for (String id : new String[] {"pregnancy.absolute", "pregnancy.illness"}) {
      r.on(
          id,
          "standing." + id.replace("pregnancy.", "pregnancy-"),
          Outcome.CLEARANCE_ONLY,
          id.endsWith("illness")
              ? "Pregnancy with an illness out of control: only the maternity team's clearance opens strength work."
              : "Pregnancy with a listed complication: only the maternity team's clearance opens strength work.",
          Report.SOGC);
    }
    // Before week 28 no source says more on these two; asking is the safer reading.
    boolean late = g == null || g.days() >= 28 * 7;
    r.on(
        "pregnancy.praevia",
        "standing.pregnancy-praevia",
        late ? Outcome.CLEARANCE_ONLY : Outcome.ASK_FIRST,
        late
            ? "Low-lying placenta from 28+0: only the maternity team's clearance opens strength work."
            : "Low-lying placenta: ask midwife or doctor first; from 28+0 only a clearance opens.",
        Report.SOGC);
    r.on(
        "pregnancy.twins",
        "standing.pregnancy-twins",
        late ? Outcome.ASK_FIRST : Outcome.READY_WITH_LIMITS,
        late ? "Twins from 28+0: ask midwife or doctor first." : "Twins: ask first from 28+0.",
        Report.SOGC);
    r.on(
        "pregnancy.relative",
        "standing.pregnancy-relative",
        Outcome.ASK_FIRST,
        "Pregnancy with a point to discuss: ask midwife or doctor first.",
        Report.SOGC);
    r.limits(
        "pregnancy.girdle",
        Condition.PELVIC_GIRDLE,
        Side.BOTH,
        "Pelvic girdle pain: both sides alike, small hip spread.");
    if (g != null) {
      r.find(
          "standing.pregnancy",
          Outcome.READY_WITH_LIMITS,
          "Pregnant, " + g + " weeks: limits by week, talk test leads.",
          Report.SOGC,
          "pregnancy.now");
      r.proposals.addAll(
          Condition.pregnancy(
              g::weekBegins, g.due(), a.yes("pregnancy.flat"), a.yes("pregnancy.belly"), a.today));
      r.notes.add(
          new CareNote(
              "pregnancy",
              "Room for the belly: wider feet, higher hands. No overheating.",
              Report.SOGC));
    }
    return g;
  }

  /** True within 6 weeks after the birth, its last day included. */
  static boolean birth(Report r) {
    Answers a = r.a;
    if (!a.yes("birth.recent")) {
      return false;
    }
    LocalDate date = a.date("birth.date");
    LocalDate born = date == null ? a.today : date;
    boolean within = !born.plusWeeks(6).isBefore(a.today);
    boolean checked = a.surely("birth.check");
    if (!checked) {
      r.find(
          "standing.birth",
          Outcome.ASK_FIRST,
          (within ? "Birth within 6 weeks" : "The check after the birth is not recorded")
              + ": strength waits for it; breathing, pelvic floor, mobility and walking are fine if well.",
          Report.HOUSE,
          "birth.recent",
          date);
      r.propose(Condition.AFTER_BIRTH_UNCHECKED, Side.BOTH, born);
    }
    r.on(
        "birth.tear",
        "standing.birth-tear",
        Outcome.ASK_FIRST,
        "A third- or fourth-degree tear: ask first.",
        Report.HOUSE);
    if (a.yes("birth.caesarean")) {
      r.propose(Condition.CAESAREAN, Side.BOTH, born);
    }
    r.find(
        "standing.after-birth",
        Outcome.READY_WITH_LIMITS,
        "After birth: no strain, no impact before week 12 and an assessment.",
        Report.HOUSE,
        "birth.recent");
    r.propose(Condition.AFTER_BIRTH, Side.BOTH, born);
    r.propose(Condition.BIRTH_IMPACT, Side.BOTH, born);
    r.limits(
        "birth.signs",
        Condition.PELVIC_FLOOR,
        Side.BOTH,
        "Leak, heaviness, bulge or pain after birth: ease, no strain.");
    return within;
  }
}
