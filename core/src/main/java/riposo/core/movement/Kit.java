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
  BALL("a ball");

  public final String words;

  Kit(String words) {
    this.words = words;
  }

  public static Kit ofId(String id) {
    return valueOf(id.toUpperCase(Locale.ROOT).replace('-', '_'));
  }
}
