package riposo.core.tolerance;

/**
 * The two schools of pain (handbook 7). PAIN_FREE is the default; MONITORED only with a diagnosis
 * and a recorded word (Thomeé 1997, Silbernagel 2007).
 */
public enum School {
  PAIN_FREE,
  MONITORED
}
