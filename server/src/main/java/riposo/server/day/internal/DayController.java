package riposo.server.day.internal;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.Heavy;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;

/** The day sheet: today's sessions and what waits, over HTTP. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
class DayController {
  private final DayService service;
  private final Mornings mornings;
  private final Runs runs;
  private final Studios studios;

  DayController(DayService service, Mornings mornings, Runs runs, Studios studios) {
    this.service = service;
    this.mornings = mornings;
    this.studios = studios;
    this.runs = runs;
  }

  /** The sheet; what was left open is ended before it is read. */
  @Heavy
  @GetMapping("/day")
  DayService.DayView sheet() {
    runs.endLeftOpen();
    return service.day();
  }

  /** All that was told today. */
  @GetMapping("/day/mornings")
  List<Mornings.MorningView> mornings() {
    return mornings.on(studios.today());
  }

  @PostMapping("/appointments")
  @ResponseStatus(HttpStatus.CREATED)
  DayService.DayView create(@Valid @RequestBody DayService.AppointmentForm f) {
    return service.added(service.create(f));
  }

  @DeleteMapping("/appointments/{id}")
  DayService.DayView remove(@PathVariable UUID id) {
    service.remove(id);
    return service.day();
  }
}
