package riposo.core.limit;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntFunction;
import org.jspecify.annotations.Nullable;

/**
 * Conditions and the limits proposed for each, ADVISED unless the row is FIRM. What no axis can say
 * is kept as notes, shown wherever the limits are. Pregnancy depends on the week and is proposed by
 * {@link #pregnancy}.
 */
public enum Condition {
  UNSTEADY(
      "unsteady on the feet",
      "house rule: unsteady without a fall",
      notes(),
      row("balance.unsupported", 1, "wide stance at most without support"),
      row("balance.supported", 3, "held, one leg at most")),
  VERTEBRA(
      "broken vertebra",
      "Giangregorio 2014",
      notes("Lying down and up by rolling to the side only.", "Impact stays at 1."),
      row("spine.flexion.loaded", 0, "no loaded bend of the spine"),
      row("spine.rotation.loaded", 0, "no loaded turn of the spine"),
      row("spine.flexion.any", 1, "no end-range bend"),
      row("spine.rotation.any", 1, "no end-range turn"),
      row("impact", 1, "a foot always down or a quick step"),
      row("load.from-floor", 0, "nothing lifted from the floor"),
      row("act.lift-from-floor", 0, "nothing lifted from the floor"),
      row("act.bent-over-free", 0, "bent over only with a hand on support"),
      row("act.sit-up", 0, "no sit-ups"),
      row("balance.unsupported", 1, "wide stance at most without support")),
  HIP(
      "painful or worn hip",
      "house rule: painful or worn hip",
      notes("Pain-free bend and turn."),
      row("impact", 0, "no impact"),
      row("joint.hip-flexion.added", 90, "added weight only to 90° of hip bend to start"),
      row("act.crossing", 0, "no foot past the other"),
      row("joint.hip-adduction.any", 0, "the leg does not pass the midline"),
      row("balance.unsupported", 2, "one leg only with support")),
  FOOT(
      "painful ankle, foot or calf tendon",
      "house rule: ankle, foot, calf tendon",
      notes("Both feet together for heel raises first."),
      row("impact", 0, "no impact"),
      row("joint.ankle-dorsiflexion.loaded", 15, "ankle bend under load to 15° to start"),
      row("balance.unsupported", 2, "one leg only with support")),
  STENOSIS(
      "spinal stenosis",
      "house rule: spinal stenosis",
      notes("Seated breaks."),
      row("spine.extension.any", 0, "no arching")),
  SPINE_FUSED(
      "fused vertebrae",
      "house rule: spinal fusion",
      notes(),
      row("spine.flexion.any", 1, "no end-range bend"),
      row("spine.rotation.any", 1, "no end-range turn"),
      row("spine.side-bend.any", 1, "no end-range side bend"),
      row("spine.flexion.loaded", 0, "no loaded bend of the spine")),
  SHOULDER_OPERATED(
      "shoulder operation, cuff or full replacement",
      "house rule: after a shoulder operation",
      notes("The surgeon’s own weeks outrank these."),
      row("joint.shoulder-elevation.loaded", 90, "no arm overhead until cleared, empty or not"),
      row("bearing.arm", 10, "no push-off with that hand"),
      row("act.dip", 0, "no dips")),
  SHOULDER_OPERATED_NEW(
      "shoulder operation, first 12 weeks",
      "house rule: after a shoulder operation",
      notes("No active raising unless the surgeon says so."),
      firmFor(12, "joint.shoulder-elevation.loaded", 0, "no active raising, 12 weeks"),
      firmFor(12, "load.hand", 0, "no weight in that hand, 12 weeks"),
      firmFor(12, "bearing.arm", 0, "that arm bears no weight, 12 weeks"),
      firmFor(12, "joint.shoulder-extension.any", 0, "no arm behind the body, 12 weeks")),
  INFLAMED_JOINTS(
      "inflammatory joint disease or very loose joints",
      "house rule: inflamed or loose joints",
      notes("Mid range, no end-range holds."),
      row("spine.flexion.any", 1, "mid range"),
      row("spine.extension.any", 1, "mid range"),
      row("spine.rotation.any", 1, "mid range"),
      row("grip", 2, "firm grip at most"),
      row("effort", 6, "moderate effort")),
  INFLAMED_NECK(
      "inflamed or loose joints of the neck",
      "house rule: inflamed or loose joints",
      notes(),
      row("joint.neck.any", 20, "no neck end range"),
      row("head.back", 0, "the head is not tipped back"),
      row("head.turn", 0, "no turns of the head"),
      row("load.overhead", 0, "no weight overhead")),
  LIGHT_HEADED(
      "light-headed on standing, or nerve damage to pulse or pressure",
      "house rule: light-headed on standing",
      notes(
          "No quick rises; sit between lying and standing; a hand on support.",
          "Effort by talk, never by pulse."),
      row("pressure", 1, "light loads, normal breathing"),
      row("balance.unsupported", 1, "wide stance at most without support")),
  HEART_WALL(
      "aneurysm, valve, heart muscle or heart failure, once cleared",
      "house rule: heart and great vessels",
      notes(),
      row("effort", 4, "effort 4 at most"),
      row("pressure", 1, "light loads, normal breathing"),
      row("hold", 10, "still effort 10 s at most"),
      row("head.below-heart", 0, "head not below the heart"),
      row("session.work-per-rest", 100, "rest at least as long as work")),
  FOOT_ULCER(
      "foot ulcer or hot swollen foot",
      "NICE NG19",
      notes("Seen by the foot clinic within one working day."),
      row("bearing.leg", 0, "that foot carries nothing")),
  FISTULA(
      "dialysis arm",
      "house rule: dialysis",
      notes("No band or strap round that arm."),
      row("bearing.arm", 0, "no pressure on that arm"),
      row("load.hand", 0, "no weight in that hand until cleared")),
  BELLY_CATHETER(
      "dialysis through the belly",
      "house rule: dialysis",
      notes(),
      row("pressure", 1, "light loads, normal breathing")),
  STOMA(
      "stoma, or a hernia mesh in its first 12 weeks",
      "house rule: stoma, hernia mesh",
      notes("Load from the floor as cleared."),
      row("pressure", 1, "light loads, normal breathing"),
      row("act.sit-up", 0, "no sit-ups"),
      row("load.from-floor", 0, "nothing from the floor until cleared"),
      row("act.lift-from-floor", 0, "nothing from the floor until cleared")),
  PLATELETS(
      "low platelets",
      "house rule: low platelets",
      notes("No hard contact."),
      row("balance.unsupported", 1, "wide stance at most without support"),
      row("impact", 1, "a quick step at most"),
      row("act.band-latex", 0, "no band that may snap")),
  SEIZURES(
      "seizures, under control",
      "house rule: seizures",
      notes("Nobody works alone in water or on a step."),
      row("act.weight-over-face", 0, "no weight over the face"),
      row("balance.unsupported", 1, "wide stance at most without support")),
  BONE_SPREAD(
      "cancer in the bone",
      "house rule: bone metastases",
      notes("The limb or the spine is loaded only as cleared."),
      row("spine.flexion.loaded", 0, "no loaded bend of the spine"),
      row("spine.rotation.loaded", 0, "no loaded turn of the spine"),
      row("spine.flexion.any", 1, "no end-range bend"),
      row("spine.rotation.any", 1, "no end-range turn"),
      row("impact", 0, "no impact"),
      row("balance.unsupported", 1, "wide stance at most without support")),
  BONE_SPREAD_ARM(
      "cancer in the bone of an arm",
      "house rule: bone metastases",
      notes(),
      row("load.hand", 0, "no weight in the hand until cleared"),
      row("bearing.arm", 0, "that arm bears no weight until cleared")),
  BONE_SPREAD_LEG(
      "cancer in the bone of hip or leg",
      "house rule: bone metastases",
      notes(),
      row("act.one-leg-stance", 0, "no one-leg stance until cleared"),
      row("bearing.leg", 60, "that leg carries no more than its share until cleared"),
      row("joint.knee-flexion.added", 0, "no added weight through that leg until cleared"),
      row("joint.hip-flexion.added", 0, "no added weight through that leg until cleared")),
  FATIGUE_WORSE(
      "worse for a day or more after exertion",
      "NICE NG206",
      notes("Led by the specialist; a second check-in at 72 h."),
      row("effort", 3, "effort 3 at most until the specialist’s word")),
  LYMPH_LEG(
      "leg at risk of swelling",
      "house rule: cancer care",
      notes("Own weight first, one step at a time, watch for swelling."),
      row("joint.knee-flexion.added", 0, "no added weight through that leg to start"),
      row("joint.hip-flexion.added", 0, "no added weight through that leg to start")),
  TRUNK_NONE(
      "no trunk control",
      "house rule: trunk control",
      notes("Back support, a strap or one hand holding on in every seat."),
      row("trunk", 0, "back supported, strapped or one hand holding on")),
  TRUNK_PART(
      "some trunk control",
      "house rule: trunk control",
      notes(),
      row("trunk", 1, "reaching, turning and overhead only with the trunk supported")),
  LEG_FITTED(
      "leg prosthesis, worn",
      "house rule: amputation, limb difference",
      notes("That leg bears as fitted. Look at the skin after."),
      firm("act.foot-work", 0, "no work of a foot that is not there"),
      row("balance.unsupported", 0, "a hand on support first"),
      row("balance.supported", 1, "held, wide stance first")),
  EXPLAINED(
      "a symptom explained by a clinician and unchanged",
      "Riebe 2015",
      notes("New, worse, fainting or chest: stop, and ask anew.")),
  LOW_BONE_DENSITY(
      "low bone density",
      "Giangregorio 2014",
      notes("Rise from the floor by rolling to the side.", "Balance work twice a week or more."),
      row("spine.flexion.loaded", 0, "no loaded bend of the spine"),
      row("spine.rotation.loaded", 0, "no loaded turn of the spine"),
      row("spine.flexion.any", 1, "no end-range bend"),
      row("spine.rotation.any", 1, "no end-range turn"),
      row("impact", 1, "a quick step at most")),
  SHOULDER(
      "shoulder",
      "house rule: cuff and stiff shoulder",
      notes("Hands stay in view, in front of the body."),
      row("joint.shoulder-elevation.loaded", 80, "loaded arm stays below 80°"),
      row("act.dip", 0, "no dips"),
      row("act.upright-row", 0, "no upright row above the chest"),
      row("act.hands-out-of-view", 0, "hands stay in view")),
  SHOULDER_UNSTABLE(
      "unstable shoulder",
      "house rule: unstable shoulder",
      notes(),
      row("joint.shoulder-rotation.any", 0, "no arm out and turned outward")),
  SHOULDER_REVERSE(
      "reverse shoulder replacement",
      "house rule: reverse replacement",
      notes(),
      row("act.hands-behind", 0, "no hand behind the back"),
      row("joint.shoulder-extension.any", 0, "the arm does not go behind the body"),
      row("bearing.arm", 0, "that arm bears no weight, no push-off"),
      row("joint.shoulder-elevation.loaded", 90, "arm up to 90°, empty or not"),
      row("roll", 0, "no rolling over that side")),
  ELBOW_WRIST_HAND(
      "elbow, wrist or hand",
      "house rule: elbow, wrist, hand",
      notes("Fists, handles or forearms instead of flat hands."),
      row("joint.wrist-extension.loaded", 30, "wrist bent back 30° at most under load"),
      row("grip", 1, "light grip")),
  NECK(
      "neck",
      "house rule: neck",
      notes("No head-back circles, no hands pulling the head."),
      row("head.back", 0, "the head is not tipped back"),
      row("joint.shoulder-elevation.added", 90, "weights up to shoulder height")),
  LOW_BACK(
      "low-back pain",
      "house rule: low-back pain",
      notes("Ask at each session which direction hurts."),
      row("impact", 1, "a quick step at most"),
      row("act.bent-over-free", 0, "bent over only with a hand on support"),
      row("act.sit-up", 0, "no sit-ups"),
      row("hold", 20, "still effort 20 s at most")),
  LOW_BACK_BEND(
      "low back that hurts on bending",
      "house rule: low-back pain",
      notes(),
      row("spine.flexion.loaded", 0, "no loaded bend of the spine")),
  LOW_BACK_ARCH(
      "low back that hurts on arching",
      "house rule: low-back pain",
      notes(),
      row("spine.extension.any", 0, "no arching past neutral"),
      row("position.prone", 0, "not face down"),
      row("act.overhead-unbacked", 0, "overhead only with the back supported"),
      row("hold", 10, "planks and other still effort 10 s at most")),
  LOW_BACK_TURN(
      "low back that hurts on turning",
      "house rule: low-back pain",
      notes(),
      row("spine.rotation.loaded", 0, "no loaded turn of the spine")),
  LOW_BACK_UNCLEAR(
      "low back, direction not clear",
      "house rule: low-back pain",
      notes(),
      row("spine.flexion.loaded", 1, "no loaded end range"),
      row("spine.rotation.loaded", 1, "no loaded end range")),
  HIP_REPLACED(
      "hip replacement",
      "house rule: hip replacement",
      notes(),
      row("impact", 0, "no impact until cleared")),
  HIP_BACK(
      "hip replacement, back approach",
      "house rule: hip replacement",
      notes("Many surgeons now set none of these: record the surgeon's word."),
      firm("joint.hip-flexion.any", 90, "hip bend to 90° until the surgeon's word"),
      firm("joint.hip-adduction.any", 0, "the leg does not pass the midline"),
      firm("joint.hip-rotation.any", 0, "the hip is not turned inward"),
      firm("act.crossing", 0, "no foot past the other"),
      firm("surface.low-chair", 0, "the seat stays above knee height")),
  HIP_FRONT(
      "hip replacement, front approach",
      "house rule: hip replacement",
      notes("Many surgeons now set none of these: record the surgeon's word."),
      firm("joint.hip-extension.any", 0, "the leg does not go behind the body, turned out or not")),
  KNEE(
      "knee",
      "house rule: knee pain and tendon",
      notes("Prefer support and hips-back squats."),
      row("joint.knee-flexion.added", 60, "added weight only to 60° to start"),
      row(
          "joint.knee-flexion.loaded",
          90,
          "own weight to the pain-free range; set the degrees found"),
      row("impact", 0, "no impact"),
      row("kneel.bare", 0, "kneel only on a pad")),
  KNEE_REPLACED(
      "knee replacement",
      "house rule: knee replacement",
      notes("The range is the surgeon's to say."),
      row("position.kneeling", 0, "no kneeling until cleared"),
      row("position.half-kneeling", 0, "no kneeling until cleared"),
      row("position.all-fours", 0, "no kneeling until cleared"),
      row("impact", 0, "no impact"),
      row("act.pivot", 0, "no turning on a planted foot")),
  LEG_SPARED(
      "leg that carries nothing",
      "house rule: foot, ankle, cast",
      notes("Seated or lying. Do not let them carry weights to the chair."),
      firm("bearing.leg", 0, "that leg carries nothing"),
      row("surface.standing", 0, "seated or lying"),
      row("balance.unsupported", 0, "no balance on it")),
  ARM_SPARED(
      "arm that carries nothing",
      "house rule: cast, non-weight-bearing",
      notes("Do not let them carry weights to the chair."),
      firm("bearing.arm", 0, "that arm carries nothing"),
      row("load.hand", 0, "no weight in that hand"),
      row("grip", 0, "no grip with that hand")),
  PELVIC_FLOOR(
      "pelvic floor or belly wall",
      "house rule: pelvic floor, prolapse, hernia",
      notes("Breathe out on effort."),
      row("pressure", 1, "light loads, normal breathing"),
      row("impact", 0, "no impact"),
      row("act.sit-up", 0, "no sit-ups"),
      row("act.double-leg-lift", 0, "no lifting of both legs")),
  PELVIC_GIRDLE(
      "pelvic girdle pain",
      "house rule: pregnancy",
      notes("Both sides alike, small spread of the hips."),
      row("act.one-leg-stance", 0, "no one-leg stance"),
      row("position.one-leg", 0, "no one-leg position"),
      row("act.split-stance", 0, "no split stance"),
      row("act.uneven-legs", 0, "both sides alike"),
      row("act.wide-hips", 0, "small spread of the hips"),
      row("balance.unsupported", 1, "wide stance at most without support"),
      row("balance.supported", 1, "wide stance, held too")),
  AFTER_BIRTH(
      "after birth",
      "house rule: after birth",
      notes("Leak, heaviness, bulge or pain: ease."),
      row("pressure", 1, "light loads, normal breathing")),
  AFTER_BIRTH_UNCHECKED(
      "after birth, before the check",
      "house rule: after birth",
      notes("Breathing, pelvic floor, mobility and walking need no clearance if well."),
      row("load.total", 5000, "5 kg in all until the check"),
      row("act.sit-up", 0, "no loaded sit-up until the check")),
  CAESAREAN(
      "caesarean",
      "house rule: after birth",
      notes(),
      rowFor(12, "load.total", 10_000, "nothing over 10 kg before week 12")),
  BIRTH_IMPACT(
      "impact after birth",
      "Goom 2019",
      notes("Impact opens only after week 12, symptom-free and after an assessment."),
      firm("impact", 0, "no impact until assessed after week 12, never automatically")),
  HIGH_PRESSURE(
      "high blood pressure",
      "house rule: high blood pressure",
      notes("Rise slowly."),
      row("pressure", 1, "light loads, normal breathing"),
      row("hold", 20, "still effort 20 s at most"),
      row("effort", 6, "moderate effort"),
      row("head.below-heart", 0, "head not below the heart")),
  HEART_EVENT(
      "heart condition, after an event",
      "house rule: heart condition",
      notes("Warm-up 15 min, cool-down 10 min: a shorter one is refused."),
      row("effort", 4, "effort 4 at most"),
      row("pressure", 1, "light loads, normal breathing"),
      row("session.work-per-rest", 100, "rest at least as long as work"),
      firm("session.warm-up", 60 - 15, "warm-up 15 min at least"),
      firm("session.cool-down", 60 - 10, "cool-down 10 min at least")),
  STERNOTOMY(
      "opened breastbone",
      "house rule: sternotomy",
      notes("Both hands together; empty arms up together in comfort; no push-off with the hands."),
      firmFor(12, "load.total", 4500, "4.5 kg in total, 12 weeks"),
      firmFor(12, "act.one-handed-load", 0, "both hands together, 12 weeks"),
      firmFor(12, "act.press-still", 0, "no press or squeeze against what does not move"),
      firmFor(12, "joint.shoulder-rotation.any", 30, "small turns of the arm, 12 weeks"),
      firmFor(12, "surface.floor", 0, "no floor, 12 weeks"),
      firmFor(12, "joint.shoulder-elevation.added", 90, "weights up to 90°, 12 weeks"),
      firmFor(12, "joint.shoulder-extension.any", 20, "no end-range arm behind the body"),
      firmFor(12, "bearing.arm", 0, "the arms bear no weight, no push-off, 12 weeks"),
      firmFor(12, "act.dip", 0, "no push-off with the hands, 12 weeks")),
  DEVICE_NEW(
      "new pacemaker or defibrillator",
      "house rule: new device",
      notes(),
      firmFor(6, "joint.shoulder-elevation.any", 90, "that arm not above the shoulder, 6 weeks"),
      firmFor(6, "load.hand", 4500, "4.5 kg at most in that hand, 6 weeks")),
  CLOT(
      "clot or blood thinner",
      "house rule: clot, blood thinner",
      notes("No fall risk, no hard contact."),
      row("balance.unsupported", 2, "one leg only with support"),
      row("impact", 1, "a quick step at most")),
  DIABETES(
      "diabetes",
      "house rule: diabetes",
      notes("Shoes on; look at the feet after. Sugar at hand.")),
  DIABETES_FEET(
      "numb feet",
      "house rule: diabetes and neuropathy",
      notes("Shoes on; look at the feet after."),
      row("impact", 0, "no impact"),
      row("balance.unsupported", 1, "wide stance at most without support"),
      row("balance.supported", 3, "held, one leg at most")),
  DIABETES_EYES(
      "proliferative eye disease, recent laser or eye operation",
      "house rule: diabetes",
      notes(),
      row("pressure", 1, "light loads, normal breathing"),
      row("hold", 10, "still effort 10 s at most"),
      row("head.below-heart", 0, "head not below the heart"),
      row("impact", 0, "no impact")),
  LUNG(
      "lung disease",
      "house rule: lung disease",
      notes("Arms overhead only in short bouts.", "Rest when saturation drops below 88 %."),
      row("session.work-per-rest", 100, "rest at least as long as work"),
      row("breathlessness", 4, "breathlessness 4 of 10 at most")),
  PARKINSON(
      "Parkinson",
      "house rule: Parkinson",
      notes("Big amplitude. Time the session with the medicine. Ask for light-headedness."),
      row("impact", 0, "no impact"),
      row("balance.unsupported", 1, "wide stance at most without support"),
      row("balance.supported", 3, "held, one leg at most"),
      row("transfer.floor", 0, "no floor until getting down and up is trained"),
      row("complexity", 1, "simple at first")),
  STROKE(
      "stroke",
      "house rule: stroke",
      notes(),
      row("impact", 0, "no impact"),
      row("balance.unsupported", 1, "wide stance at most without support"),
      row("balance.supported", 3, "held, one leg at most"),
      row("transfer.floor", 0, "no floor until getting down and up is trained"),
      row("pressure", 1, "light loads, normal breathing")),
  STROKE_SIDE(
      "weak side after stroke",
      "house rule: stroke",
      notes("No pull-down with the weak arm."),
      row("grip", 1, "light grip on the weak side"),
      row("load.hand", 1000, "1 kg to start on the weak side"),
      row("bearing.arm", 10, "the weak arm bears 10 % at most"),
      row("joint.shoulder-elevation.any", 90, "weak arm not overhead"),
      row("bearing.leg", 60, "no one-leg stance on the weak side")),
  MULTIPLE_SCLEROSIS(
      "multiple sclerosis",
      "house rule: multiple sclerosis",
      notes("Cool room, rests. Balance support late in the session."),
      row("impact", 1, "a quick step at most"),
      row("session.minutes", 30, "30 minutes to start"),
      row("balance.unsupported", 1, "wide stance at most without support")),
  FATIGUE(
      "fatigue that is worse the day after",
      "house rule: fatigue",
      notes("No stepping up; a second check-in at 72 h."),
      row("session.minutes", 15, "5 to 15 minutes to start"),
      row("session.week", 2, "once or twice a week"),
      row("session.work-per-rest", 100, "rest at least as long as work"),
      row("effort", 5, "effort 5 at most")),
  LYMPH_ARM(
      "arm at risk of swelling",
      "house rule: cancer care",
      notes("Start lightest, add one step at a time, watch for swelling."),
      row("load.hand", 500, "the lightest to start, one step at a time"),
      row("bearing.arm", 10, "that arm bears 10 % at most to start")),
  NEUROPATHY(
      "numbness after treatment",
      "house rule: cancer care",
      notes(),
      row("impact", 0, "no impact"),
      row("balance.unsupported", 1, "wide stance at most without support"),
      row("balance.supported", 3, "held, one leg at most")),
  PORT(
      "port under the skin",
      "house rule: cancer care",
      notes("No pressure on the port."),
      row("position.prone", 0, "not face down on the port"),
      row("act.belly-down", 0, "no weight on the chest")),
  WHEELCHAIR(
      "wheelchair",
      "house rule: wheelchair user",
      notes("Own wheelchair counts as chair, brakes on. Trunk support."),
      row("session.push-over-pull", 0, "at least as much pull as push"),
      row("session.overhead", 1, "one slot overhead at most, those for the pulse counted in"),
      row("surface.standing", 0, "from the wheelchair"),
      row("transfer.floor", 0, "no floor unless transfers are trained")),
  NO_LEG_FUNCTION(
      "no leg function",
      "house rule: wheelchair user",
      notes(),
      firm("act.leg-work", 0, "no seated leg work is offered"),
      firm("act.stand-up", 0, "no standing up from a seat")),
  SPINE_HIGH(
      "spinal injury at T6 or above",
      "house rule: wheelchair user",
      notes(
          "Dysreflexia: pounding headache, flushing or sweating above the injury. Sit up, loosen all that is tight, look for the cause, call the emergency number.")),
  LEG_LOST(
      "leg lost or different",
      "house rule: amputation, limb difference",
      notes("Seated or lying while no prosthesis is worn."),
      row("bearing.leg", 0, "that leg is not used unless fitted"),
      row("surface.standing", 0, "seated or lying without the prosthesis"),
      row("joint.knee-flexion.any", 0, "no work of a knee that is not there; lift it where it is"),
      firm("act.foot-work", 0, "no work of a foot that is not there")),
  ARM_LOST(
      "arm lost or different",
      "house rule: amputation, limb difference",
      notes("That limb is not used, or with a strap."),
      row("bearing.arm", 0, "that arm is not used"),
      row("load.hand", 0, "no weight in that hand unless with a strap"),
      row("grip", 0, "no grip unless with a strap"),
      firm("joint.wrist-extension.any", 0, "no work of a hand that is not there")),
  LOW_SENSES(
      "low vision or hearing",
      "house rule: low vision, hearing",
      notes("One cue at a time, large cards, no balance work on spoken cue alone."),
      row("complexity", 1, "one cue at a time")),
  MEMORY(
      "memory loss",
      "house rule: memory loss",
      notes("Same order every time; show, do not list."),
      row("complexity", 1, "simple movements")),
  FALLS(
      "falls",
      "house rule: frailty and falls",
      notes("Start at the chair."),
      row("impact", 0, "no impact"),
      row("balance.unsupported", 1, "wide stance at most without support"),
      row("balance.supported", 3, "held, one leg at most"),
      row("transfer.floor", 0, "no floor until getting down and up is trained")),
  FRAIL(
      "frailty",
      "house rule: frailty and falls",
      notes("Start at the chair. Raise the held cap when steady."),
      row("impact", 0, "no impact"),
      row("balance.unsupported", 1, "wide stance at most without support"),
      row("balance.supported", 2, "held, narrow stance at most"),
      row("transfer.floor", 0, "no floor until getting down and up is trained")),
  EYES(
      "glaucoma or retinal disease",
      "house rule: glaucoma, retina",
      notes(),
      row("head.below-heart", 0, "head not below the heart"),
      row("pressure", 1, "light loads, normal breathing"),
      row("hold", 20, "no long holds"),
      row("impact", 0, "no impact")),
  VERTIGO(
      "vertigo",
      "house rule: vertigo",
      notes("Lying down only reclined, no quick turns."),
      row("head.back", 0, "the head is not tipped back"),
      row("head.turn", 0, "no quick turns of the head"),
      row("roll", 0, "no rolling"),
      row("position.supine", 0, "lying only reclined"),
      row("position.prone", 0, "lying only reclined"),
      row("position.side-lying", 0, "lying only reclined"),
      row("impact", 0, "no impact"),
      row("balance.unsupported", 1, "wide stance at most without support"),
      row("balance.supported", 2, "held, narrow stance at most"),
      row("transfer.floor", 0, "no floor until getting down and up is trained")),
  REFLUX(
      "reflux or breathless lying",
      "house rule: reflux",
      notes("Reclined is allowed, head and trunk 30° up or more."),
      row("position.supine", 0, "not flat on the back")),
  LATEX(
      "latex allergy",
      "house rule: latex allergy",
      notes(),
      row("act.band-latex", 0, "bands marked latex off")),
  MODERATE_ONLY(
      "moderate effort until cleared for more",
      "Riebe 2015",
      notes(),
      row("effort", 6, "moderate: effort 6 at most"));

