package riposo.core.screening;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.screening.Question.Kind;
import riposo.core.screening.Question.Option;

/**
 * The question set, in our own words, grouped by body and life. A gate in each group is always
 * asked; what lies behind it only after a yes or a not sure, so a healthy client meets 24.
 */
final class Questions {
  /**
   * Raised whenever a question is added or changes its meaning: older screenings are asked anew.
   */
  static final int SET = 4;

  static final Map<String, Question> ALL = new LinkedHashMap<>();

  /** What is about now or about the last weeks: no earlier answer is carried over. */
  private static final Set<String> FRESH =
      Set.of(
          "pressure.uncontrolled",
          "pressure.systolic",
          "pressure.diastolic",
          "lung.flare",
          "sugar.ulcer",
          "pain.level",
          "bone.back",
          "operation.recent",
          "falls.any",
          "birth.any",
          "pregnancy.weeks",
          "pregnancy.flat",
          "pregnancy.belly",
          "blood.platelets.under",
          "unexplained");

  private static String group = "";

  static {
    heart();
    sugar();
    bones();
    nerves();
    pregnancy();
    life();
  }

  private Questions() {}

  private static void heart() {
    group = "Heart and lungs";
    yes("sign.chest", "Pressure or pain in chest, neck, jaw or arm when you exert yourself?");
    yes("sign.breath", "Breathless at rest, with mild effort, lying flat or at night?");
    good(
        "sign.breath.explained",
        "Explained by a clinician, such as lung disease, and unchanged; or mild, in a pregnancy?",
        "sign.breath");
    yes("sign.dizzy", "Dizzy spells, fainting, a heart that races or skips, or a known murmur?");
    good(
        "sign.dizzy.explained",
        "Only dizziness, explained by a clinician (on standing up, vertigo) and unchanged: no fainting, no racing heart, no murmur?",
        "sign.dizzy");
    yes("sign.legs", "Swollen ankles, or calf pain on walking that eases with rest?");
    good(
        "sign.legs.explained",
        "Explained by a clinician, such as a narrow spine, and unchanged; or come on slowly in a pregnancy, the ankles only?",
        "sign.legs");
    yes("sign.tired", "Unusually tired by everyday things?");
    good(
        "sign.tired.explained",
        "Explained by a clinician and unchanged, or the ordinary tiredness of a pregnancy?",
        "sign.tired");
    yes(
        "sign.sudden",
        "Today or these days: sudden weakness of face, arm or leg, both legs weak, new numbness around the saddle, or new trouble with bladder or bowel?");
    yes(
        "heart.ever",
        "Heart or vessel trouble, ever: attack, operation, stent, pacemaker, rhythm, valve, failure, stroke, clot, aneurysm?");
    String h = "heart.ever";
    yes(
        "heart.event",
        "Heart attack, heart operation, ablation, stent, pacemaker or defibrillator?",
        h);
    date(
        "heart.event.date",
        "When was the last of these? (unknown counts as recent)",
        "heart.event");
    good("heart.event.cleared", "Has a doctor cleared training since then?", "heart.event");
    yes("heart.sternotomy", "Was the breastbone opened?", "heart.event");
    choice(
        "heart.device",
        "A device in the chest?",
        "heart.event",
        "none:none",
        "pacemaker:pacemaker",
        "defibrillator:defibrillator");
    String device = "heart.device=pacemaker|heart.device=defibrillator";
    side("heart.device.side", "On which side is it?", device);
    number(
        "heart.device.rate",
        "Its lowest treatment rate (the clinic's card)",
        "heart.device=defibrillator",
        60,
        260,
        "bpm");
    yes("stroke.tia", "A stroke, or a passing one (TIA)?", h);
    date("stroke.date", "When was the last? (unknown counts as recent)", "stroke.tia");
    good("stroke.cleared", "Has a doctor cleared training since then?", "stroke.tia");
    choice(
        "stroke.side",
        "Is one side weaker since?",
        "stroke.tia",
        "none:no",
        "left:left",
        "right:right",
        "both:both");
    yes("clot", "A clot in leg or lung?", h);
    date("clot.date", "When was the last? (unknown counts as recent)", "clot");
    good("clot.cleared", "Has a doctor cleared training since then?", "clot");
    yes("aneurysm", "An aneurysm, mended or not?", h);
    yes("heart.rhythm", "Atrial fibrillation or another rhythm trouble?", h);
    yes("heart.failure", "Heart failure?", h);
    yes(
        "heart.uncontrolled",
        "Is the rhythm or the failure unsettled now?",
        "heart.rhythm|heart.failure");
    yes(
        "heart.valve",
        "Valve disease with symptoms, a narrow aortic valve, thick heart muscle, high lung pressure, or an inflamed heart?",
        h);
    yes("pressure.high", "High blood pressure, treated or not?");
    yes(
        "pressure.uncontrolled",
        "Is it often over 160/100, or has the treatment just changed?",
        "pressure.high");
    number("pressure.systolic", "Reading now, upper number", "pressure.high", 50, 280, "mmHg");
    number("pressure.diastolic", "Reading now, lower number", "pressure.high", 30, 180, "mmHg");
    yes("lung.ever", "Asthma, COPD or another lung disease?");
    yes("lung.flare", "A flare or a hospital stay for it in the last 6 weeks?", "lung.ever");
  }

