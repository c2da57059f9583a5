package riposo.server.day.internal;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.Heavy;

/**
 * Sessions as a calendar file (RFC 5545). Names only: no health fact leaves the studio in a
 * calendar.
 */
@RestController
@RequestMapping("/api")
class CalendarController {
  private final CalendarService service;

  CalendarController(CalendarService service) {
    this.service = service;
  }

  /** Sessions from today on, of everybody or of one client; groups four weeks ahead. */
  @Heavy
  @GetMapping(value = "/calendar.ics", produces = "text/calendar")
  ResponseEntity<String> calendar(@RequestParam(required = false) @Nullable UUID clientId) {
    return service.calendar(clientId).answer();
  }
}
