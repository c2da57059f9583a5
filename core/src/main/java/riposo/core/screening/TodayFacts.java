package riposo.core.screening;

/**
 * What the answers mean for today's symptoms.
 *
 * @param lung a lung disease is named: its own lines of saturation
 * @param chemotherapy chemotherapy or radiotherapy now: fever, or suddenly unwell, is urgent
 * @param fragileBone low bone density, steroids, a broken vertebra, cancer in the bone, or falls:
 *     new groin or thigh pain is not today
 * @param replacedJoint a joint is replaced: hot, red and swollen there is urgent
 * @param diabetes a hot swollen foot goes to the foot clinic
 */
public record TodayFacts(
    boolean lung,
    boolean chemotherapy,
    boolean fragileBone,
    boolean replacedJoint,
    boolean diabetes) {
  public static final TodayFacts NONE = new TodayFacts(false, false, false, false, false);
}