  private static void sugar() {
    group = "Blood sugar and kidneys";
    yes("sugar.diabetes", "Diabetes?");
    String s = "sugar.diabetes";
    yes("sugar.type1", "Type 1?", s);
    yes("sugar.low", "Insulin, or tablets that can bring a low?", s);
    yes("sugar.sglt2", "Tablets that pass sugar in the urine (SGLT2)?", s);
    yes("sugar.feet", "Numb or sore feet?", s);
    yes("sugar.ulcer", "A foot ulcer, or a hot swollen foot?", s);
    side("sugar.ulcer.side", "Which foot?", "sugar.ulcer");
    yes("kidney.any", "Kidney disease, or a transplant of any organ?");
    yes("kidney.dialysis", "Dialysis or a transplanted organ?", "kidney.any");
    yes("heart.transplant", "Was it the heart?", "kidney.dialysis");
    choice(
        "kidney.access",
        "Dialysis: through which way?",
        "kidney.dialysis",
        "none:no dialysis",
        "left:left arm",
        "right:right arm",
        "belly:belly",
        "unknown:not known");
  }

  private static void bones() {
    group = "Pain, bones and joints";
    yes(
        "bone.low",
        "Low bone density, a bone broken by a small knock, or a broken vertebra, ever?");
    yes("bone.vertebra", "A broken vertebra, ever?", "bone.low");
    yes(
        "joint.any",
        "Pain anywhere now, or a painful, worn, stiff, inflamed, very loose, operated or replaced joint or back?");
    String j = "joint.any";
    number("pain.level", "How strong is it, 0 to 10", j, 0, 10, "of 10");
    yes("shoulder.pain", "A shoulder: painful, stiff, unstable, operated or replaced?", j);
    side("shoulder.side", "Which shoulder?", "shoulder.pain");
    choice(
        "shoulder.kind",
        "What is it?",
        "shoulder.pain",
        "stiff:painful or stiff",
        "unstable:unstable",
        "cuff:cuff repaired",
        "full:full replacement",
        "reverse:reverse replacement");
    date(
        "shoulder.date",
        "When was the shoulder operated? (unknown counts as this week)",
        "shoulder.kind=cuff|shoulder.kind=full|shoulder.kind=reverse");
    yes("arm.pain", "An elbow, wrist or hand?", j);
    side("arm.side", "Which arm?", "arm.pain");
    yes("neck.pain", "The neck?", j);
    yes("back.pain", "The low back?", j);
    choice(
        "back.direction",
        "Which way hurts more?",
        "back.pain",
        "bend:bending",
        "arch:arching",
        "turn:turning",
        "both:several or unclear");
    yes("back.stenosis", "A narrow spinal canal (stenosis)?", j);
    yes("back.fusion", "Vertebrae fused?", j);
    yes("back.disc", "A disc operation, ever?", j);
    yes("hip.pain", "A painful or worn hip, not replaced?", j);
    side("hip.pain.side", "Which hip hurts?", "hip.pain");
    yes("hip.replaced", "A replaced hip?", j);
    side("hip.side", "Which hip?", "hip.replaced");
    choice(
        "hip.approach",
        "Through the back or the front?",
        "hip.replaced",
        "back:back",
        "front:front",
        "unknown:not known");
    good("hip.free", "Has the surgeon lifted all rules for it?", "hip.replaced");
    yes("knee.pain", "A painful or worn knee, or a sore tendon at it?", j);
    side("knee.side", "Which knee?", "knee.pain");
    yes("knee.replaced", "A replaced knee?", j);
    side("knee.replaced.side", "Which knee is replaced?", "knee.replaced");
    yes("foot.pain", "A painful ankle, foot or calf tendon?", j);
    side("foot.pain.side", "Which foot?", "foot.pain");
    yes("joint.inflamed", "Inflammatory joint disease, or very loose joints?", j);
    yes("joint.inflamed.neck", "Is the neck part of it?", "joint.inflamed");
    group = "Operations";
    yes("operation.recent", "An operation or a fracture in the last 12 weeks?");
    date("operation.date", "When? (unknown counts as this week)", "operation.recent");
    yes(
        "limb.spared",
        "Told not to load an arm or a leg: cast, foot or ankle?",
        "operation.recent|joint.any");
    choice(
        "limb.which",
        "Which limb carries nothing?",
        "limb.spared",
        "leg:leg or foot",
        "arm:arm or hand");
    side("limb.side", "Which side?", "limb.spared");
    group = "Wheelchair and limbs";
    yes("body.any", "A wheelchair, or a limb lost or different?");
    yes("wheelchair", "Trains in a wheelchair?", "body.any");
    yes("limb.lost", "A limb lost or different?", "body.any");
    choice("limb.lost.which", "Which?", "limb.lost", "leg:leg", "arm:arm");
    side("limb.lost.side", "Which side?", "limb.lost");
    good("limb.prosthesis", "A prosthesis, worn in training?", "limb.lost.which=leg");
  }

