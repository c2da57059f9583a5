package riposo.core.run;

import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The signs of the stop panel: for whom each comes first, what to do first, what it leaves behind.
 * The names are kept with every run and are never reused. Local protocol and first-aid training
 * come before every line here.
 */
public enum StopSign {
  NOT_BREATHING("Does not answer, not breathing normally", Aid.RESUSCITATE),
  CHEST("Chest pressure or pain", Aid.SIT_UP, StopFor.PREGNANT, StopFor.AFTER_BIRTH),
  BREATHLESS("Breathless out of proportion", Aid.SIT_UP),
  FAINT("Fainting or near it", Aid.LIE_FLAT),
  FACE_ARM_SPEECH("Drooping face, weak arm, unclear speech", Aid.CALL_TIME),
  WORST_HEADACHE("Sudden worst headache", Aid.CALL_TIME),
  POUNDING_HEART("Irregular pounding heart with giddiness", Aid.SIT_UP),
  COLD_SWEAT("Cold sweat and grey", Aid.LIE_FLAT),
  HEAD_KNOCK("A knock to the head", Aid.CALL_TIME, StopFor.THINNER),
  FALL_INJURY("Fall with injury: cannot get up, bleeds, looks broken", Aid.KEEP_STILL),
  VISION("Vision change", Aid.CALL_TIME),
  SEIZURE("Seizure", Aid.CLEAR_SPACE),
  SADDLE("New saddle numbness", Aid.CALL),
  CALF(
      "One-sided calf pain or swelling",
      Aid.CALL,
      StopFor.PREGNANT,
      StopFor.AFTER_BIRTH,
      StopFor.OPERATION),
  COUGHING_BLOOD("Coughing blood", Aid.SIT_UP),
  DEVICE_SHOCK("Shock from an implanted device", Aid.CALL),

  BLEEDING_PREGNANT("Bleeding", Aid.MATERNITY, StopFor.PREGNANT),
  CONTRACTIONS("Regular painful contractions", Aid.MATERNITY, StopFor.PREGNANT),
  FLUID("Fluid loss", Aid.MATERNITY, StopFor.PREGNANT),
  UNSETTLED(
      "Breathless or dizzy, and rest does not settle it", Aid.MATERNITY_SIT, StopFor.PREGNANT),
  HEADACHE("Headache", Aid.MATERNITY, StopFor.PREGNANT),
  WEAKNESS("Weakness that upsets balance", Aid.MATERNITY_SIT, StopFor.PREGNANT),
  BELLY("Abdominal pain", Aid.MATERNITY, StopFor.PREGNANT),
  BABY("The baby moves less", Aid.MATERNITY, StopFor.PREGNANT),
  BLEEDING_BIRTH("Heavy or returning bleeding", Aid.BIRTH, StopFor.AFTER_BIRTH),
  HEADACHE_BIRTH("Severe headache", Aid.BIRTH, StopFor.AFTER_BIRTH),
  FEVER_BIRTH("Fever", Aid.BIRTH, StopFor.AFTER_BIRTH),

  LOW_DROWSY("Low sugar: drowsy or cannot swallow", Aid.SUGAR_DROWSY, StopFor.DIABETES),
  LOW_SUGAR("Low sugar: shaky, sweaty, confused", Aid.SUGAR, After.GLUCOSE, StopFor.DIABETES),
  DYSREFLEXIA("Pounding headache, flushing, high pressure", Aid.LOOSEN, StopFor.SPINE_HIGH),

  SWELLING(
      "New heaviness or swelling of the arm or leg at risk",
      Aid.UNLOAD,
      After.ASK_FIRST,
      StopFor.LYMPHOEDEMA),
  WOUND("A wound opens", Aid.PRESS, After.ASK_FIRST, StopFor.OPERATION, StopFor.AFTER_BIRTH),
  JOINT("Sudden joint pain, pop or giving way", Aid.KEEP_STILL_JOINT, After.ASK_FIRST),
  FALL_MINOR("Fall with a minor injury, head not touched", Aid.KEEP_STILL_JOINT, After.ASK_FIRST),

  OTHER("Another sign that worries you", Aid.CALL);

  /** What a sign leaves behind. */
  public enum After {
    /** Urgent now, and only a clearance opens strength work again. */
    EMERGENCY,
    /** Not today, and a clinician is asked first; no emergency call. */
    ASK_FIRST,
    /** A low settled by sugar: a new reading over 5.0 mmol/L, 15 minutes after it. */
    GLUCOSE
  }

  /** Where on the panel a sign stands for a client. */
  public enum Place {
    OWN,
    ANYONE,
    /** Signs of others, which may still be what is seen. */
    OTHERS
  }

