package riposo.server.adapt;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Whether a client gets a card, and the stop signs on it; fed by the screening module. */
public interface CardSafety {
  /**
   * What a card needs to know.
   *
   * @param closed the code of what stands in the way of training; null when nothing does
   * @param why what stands open, also where the client may train with a reason
   * @param own this client's own stop signs
   * @param anyone those of anyone that are an emergency
   */
  record Safety(@Nullable String closed, List<String> why, List<String> own, List<String> anyone) {}

  Safety of(UUID clientId);
}
