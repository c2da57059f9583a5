package riposo.server.checkin.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.tolerance.NextDay;
import riposo.server.checkin.CheckIns;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;

/** The client's own page, opened by an unguessable link, over HTTP. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
class CheckInController {
  /** What the page shows before the answer: nothing but a first name and the studio. */
  record Page(String firstName, String studio, String emergencyNumber) {}

  /** Four taps. */
  record Answer(
      @NotNull(message = "Tap a number.")
          @Min(value = 0, message = "Pain runs from 0 to 10.")
          @Max(value = 10, message = "Pain runs from 0 to 10.")
          Integer pain,
      @NotNull(message = "Tap better, same or worse.") NextDay.Compared compared,
      @NotNull(message = "Tap yes or no.") Boolean moreTired,
      @NotNull(message = "Tap what is new, or nothing.") Set<NextDay.Sign> newSigns) {}

  /** The link sent to a client for a run. */
  record Link(UUID clientId, String link) {}

  private final CheckInService service;
  private final CheckIns checkIns;
  private final Runs runs;
  private final Studios studios;

  CheckInController(CheckInService service, CheckIns checkIns, Runs runs, Studios studios) {
    this.service = service;
    this.checkIns = checkIns;
    this.runs = runs;
    this.studios = studios;
  }

  @GetMapping("/check-in/{token}")
  Page page(@PathVariable String token) {
    CheckInRows.Token t = service.find(token);
    return StudioContext.within(
        t.studioId,
        "client",
        () -> {
          CheckInRows.CheckIn c = service.open(t.checkInId);
          Studios.Studio s = studios.current();
          return new Page(service.firstName(c.clientId), s.name(), s.emergencyNumber());
        });
  }

  @PostMapping("/check-in/{token}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void answer(@PathVariable String token, @Valid @RequestBody Answer body) {
    CheckInRows.Token t = service.find(token);
    NextDay answer = new NextDay(body.pain(), body.compared(), body.moreTired(), body.newSigns());
    StudioContext.within(
        t.studioId,
        "client",
        () -> {
          service.store(t.checkInId, answer);
          return true;
        });
  }

  @GetMapping("/runs/{runId}/check-in-links")
  List<Link> links(@PathVariable UUID runId) {
    runs.require(runId);
    return checkIns.links(runId).entrySet().stream()
        .map(e -> new Link(e.getKey(), e.getValue()))
        .toList();
  }
}
