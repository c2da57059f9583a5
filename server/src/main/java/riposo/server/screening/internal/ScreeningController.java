package riposo.server.screening.internal;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.screening.Question;
import riposo.server.platform.IfMatch;

/** Screenings, their drafts, and proposals decided one by one, over HTTP. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
class ScreeningController {
  private final ScreeningService service;
  private final ScreeningViews views;

  ScreeningController(ScreeningService service, ScreeningViews views) {
    this.views = views;
    this.service = service;
  }

  @GetMapping("/screening/questions")
  List<Question> questions() {
    return service.questions();
  }

  /** The outcome so far; nothing is stored. */
  @PostMapping("/screening/preview")
  ScreeningViews.Preview preview(@Valid @RequestBody ScreeningService.Answers body) {
    return service.preview(body);
  }

  @PostMapping("/clients/{clientId}/screenings")
  ResponseEntity<ScreeningViews.ScreeningView> take(
      @PathVariable UUID clientId, @Valid @RequestBody ScreeningService.Signed body) {
    ScreeningService.Taken taken = service.take(clientId, body);
    return ResponseEntity.status(taken.fresh() ? HttpStatus.CREATED : HttpStatus.OK)
        .body(taken.screening());
  }

  /** The screening half done, or nothing yet. */
  @GetMapping("/clients/{clientId}/screening-draft")
  ScreeningViews.DraftView draft(@PathVariable UUID clientId) {
    return service.draft(clientId);
  }

  /** Keeps a screening half done; If-Match carries the version it was read with, none at first. */
  @PutMapping("/clients/{clientId}/screening-draft")
  ScreeningViews.DraftView keep(
      @PathVariable UUID clientId,
      @IfMatch @Nullable Long version,
      @Valid @RequestBody ScreeningService.Answers body) {
    return service.keep(clientId, version, body);
  }

  /** Throws the draft away. */
  @DeleteMapping("/clients/{clientId}/screening-draft")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void discard(@PathVariable UUID clientId) {
    service.discard(clientId);
  }

  /** Accepts several proposals at once, each recorded on its own. */
  @PostMapping("/screenings/{id}/decisions/accept")
  List<ScreeningViews.ProposalView> accept(
      @PathVariable UUID id, @Valid @RequestBody ScreeningService.AcceptKeys body) {
    return service.accept(id, body);
  }

  @GetMapping("/clients/{clientId}/screenings")
  List<ScreeningViews.ScreeningView> list(@PathVariable UUID clientId) {
    return views.list(clientId);
  }

  /** Accepts, changes or declines one proposal of a screening. */
  @PostMapping("/screenings/{id}/decisions")
  ScreeningViews.ProposalView decide(
      @PathVariable UUID id, @Valid @RequestBody ScreeningService.ProposalDecision body) {
    return service.decide(id, body);
  }
}
