package riposo.core.run;

/** For whom a stop sign comes first: what is known of the client on the day of the run. */
public enum StopFor {
  PREGNANT("pregnant"),
  /** Within 12 weeks after a birth, the last day included (house rule). */
  AFTER_BIRTH("after birth"),
  DIABETES("diabetes"),
  SPINE_HIGH("spinal injury at T6 or above"),
  LYMPHOEDEMA("swelling after cancer care"),
  /** Within 12 weeks after an operation, the last day included (house rule). */
  OPERATION("after an operation"),
  THINNER("on a blood thinner");

  public final String words;

  StopFor(String words) {
    this.words = words;
  }
}
