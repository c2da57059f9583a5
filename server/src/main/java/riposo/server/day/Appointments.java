package riposo.server.day;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.UUID;

/** Sessions on the day sheet, for the other modules. */
public interface Appointments {
  UUID add(UUID clientId, UUID planId, LocalDate date, LocalTime time);
}
