package riposo.core.screening;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a screening says of the pulse.
 *
 * @param off why pulse targets are off, in words; empty when they are on. Off removes targets,
 *     never caps
 * @param rateLimited a medicine slows the pulse
 * @param lowestRate the defibrillator's lowest treatment rate, bpm; null when there is none or it
 *     is not known
 * @param eventUntil last day of the 12 weeks after an event or an opened breastbone; null when
 *     there was none
 */
public record PulseFacts(
    List<String> off,
    boolean rateLimited,
    @Nullable Integer lowestRate,
    @Nullable LocalDate eventUntil) {
  public static final PulseFacts NONE = new PulseFacts(List.of(), false, null, null);

  public PulseFacts {
    off = List.copyOf(off);
  }
}