  /**
   * One default: an axis, its cap, and why.
   *
   * @param weeks how long after the event it holds; null for as long as the condition
   */
  record Row(String axisId, int cap, String why, Strength strength, @Nullable Integer weeks) {}

  public final String words;
  public final String source;

  /** What to keep in mind that no axis can say. */
  public final List<String> notes;

  private final List<Row> rows;

  Condition(String words, String source, List<String> notes, Row... rows) {
    this.words = words;
    this.source = source;
    this.notes = notes;
    this.rows = List.of(rows);
  }

  private static List<String> notes(String... notes) {
    return List.of(notes);
  }

  private static Row row(String axisId, int cap, String why) {
    return new Row(axisId, cap, why, Strength.ADVISED, null);
  }

  private static Row rowFor(int weeks, String axisId, int cap, String why) {
    return new Row(axisId, cap, why, Strength.ADVISED, weeks);
  }

  private static Row firm(String axisId, int cap, String why) {
    return new Row(axisId, cap, why, Strength.FIRM, null);
  }

  private static Row firmFor(int weeks, String axisId, int cap, String why) {
    return new Row(axisId, cap, why, Strength.FIRM, weeks);
  }

  /**
   * The proposals of this condition; sided axes take the side, the others BOTH. Review in 12 weeks.
   */
  public List<Proposal> proposals(Side side, LocalDate today) {
    return proposals(side, today, today);
  }

