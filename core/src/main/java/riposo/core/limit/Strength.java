package riposo.core.limit;

/** FIRM: a clinician's word or the law of the condition. ADVISED: a default or a judgement. */
public enum Strength {
  FIRM,
  ADVISED
}
