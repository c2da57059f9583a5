package riposo.server.tolerance;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;

/** What was booked for a client: told by the calendar, where there is one. */
public interface Bookings {
  /** The days of those sessions of one's own, both ends included, each once, in order. */
  List<LocalDate> booked(UUID clientId, LocalDate from, LocalDate until);
}