  /**
   * The proposals of this condition after an event: rows that hold for some weeks after it end with
   * them, and are left out when that is past.
   *
   * @param since the day of the event, not after today
   */
  public List<Proposal> proposals(Side side, LocalDate today, LocalDate since) {
    List<Proposal> list = new ArrayList<>();
    for (Row r : rows) {
      LocalDate until = r.weeks() == null ? null : since.plusWeeks(r.weeks());
      if (until == null || !until.isBefore(today)) {
        list.add(
            proposal(
                words,
                source,
                r,
                side,
                today,
                until,
                until == null || until.isAfter(today.plusWeeks(12)) ? today.plusWeeks(12) : until));
      }
    }
    return list;
  }

  /** The pulse cap of a defibrillator: its lowest treatment rate less 20, FIRM (house rule). */
  public static Proposal devicePulse(int lowestRate, LocalDate today) {
    return proposal(
        "defibrillator",
        "house rule: heart-rate guidance",
        new Row(
            "pulse",
            Math.min(Axis.PULSE.greatest, Math.max(0, lowestRate - 20)),
            "20 below the device's lowest rate of " + lowestRate + " bpm",
            Strength.FIRM,
            null),
        Side.BOTH,
        today,
        null,
        today.plusWeeks(12));
  }

  /**
   * Proposals in pregnancy by week, with the calendar school's 16+0 for lying flat. Dates already
   * past begin today; all end six weeks after the due date, when a new screening is due. Prone from
   * 14+0 at the latest and a light-load cap from 36+0 are the house's cautious reading of "when the
   * belly touches" and "the last weeks".
   *
   * @param weekBegins the first day of a week, for example week 16
   * @param flatSymptoms light-headed or unwell when flat: flat is off at once
   * @param bellyTouches prone is off at once
   */
  public static List<Proposal> pregnancy(
      IntFunction<LocalDate> weekBegins,
      LocalDate due,
      boolean flatSymptoms,
      boolean bellyTouches,
      LocalDate today) {
    String source = "SOGC/CSEP 2019";
    LocalDate until = due.plusWeeks(6);
    LocalDate end = until.isBefore(today) ? today : until;
    List<Proposal> list = new ArrayList<>();
    record Dated(Row row, int week) {}
    for (Dated d :
        List.of(
            new Dated(row("pressure", 1, "light loads, normal breathing"), 0),
            new Dated(row("impact", 1, "a quick step at most"), 0),
            new Dated(row("effort", 6, "effort 6 at most, talking in sentences"), 0),
            new Dated(
                row("position.prone", 0, "not face down once the belly touches"),
                bellyTouches ? 0 : 14),
            new Dated(
                row("act.belly-down", 0, "no weight on the belly once it touches"),
                bellyTouches ? 0 : 14),
            new Dated(
                row(
                    "position.supine",
                    0,
                    flatSymptoms
                        ? "unwell when flat: off for this pregnancy"
                        : "not flat on the back from 16+0 (calendar school)"),
                flatSymptoms ? 0 : 16),
            new Dated(row("balance.unsupported", 2, "no free one-leg balance from 20+0"), 20),
            new Dated(row("load.hand", 3000, "light load for the last weeks, from 36+0"), 36))) {
      LocalDate from = weekBegins.apply(d.week());
      from = from.isBefore(today) ? today : from;
      list.add(proposal("pregnancy", source, d.row(), Side.BOTH, from, end, end));
    }
    return list;
  }

  private static Proposal proposal(
      String condition,
      String source,
      Row r,
      Side side,
      LocalDate from,
      @Nullable LocalDate until,
      LocalDate review) {
    Side s = Axis.of(r.axisId()).sided ? side : Side.BOTH;
    return new Proposal(
        condition + "/" + r.axisId() + "/" + s,
        condition,
        r.axisId(),
        s,
        r.cap(),
        r.strength(),
        source,
        r.why(),
        from,
        until,
        review);
  }
}
