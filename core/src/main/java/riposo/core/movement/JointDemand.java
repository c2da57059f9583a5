package riposo.core.movement;

import riposo.core.limit.JointMotion;
import riposo.core.limit.Loading;

/**
 * A joint range a movement reaches.
 *
 * @param degrees greatest angle reached, 0 to 180
 */
public record JointDemand(JointMotion motion, int degrees, Loading loading, Part part) {
  public JointDemand {
    if (degrees < 0 || degrees > 180) {
      throw new IllegalArgumentException(
          motion.id() + " must lie between 0° and 180°, was " + degrees);
    }
  }
}
