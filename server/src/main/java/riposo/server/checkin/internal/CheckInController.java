package riposo.server.checkin.internal;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.tolerance.NextDay;
import riposo.server.checkin.CheckIns;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;

/** The client's own page, opened by an unguessable link, and the professional's, over HTTP. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
class CheckInController {
  /**
   * What the page shows before the answer: no more than a first name, the studio and the day.
   *
   * @param session "24 Nov": the day of the session it is about
   * @param second it is the one at 72 h
   * @param daysLate days after the day it is about; 0 on it
   * @param answer what was answered and may still be changed; null where nothing was
   * @param changeUntil "09:12": until when; null where nothing was answered
   */
  record Page(
      String firstName,
      String studio,
      String emergencyNumber,
      String session,
      boolean second,
      int daysLate,
      @Nullable NextDay answer,
      @Nullable String changeUntil) {}

  /** An answer is kept. */
  record AnswerKept(String changeUntil) {}

  /** A check-in of a run; the link is null where none is kept. */
  record Link(UUID checkInId, UUID clientId, boolean second, @Nullable String link) {}

  private final CheckInService service;
  private final AskViews views;
  private final Runs runs;
  private final Studios studios;

  CheckInController(CheckInService service, AskViews views, Runs runs, Studios studios) {
    this.service = service;
    this.views = views;
    this.runs = runs;
    this.studios = studios;
  }

  @GetMapping("/check-in/{token}")
  Page page(@PathVariable String token) {
    CheckInRows.Token t = service.find(token);
    return StudioContext.within(
        t.studioId, "client", () -> views.page(service.open(t.checkInId), studios.current()));
  }

  @PostMapping("/check-in/{token}")
  AnswerKept answer(@PathVariable String token, @Valid @RequestBody CheckInForms.Answer body) {
    CheckInRows.Token t = service.find(token);
    NextDay answer = body.read();
    return StudioContext.within(
        t.studioId, "client", () -> new AnswerKept(service.store(t.checkInId, answer)));
  }

  @GetMapping("/runs/{runId}/check-in-links")
  List<Link> links(@PathVariable UUID runId) {
    runs.require(runId);
    return service.ofRun(runId).stream()
        .map(c -> new Link(c.id, c.clientId, c.kind == CheckIns.Kind.SECOND, service.link(c)))
        .toList();
  }

  /** A check-in as the professional sees it. */
  @GetMapping("/check-ins/{id}")
  AskViews.AskView ask(@PathVariable UUID id) {
    return views.ask(id);
  }

  /** What was told by phone or at the door. */
  @PostMapping("/check-ins/{id}/answer")
  AskViews.AskView told(@PathVariable UUID id, @Valid @RequestBody CheckInForms.Asked body) {
    service.ask(id, body.by().how, body.answer().read());
    return views.ask(id);
  }

  /** An emergency sign was told in error. */
  @PostMapping("/check-ins/{id}/error")
  AskViews.AskView inError(@PathVariable UUID id, @Valid @RequestBody CheckInForms.InError body) {
    service.inError(id, body.reason());
    return views.ask(id);
  }
}
