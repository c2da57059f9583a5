package riposo.core.plan;

import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * One option above the movement a slot asks for, for those who can: a harder movement, the same
 * slower, or the same with a weight. Exactly one of the three.
 *
 * @param movementId another movement; null for the one asked for
 * @param slower true for the same at a slower tempo; null otherwise
 * @param grams as printed, a hand; null otherwise
 */
public record Upper(
    @Nullable String movementId, @Nullable Boolean slower, @Nullable Integer grams) {
  public Upper {
    slower = Boolean.TRUE.equals(slower) ? Boolean.TRUE : null;
    if (Stream.of(movementId, slower, grams).filter(x -> x != null).count() != 1) {
      throw new IllegalArgumentException(
          "an upper option is another movement, or slower, or a weight: one of them");
    }
    if (movementId != null && (movementId.isBlank() || movementId.length() > 60)) {
      throw new IllegalArgumentException("an upper option names no movement");
    }
    if (grams != null && (grams < 100 || grams > 100_000)) {
      throw new IllegalArgumentException("an upper option takes 100 to 100000 g, was " + grams);
    }
  }
}
