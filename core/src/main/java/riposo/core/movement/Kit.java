package riposo.core.movement;

import java.util.Locale;

/** Things a movement or a modifier needs in the room. */
public enum Kit {
  CHAIR("a solid chair"),
  WALL("a free wall"),
  COUNTER("a counter"),
  DUMBBELLS("dumbbells"),
  BAND("a band"),
  STEP("a step"),
  MAT("a mat"),
  PAD("a knee pad"),
  CUSHION("a firm cushion"),
  WEDGE("a wedge to recline on"),
  TOWEL("a towel"),
  BALL("a ball"),
  BIKE("a stationary bike"),
  CROSS_TRAINER("a cross-trainer"),
  ARM_CYCLE("an arm cycle"),
  POOL("a pool"),
  REBOUNDER("a rebounder with a bar"),
  BED("a bed or plinth"),
  STRAP("a strap round the trunk");

  public final String words;

  Kit(String words) {
    this.words = words;
  }

  /** Throws {@link IllegalArgumentException} naming an unknown one. */
  public static Kit ofId(String id) {
    try {
      return valueOf(id.toUpperCase(Locale.ROOT).replace('-', '_'));
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException("unknown kit '" + id + "'", e);
    }
  }
}
