package riposo.core.plan;

import org.jspecify.annotations.Nullable;

/**
 * A movement asked for at a place in a plan.
 *
 * @param key stable within the plan, 1 to 40 characters
 * @param seconds length in a warm-up or cool-down block, 10 to 600; null in the work block, whose
 *     format gives it
 */
public record Slot(String key, String movementId, @Nullable Integer seconds) {
  public Slot {
    if (key.isBlank() || key.length() > 40) {
      throw new IllegalArgumentException("a slot key has 1 to 40 characters");
    }
    if (seconds != null && (seconds < 10 || seconds > 600)) {
      throw new IllegalArgumentException(
          "a warm-up or cool-down slot lasts 10 to 600 s, was " + seconds);
    }
  }
}
