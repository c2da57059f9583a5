package riposo.core.group;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.Performed;

/**
 * What somebody does for whom no weight is left: facts, worded elsewhere.
 *
 * @param band the band movement and its form; null for everything else
 * @param otherId the movement the others do meanwhile, in the other order; null for everything else
 */
public record Instead(UUID person, Kind kind, @Nullable Performed band, @Nullable String otherId) {
  /** Ways out, the first that is open is taken. */
  public enum Kind {
    BAND,
    OTHER_ORDER,
    NO_WEIGHT
  }
}
