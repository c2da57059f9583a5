package riposo.core.screening;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Condition;
import riposo.core.limit.Side;

/** Bones, joints, operations, nerves, falls, wheelchair and limbs. */
final class BodyRules {
  private BodyRules() {}

  static void apply(Report r) {
    Answers a = r.a;
    r.limits(
        "bone.low",
        Condition.LOW_BONE_DENSITY,
        Side.BOTH,
        "Low bone density: no loaded or end-range bend or turn; rise from the floor by rolling to the side.");
    if (a.yes("medicine.steroid")) {
      r.limits(
          "medicine.steroid",
          Condition.LOW_BONE_DENSITY,
          Side.BOTH,
          "Steroids for 3 months or more count as low bone density.");
    }
    r.limits(
        "bone.vertebra",
        Condition.VERTEBRA,
        Side.BOTH,
        "A broken vertebra: nothing lifted from the floor, no sit-ups, lying down by the roll.");
    r.on(
        "bone.back",
        "standing.bone-back",
        Outcome.ASK_FIRST,
        "New back pain with low bone density or steroids: ask first.",
        Report.HOUSE);
    shoulder(r);
    r.limits(
        "arm.pain",
        Condition.ELBOW_WRIST_HAND,
        a.side("arm.side"),
        "Elbow, wrist or hand: light grip, wrist nearly straight under load.");
    r.limits(
        "neck.pain",
        Condition.NECK,
        Side.BOTH,
        "Neck: no head-back circles, weights to shoulder height.");
    r.limits(
        "back.pain",
        Condition.LOW_BACK,
        Side.BOTH,
        "Low back: a hand on support when bent over, no sit-ups"
            + switch (a.choice("back.direction")) {
              case "bend" -> "; bending hurts more.";
              case "arch" -> "; arching hurts more.";
              case "turn" -> "; turning hurts more.";
              default -> "; the direction is not clear.";
            });
    if (a.yes("back.pain")) {
      r.propose(
          switch (a.choice("back.direction")) {
            case "bend" -> Condition.LOW_BACK_BEND;
            case "arch" -> Condition.LOW_BACK_ARCH;
            case "turn" -> Condition.LOW_BACK_TURN;
            default -> Condition.LOW_BACK_UNCLEAR;
          },
          Side.BOTH,
          a.today);
    }
    r.limits(
        "back.stenosis",
        Condition.STENOSIS,
        Side.BOTH,
        "Spinal stenosis: no arching, seated breaks.");
    r.limits("back.fusion", Condition.SPINE_FUSED, Side.BOTH, "Fused vertebrae: no end range.");
    r.limits(
        "back.disc", Condition.LOW_BACK, Side.BOTH, "A disc operation: as a low back that hurts.");
    if (a.yes("back.disc")) {
      r.propose(Condition.LOW_BACK_BEND, Side.BOTH, a.today);
    }
    r.limits(
        "hip.pain",
        Condition.HIP,
        a.side("hip.pain.side"),
        "Hip: no impact, no crossing, added weight to 90° of bend.");
    r.limits(
        "foot.pain",
        Condition.FOOT,
        a.side("foot.pain.side"),
        "Ankle, foot or calf tendon: no impact, ankle bend as far as free of pain.");
    inflamed(r);
    hip(r);
    r.limits(
        "knee.pain",
        Condition.KNEE,
        a.side("knee.side"),
        "Knee: limited loaded bend, no impact, pad to kneel.");
    r.limits(
        "knee.replaced",
        Condition.KNEE_REPLACED,
        a.side("knee.replaced.side"),
        "Replaced knee"
            + switch (a.side("knee.replaced.side")) {
              case LEFT -> ", left";
              case RIGHT -> ", right";
              case BOTH -> "";
            }
            + ": no kneeling until cleared, no impact, no turning on a planted foot.");
    if (operated(a)) {
      r.find(
          "standing.operation",
          Outcome.ASK_FIRST,
          "Operation or fracture in the last 12 weeks: ask the surgeon first.",
          Report.HOUSE,
          a.yes("operation.recent") ? "operation.recent" : "shoulder.date",
          latest(a.date("operation.date"), a.date("shoulder.date")));
    }
    if (a.yes("limb.spared")) {
      boolean arm = a.is("limb.which", "arm");
      // until it is known which, both are held back
      boolean leg = a.is("limb.which", "leg") || !arm;
      r.find(
          "standing.limb.spared",
          Outcome.READY_WITH_LIMITS,
          "A limb that carries nothing: seated or lying, nothing through it.",
          Condition.LEG_SPARED.source,
          "limb.spared");
      if (leg) {
        r.propose(Condition.LEG_SPARED, a.side("limb.side"), a.today);
      }
      if (arm || !a.is("limb.which", "leg")) {
        r.propose(Condition.ARM_SPARED, a.side("limb.side"), a.today);
      }
    }
    wheelchair(r);
    nerves(r);
  }