  private static void nerves() {
    group = "Nerves and balance";
    yes(
        "nerve.any",
        "Parkinson, multiple sclerosis, a spinal cord injury, seizures, memory loss, or nerve damage that upsets pulse or pressure?");
    String n = "nerve.any";
    yes("parkinson", "Parkinson?", n);
    yes("sclerosis", "Multiple sclerosis?", n);
    yes("spine.injury", "A spinal cord injury?", n);
    choice(
        "spine.level",
        "At which height?",
        "spine.injury",
        "high:T6 or above, or not known",
        "low:below T6");
    good("wheelchair.legs", "Can the legs work against gravity?", "wheelchair|spine.injury");
    choice(
        "trunk.control",
        "How far does the trunk hold itself up?",
        "wheelchair|spine.injury",
        "full:fully",
        "some:partly",
        "none:not at all, or not known");
    yes("nerve.autonomic", "Nerve damage that upsets pulse or pressure?", n);
    yes("seizure", "Seizures?", n);
    yes("seizure.open", "Not under control?", "seizure");
    yes("memory", "Memory loss?", n);
    group = "Falls";
    yes(
        "falls.any",
        "A fall in the last year, unsteady on your feet, or light-headed on standing up?");
    yes("unsteady", "Unsteady on your feet?", "falls.any");
    yes("light.headed", "Light-headed on standing up?", "falls.any");
    yes("falls.two", "Two or more falls, or one that hurt you?", "falls.any");
    yes("falls.blackout", "Did one come with a blackout or a knock to the head?", "falls.any");
    yes("frail", "Frail: slow, tired early, needs a hand in daily life?", "falls.any");
    good(
        "floor.trained",
        "Has getting down to the floor and up again been trained?",
        "falls.two|frail|wheelchair|parkinson|stroke.tia|vertigo");
  }

  private static void pregnancy() {
    group = "Pregnancy, birth and belly";
    yes("birth.any", "Pregnant, or a birth in the last 12 months?");
    yes("pregnancy.now", "Pregnant now?", "birth.any");
    String p = "pregnancy.now";
    date("pregnancy.due", "Due date (or the weeks, below)", p);
    number("pregnancy.weeks", "Weeks today, where only those are known", p, 1, 42, "weeks");
    yes(
        "pregnancy.absolute",
        "Told of: waters broken, early labour, bleeding that goes on, pre-eclampsia, a weak cervix, slow growth, triplets or more?",
        p);
    yes(
        "pregnancy.illness",
        "Type 1 diabetes, blood pressure, thyroid or another serious illness out of control?",
        p);
    yes("pregnancy.praevia", "A low-lying placenta (praevia)?", p);
    yes("pregnancy.twins", "Twins?", p);
    yes(
        "pregnancy.relative",
        "Told of: repeated loss, raised pressure in pregnancy, an earlier early birth, mild heart or lung disease, anaemia with symptoms, too little food, an eating disorder?",
        p);
    yes("pregnancy.flat", "Light-headed, sick or unwell lying flat?", p);
    yes("pregnancy.belly", "Does the belly touch when face down?", p);
    yes("pregnancy.girdle", "Pain at the front or back of the pelvis?", p);
    yes("birth.recent", "A birth in the last 12 months?", "birth.any");
    must("birth.date", "Date of the birth", "birth.recent");
    yes("birth.caesarean", "By caesarean?", "birth.recent");
    yes("birth.tear", "A third- or fourth-degree tear?", "birth.recent");
    good("birth.check", "Has the check after the birth been done and was it fine?", "birth.recent");
    yes("birth.signs", "Leak, heaviness, bulge or pain since?", "birth.recent");
    yes(
        "belly.any",
        "Leak on cough or jump, a bulge, a gap in the belly wall, a hernia or its mesh, a stoma, or reflux?");
    yes(
        "pelvic.floor",
        "Leak, heaviness, prolapse, a gap or a hernia of belly or groin?",
        "belly.any");
    yes("belly.stoma", "A stoma, or a hernia mesh put in within 12 weeks?", "belly.any");
    yes("reflux", "Reflux, or a hernia at the midriff?", "belly.any");
  }

