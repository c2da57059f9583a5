package riposo.core.quantity;

/**
 * A pulse.
 *
 * @param bpm 20 to 250: what lies outside cannot be right
 */
public record Pulse(int bpm) {
  public static final int LEAST = 20;
  public static final int GREATEST = 250;

  public Pulse {
    if (bpm < LEAST || bpm > GREATEST) {
      throw new IllegalArgumentException(
          "a pulse of " + bpm + " bpm cannot be right: " + LEAST + " to " + GREATEST);
    }
  }
}
