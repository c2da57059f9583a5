package riposo.server.day.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.server.tolerance.Bookings;

/** Tells the page of tolerance which sessions were booked. */
@Component
@Transactional(readOnly = true)
class BookedDays implements Bookings {
  private final AppointmentStore store;

  BookedDays(AppointmentStore store) {
    this.store = store;
  }

  @Override
  public List<LocalDate> booked(UUID clientId, LocalDate from, LocalDate until) {
    return store.days(clientId, from, until);
  }
}
