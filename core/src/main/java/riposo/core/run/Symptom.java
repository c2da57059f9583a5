package riposo.core.run;

import org.jspecify.annotations.Nullable;
import riposo.core.quantity.Pulse;

/**
 * A mild symptom of the run: rest, a reading, ease, and asked again after {@link #ASK_AGAIN}
 * seconds. What does not settle is a stop sign.
 */
public enum Symptom {
  WOOZY("woozy, light-headed", "Sit or lie down, breathe, a sip of water. A reading now."),
  TWINGE("a twinge", "Stop the movement, rest. Ease it before it comes again."),
  SHAKING(
      "muscles shaking",
      "After effort, without giddiness or cold sweat, it is harmless: kept as a note.");

  /** Seconds of rest before it is asked again. */
  public static final int ASK_AGAIN = 60;

  public final String words;

  /** What to do first. */
  public final String advice;

  Symptom(String words, String advice) {
    this.words = words;
    this.advice = advice;
  }

  /** What is said of it when it is told or asked again. */
  public enum How {
    FELT,
    GONE,
    BETTER,
    SAME,
    WORSE
  }

  /**
   * A reading taken beside it; null is not taken, never 0.
   *
   * @param pulse as any pulse
   * @param systolic mmHg, 50 to 280
   * @param diastolic mmHg, 20 to 180
   * @param glucose mmol/L times ten, 5 to 400
   */
  public record Reading(
      @Nullable Pulse pulse,
      @Nullable Integer systolic,
      @Nullable Integer diastolic,
      @Nullable Integer glucose) {
    public static final Reading NONE = new Reading(null, null, null, null);

    public Reading {
      within("the upper pressure", systolic, 50, 280, "mmHg");
      within("the lower pressure", diastolic, 20, 180, "mmHg");
      within("glucose times ten", glucose, 5, 400, "mmol/L");
    }

    private static void within(
        String what, @Nullable Integer value, int least, int greatest, String unit) {
      if (value != null && (value < least || value > greatest)) {
        throw new IllegalArgumentException(
            what
                + " must lie between "
                + least
                + " and "
                + greatest
                + " "
                + unit
                + ", was "
                + value);
      }
    }
  }
}