  /** An operation or fracture in the last 12 weeks; an unknown date counts as recent. */
  static boolean operated(Answers a) {
    return a.yes("operation.recent") && recent(a, "operation.date")
        || shoulderOperated(a) && recent(a, "shoulder.date");
  }

  private static boolean recent(Answers a, String dateId) {
    LocalDate on = a.date(dateId);
    return on == null || !on.isBefore(a.today.minusWeeks(12));
  }

  private static boolean shoulderOperated(Answers a) {
    return a.yes("shoulder.pain")
        && (a.is("shoulder.kind", "cuff")
            || a.is("shoulder.kind", "full")
            || a.is("shoulder.kind", "reverse"));
  }

  /** The later of two dates; null when one that may count is not known. */
  private static @Nullable LocalDate latest(@Nullable LocalDate a, @Nullable LocalDate b) {
    return a == null ? b : b == null || a.isAfter(b) ? a : b;
  }

  private static void inflamed(Report r) {
    Answers a = r.a;
    r.limits(
        "joint.inflamed",
        Condition.INFLAMED_JOINTS,
        Side.BOTH,
        "Inflamed or very loose joints: mid range, no end-range holds.");
    if (a.yes("joint.inflamed.neck")) {
      r.find(
          "standing.inflamed-neck",
          Outcome.ASK_FIRST,
          "Inflamed or loose joints of the neck: ask first.",
          Report.HOUSE,
          "joint.inflamed.neck");
      r.propose(Condition.INFLAMED_NECK, Side.BOTH, a.today);
    }
  }

  /** A spinal injury at T6 or above, or at a height not known. */
  static boolean highSpine(Answers a) {
    return a.yes("spine.injury") && !a.is("spine.level", "low");
  }

  private static void shoulder(Report r) {
    Answers a = r.a;
    Side side = a.side("shoulder.side");
    r.limits("shoulder.pain", Condition.SHOULDER, side, "Shoulder: loaded arm below 80°, no dips.");
    if (a.is("shoulder.kind", "unstable")) {
      r.propose(Condition.SHOULDER_UNSTABLE, side, a.today);
    }
    if (a.is("shoulder.kind", "cuff") || a.is("shoulder.kind", "full")) {
      r.propose(Condition.SHOULDER_OPERATED, side, a.today);
    }
    if (shoulderOperated(a)) {
      LocalDate on = a.date("shoulder.date");
      r.propose(Condition.SHOULDER_OPERATED_NEW, side, on == null ? a.today : on);
    }
    if (a.is("shoulder.kind", "reverse")) {
      r.propose(Condition.SHOULDER_REVERSE, side, a.today);
    }
  }