  private static void life() {
    group = "Cancer care";
    yes("cancer.any", "Cancer, now or ever?");
    String c = "cancer.any";
    yes("cancer.now", "Chemotherapy or radiotherapy now?", c);
    yes("cancer.bone", "Has it spread to bone?", c);
    choice(
        "cancer.bone.place",
        "Where?",
        "cancer.bone",
        "spine:spine or ribs",
        "leg:hip or leg",
        "arm:shoulder or arm",
        "unknown:several, or not known");
    yes("cancer.nodes", "Lymph nodes taken or treated, or a limb that swells?", c);
    choice(
        "cancer.limb",
        "Which limb?",
        "cancer.nodes",
        "arm:arm",
        "leg:leg",
        "both:both, or not known");
    side("cancer.side", "Which side?", "cancer.nodes");
    good("cancer.assessed", "Has the swelling risk been assessed?", "cancer.nodes");
    yes("cancer.numb", "Numb feet or hands since the treatment?", c);
    yes("cancer.port", "A port under the skin?", c);
    group = "Energy and fatigue";
    yes(
        "energy.any",
        "Worse the days after exertion, or weight loss, fever or new night pain nobody explained?");
    yes("fatigue.after", "Worse for a day or more after exertion?", "energy.any");
    yes("unexplained", "Weight loss, fever or new night pain without a cause found?", "energy.any");
    group = "Eyes, ears, head, skin";
    yes("senses.any", "Eye disease, vertigo, poor sight or hearing, or a latex allergy?");
    String e = "senses.any";
    yes("eyes.retina", "Retinal surgery, or new vessels in the retina (proliferative)?", e);
    yes("eyes.disease", "Glaucoma or another disease of the retina?", e);
    yes("vertigo", "Vertigo?", e);
    yes("senses.low", "Poor sight or hearing?", e);
    yes("latex", "A latex allergy?", e);
    group = "Medicines";
    yes("medicine.any", "Any medicine for heart, blood pressure, blood thinning, or steroids?");
    yes("medicine.rate", "A beta-blocker or another that slows the pulse?", "medicine.any");
    yes("medicine.thinner", "A blood thinner?", "medicine.any");
    yes("medicine.steroid", "Steroid tablets for 3 months or more?", "medicine.any");
    yes(
        "blood.platelets",
        "Low blood platelets, or told to keep clear of knocks?",
        "cancer.any|medicine.any");
    yes("blood.platelets.under", "Under 50, or not known?", "blood.platelets");
    yes("bone.back", "New back pain?", "bone.low|medicine.steroid");
    group = "Activity now";
    good(
        "active.now",
        "At least 30 minutes of brisk activity on 3 days a week, for 3 months?",
        null);
    yes(
        "wish.vigorous",
        "Does the client want hard training (effort 7 or more)?",
        "heart.ever|sugar.diabetes|kidney.any");
  }

  private static void yes(String id, String text) {
    yes(id, text, null);
  }

  private static void yes(String id, String text, @Nullable String showIf) {
    put(id, text, Kind.YES_NO, showIf, List.of(), null, null, null, false, false);
  }

  private static void good(String id, String text, @Nullable String showIf) {
    put(id, text, Kind.YES_NO, showIf, List.of(), null, null, null, false, true);
  }

  private static void side(String id, String text, String showIf) {
    put(id, text, Kind.SIDE, showIf, List.of(), null, null, null, false, false);
  }

  private static void choice(String id, String text, String showIf, String... options) {
    List<Option> list =
        Arrays.stream(options)
            .map(o -> new Option(o.substring(0, o.indexOf(':')), o.substring(o.indexOf(':') + 1)))
            .toList();
    put(id, text, Kind.CHOICE, showIf, list, null, null, null, false, false);
  }

  private static void date(String id, String text, String showIf) {
    put(id, text, Kind.DATE, showIf, List.of(), null, null, null, true, false);
  }

  private static void must(String id, String text, String showIf) {
    put(id, text, Kind.DATE, showIf, List.of(), null, null, null, false, false);
  }

  private static void number(
      String id, String text, String showIf, int least, int greatest, String unit) {
    put(id, text, Kind.NUMBER, showIf, List.of(), least, greatest, unit, true, false);
  }

  private static void put(
      String id,
      String text,
      Kind kind,
      @Nullable String showIf,
      List<Option> options,
      @Nullable Integer least,
      @Nullable Integer greatest,
      @Nullable String unit,
      boolean optional,
      boolean protective) {
    Question q =
        new Question(
            id,
            group,
            text,
            kind,
            showIf,
            options,
            least,
            greatest,
            unit,
            optional,
            protective,
            FRESH.contains(id) || id.startsWith("sign."));
    if (ALL.put(id, q) != null) {
      throw new IllegalStateException("question id used twice: " + id);
    }
  }
}
