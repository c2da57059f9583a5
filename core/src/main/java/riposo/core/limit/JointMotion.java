package riposo.core.limit;

/** The joint motions, with the words used in sentences. */
public enum JointMotion {
  SHOULDER_ELEVATION("arm raised", true),
  SHOULDER_ROTATION("arm turned out", true),
  SHOULDER_EXTENSION("arm behind the body", true),
  ELBOW_FLEXION("elbow bend", true),
  WRIST_EXTENSION("wrist bent back", true),
  HIP_FLEXION("hip bend", false),
  HIP_EXTENSION("leg behind the body", false),
  HIP_ADDUCTION("leg past the midline", false),
  HIP_ROTATION("hip turned inward", false),
  KNEE_FLEXION("knee bend", false),
  ANKLE_DORSIFLEXION("ankle bend", false),
  NECK("neck", false);

  public final String words;
  public final boolean arm;

  JointMotion(String words, boolean arm) {
    this.words = words;
    this.arm = arm;
  }

  public String id() {
    return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
  }
}
