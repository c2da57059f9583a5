package riposo.core.movement;

/**
 * What a movement leans on, rises from or steps on to, and the heights in cm at which its demands
 * hold. A lower seat or a higher step asks for more bend than the movement is reckoned with, so the
 * usual one is the limit there.
 *
 * @param usual what the demands are stated for
 */
public record Support(Kind kind, int least, int usual, int most) {
  /** What is done with it. */
  public enum Kind {
    LEAN("hands at"),
    SEAT("seat"),
    STEP("step");

    public final String words;

    Kind(String words) {
      this.words = words;
    }
  }

  public Support {
    if (least < 1 || least > usual || usual > most || most > 200) {
      throw new IllegalArgumentException(
          "heights run up from 1 to 200 cm, were " + least + ", " + usual + ", " + most);
    }
    if (kind == Kind.SEAT && least < usual || kind == Kind.STEP && most > usual) {
      throw new IllegalArgumentException("a lower seat and a higher step ask for more than stated");
    }
  }

  public boolean reaches(int cm) {
    return cm >= least && cm <= most;
  }
}