  private static void hip(Report r) {
    Answers a = r.a;
    if (!a.yes("hip.replaced") || a.surely("hip.free")) {
      return;
    }
    r.find(
        "standing.hip.replaced",
        Outcome.READY_WITH_LIMITS,
        "Replaced hip: firm limits by approach until the surgeon's word"
            + (a.is("hip.approach", "back") || a.is("hip.approach", "front")
                ? "."
                : "; approach not known, both sets."),
        Condition.HIP_BACK.source,
        "hip.replaced");
    r.propose(Condition.HIP_REPLACED, a.side("hip.side"), a.today);
    if (!a.is("hip.approach", "front")) {
      r.propose(Condition.HIP_BACK, a.side("hip.side"), a.today);
    }
    if (!a.is("hip.approach", "back")) {
      r.propose(Condition.HIP_FRONT, a.side("hip.side"), a.today);
    }
  }

  private static void wheelchair(Report r) {
    Answers a = r.a;
    r.limits(
        "wheelchair",
        Condition.WHEELCHAIR,
        Side.BOTH,
        "Trains in the wheelchair: brakes on, pull as much as push.");
    if (a.yes("wheelchair") || a.yes("spine.injury")) {
      if (!a.surely("wheelchair.legs")) {
        r.propose(Condition.NO_LEG_FUNCTION, Side.BOTH, a.today);
      }
      if (!a.is("trunk.control", "full")) {
        r.propose(
            a.is("trunk.control", "some") ? Condition.TRUNK_PART : Condition.TRUNK_NONE,
            Side.BOTH,
            a.today);
      }
    }
    if (a.yes("limb.lost")) {
      r.find(
          "standing.limb.lost",
          Outcome.READY_WITH_LIMITS,
          "A limb lost or different: not used, or with a strap.",
          Condition.LEG_LOST.source,
          "limb.lost");
      if (!a.is("limb.lost.which", "arm")) {
        r.propose(
            a.surely("limb.prosthesis") ? Condition.LEG_FITTED : Condition.LEG_LOST,
            a.side("limb.lost.side"),
            a.today);
      }
      if (!a.is("limb.lost.which", "leg")) {
        r.propose(Condition.ARM_LOST, a.side("limb.lost.side"), a.today);
      }
    }
  }

  private static void nerves(Report r) {
    Answers a = r.a;
    r.limits("parkinson", Condition.PARKINSON, Side.BOTH, "Parkinson: support, simple, big.");
    r.limits(
        "sclerosis",
        Condition.MULTIPLE_SCLEROSIS,
        Side.BOTH,
        "Multiple sclerosis: shorter, cool, rests, support late on.");
    if (highSpine(a)) {
      r.find(
          "standing.spine-high",
          Outcome.READY_WITH_LIMITS,
          "Spinal injury at T6 or above: blood pressure before every run, dysreflexia card at hand.",
          Condition.SPINE_HIGH.source,
          "spine.injury");
      r.propose(Condition.SPINE_HIGH, Side.BOTH, a.today);
    }
    r.on(
        "seizure.open",
        "standing.seizure.open",
        Outcome.ASK_FIRST,
        "Seizures not under control: ask first.",
        Report.HOUSE);
    r.limits(
        "seizure",
        Condition.SEIZURES,
        Side.BOTH,
        "Seizures: no weight over the face, a hand on support for balance.");
    r.limits("unsteady", Condition.UNSTEADY, Side.BOTH, "Unsteady: support for balance.");
    r.limits("memory", Condition.MEMORY, Side.BOTH, "Memory loss: simple, the same order, shown.");
    if (a.yes("falls.two")) {
      r.find(
          "standing.falls",
          Outcome.READY_WITH_LIMITS,
          "Falls: support for balance, no floor yet; refer for a falls check.",
          Condition.FALLS.source,
          "falls.two");
      r.propose(Condition.FALLS, Side.BOTH, a.today);
    }
    r.limits(
        "frail", Condition.FRAIL, Side.BOTH, "Frail: support for balance, start at the chair.");
    r.on(
        "falls.blackout",
        "standing.falls-blackout",
        Outcome.ASK_FIRST,
        "A fall with blackout or head injury: ask first.",
        Report.HOUSE);
  }
}
