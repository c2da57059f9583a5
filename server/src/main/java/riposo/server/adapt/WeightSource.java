package riposo.server.adapt;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import riposo.core.dose.LastWeight;

/** The weights a client last used; told by the run module. */
public interface WeightSource {
  /** The newest of each movement, support and way of holding. */
  List<LastWeight> lastWeights(UUID clientId);

  /** The two newest days each family was done, newest first, up to and with a day. */
  Map<String, List<LocalDate>> lastDays(UUID clientId, LocalDate day);
}
