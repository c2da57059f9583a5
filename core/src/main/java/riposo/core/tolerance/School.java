package riposo.core.tolerance;

/**
 * The two schools of pain. PAIN_FREE is the default; MONITORED only with a diagnosis and a recorded
 * word (Thomeé 1997, Silbernagel 2007).
 */
public enum School {
  PAIN_FREE,
  MONITORED;

  /**
   * The greatest pain before a session that does not ease it: the usual in the pain-free school, 5
   * in the monitored one or the usual where that is higher.
   */
  public int line(int usualPain) {
    return this == PAIN_FREE ? usualPain : Math.max(5, usualPain);
  }
}
