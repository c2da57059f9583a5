package riposo.core.dose;

import org.jspecify.annotations.Nullable;

/**
 * A client's body, as far as doses need it.
 *
 * @param massKg null when not recorded
 * @param statureCm null when not recorded
 */
public record Build(@Nullable Integer massKg, @Nullable Integer statureCm) {
  public static final Build UNKNOWN = new Build(null, null);
}
