package riposo.core.run;

import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * What is done in one set, beside what the sheet asks.
 *
 * @param option id of the option taken; null for the slot's own movement
 * @param left it is left today
 * @param hurt pain was over the client's line for the second time: the slot's own movement stays
 *     left
 * @param grams weight per hand taken for it; null for the one of the dose
 */
public record Doing(@Nullable String option, boolean left, boolean hurt, @Nullable Integer grams) {
  /** As the sheet asks. */
  public static final Doing AS_ASKED = new Doing(null, false, false, null);

  Doing after(Change c) {
    return switch (c.to()) {
      case OPTION -> new Doing(c.option(), false, hurt, null);
      // a weight is one form's: under another it means nothing
      case WEIGHT ->
          Objects.equals(option, c.option()) ? new Doing(option, left, hurt, c.grams()) : this;
      case LEAVE -> new Doing(option, true, hurt, null);
      // what hurt twice does not come back today
      case BACK -> hurt ? new Doing(null, true, true, null) : AS_ASKED;
    };
  }

  /** The same, left because it hurt. */
  Doing hurts() {
    return new Doing(option, true, true, null);
  }
}
