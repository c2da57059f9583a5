package riposo.server.limit;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;

/**
 * What ends a way to the floor that was seen to go well; answered by who keeps the health record.
 */
public interface FloorEvents {
  /** Whether the client is pregnant today. */
  boolean pregnant(UUID clientId);

  /** The days of falls, operations and flares, in no order. */
  List<LocalDate> ends(UUID clientId);
}