  /** What to do first, with where the line comes from. */
  public enum Aid {
    RESUSCITATE(
        "Emergency call now, chest compressions at once, defibrillator if there is one.",
        "ERC Guidelines 2021"),
    SIT_UP(
        "Sit them up, supported, and let nobody walk. Emergency call; breathing stops: compressions.",
        "IFRC first aid guidelines 2020"),
    LIE_FLAT(
        "Lie flat, legs up; late in pregnancy on the left side. Not awake within a minute, or chest pain: emergency call.",
        "ERC Guidelines 2021"),
    CALL_TIME(
        "Emergency call; note the time it began. Keep them still, nothing to eat or drink.",
        "IFRC first aid guidelines 2020"),
    KEEP_STILL(
        "Do not lift them. Emergency call; keep the head still and them warm.",
        "IFRC first aid guidelines 2020"),
    CLEAR_SPACE(
        "Clear the space, hold nothing, note the time. After it on the side; emergency call at 5 minutes, or the first one ever.",
        "IFRC first aid guidelines 2020"),
    CALL("Sit or lie as is easiest, do not let them walk. Emergency call.", "house rule"),
    MATERNITY(
        "Stop; sit, or lie on the left side. Call maternity now; heavy bleeding, or severe: emergency call.",
        "SOGC/CSEP 2019, ACOG 2020"),
    MATERNITY_SIT(
        "Sit them up, supported; late in pregnancy rather on the left side. Call maternity now; no better at once: emergency call.",
        "SOGC/CSEP 2019, ACOG 2020"),
    BIRTH(
        "Stop; sit or lie. Call maternity now; heavy bleeding, or severe: emergency call.",
        "ACOG 2020"),
    SUGAR(
        "Sit. Fast sugar by their own plan while awake and able to swallow; measure, and again after 15 minutes.",
        "ERC Guidelines 2021"),
    SUGAR_DROWSY(
        "Nothing by mouth. Recovery position, emergency call, glucagon only by who is trained.",
        "ERC Guidelines 2021"),
    LOOSEN(
        "Sit them up, loosen all that is tight, find the cause: bladder, bowel, skin. Emergency call when it does not settle at once.",
        "Consortium for Spinal Cord Medicine 2001"),
    UNLOAD(
        "Put the weight down, rest the limb raised. Its clinic today; no emergency call for this alone.",
        "house rule"),
    PRESS(
        "Sit or lie, clean cloth, firm pressure. Its surgeon or midwife today; bleeding that does not stop: emergency call.",
        "IFRC first aid guidelines 2020"),
    KEEP_STILL_JOINT(
        "Sit or lie as is easiest, do not test it, cool it. A doctor today; cannot bear weight, or looks out of shape: emergency call.",
        "IFRC first aid guidelines 2020");

    public final String words;
    public final String source;

    Aid(String words, String source) {
      this.words = words;
      this.source = source;
    }
  }

  public final String words;
  public final Aid aid;
  public final After after;
  private final Set<StopFor> first;

  StopSign(String words, Aid aid, StopFor... first) {
    this(words, aid, After.EMERGENCY, first);
  }

  StopSign(String words, Aid aid, After after, StopFor... first) {
    this.words = words;
    this.aid = aid;
    this.after = after;
    this.first = Set.of(first);
  }

  /** Whom it comes first for; empty for a sign of anyone. */
  public Set<StopFor> first() {
    return first;
  }

  /** The signs in the order of the panel: this client's own first. Every sign once. */
  public static List<StopSign> panel(Collection<StopFor> client) {
    return Arrays.stream(values()).sorted(Comparator.comparing(s -> s.place(client))).toList();
  }

  /** Where it stands on the panel of a client. */
  public Place place(Collection<StopFor> client) {
    return first.stream().anyMatch(client::contains)
        ? Place.OWN
        : first.isEmpty() || this == CHEST || this == CALF || this == HEAD_KNOCK
            ? Place.ANYONE
            : Place.OTHERS;
  }

  /**
   * The sign of a stored event: by its id, else by the words older runs kept; OTHER when neither is
   * known, which is the most careful reading.
   */
  public static StopSign of(@Nullable String id, @Nullable String words) {
    return Arrays.stream(values())
        .filter(s -> s.name().equals(id))
        .findFirst()
        .or(() -> Arrays.stream(values()).filter(s -> s.words.equals(words)).findFirst())
        .orElse(OTHER);
  }

  /** Whether those are the words of a sign that tells of a fall. */
  public static boolean isFall(String words) {
    return words.equals(FALL_INJURY.words)
        || words.equals(FALL_MINOR.words)
        || words.equals(HEAD_KNOCK.words);
  }
}
