package riposo.server.review.internal;

import jakarta.validation.Valid;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.Heavy;
import riposo.server.platform.IfMatch;

/** Reviews over HTTP. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
class ReviewController {
  private final ReviewService service;

  ReviewController(ReviewService service) {
    this.service = service;
  }

  @GetMapping("/clients/{clientId}/reviews")
  ReviewService.ReviewList all(@PathVariable UUID clientId) {
    return service.of(clientId);
  }

  /** Opens a review, or goes on with the one that is open. */
  @PostMapping("/clients/{clientId}/reviews")
  @ResponseStatus(HttpStatus.CREATED)
  ReviewService.ReviewView open(@PathVariable UUID clientId) {
    return service.open(clientId);
  }

  /** What a review of today would look at. */
  @Heavy
  @GetMapping("/clients/{clientId}/review-facts")
  ReviewFacts facts(@PathVariable UUID clientId) {
    return service.facts(clientId);
  }

  @GetMapping("/reviews/{id}")
  ReviewService.ReviewView one(@PathVariable UUID id) {
    return service.one(id);
  }

  /** Decides a point: it takes effect at once. */
  @PostMapping("/reviews/{id}/points")
  ReviewService.ReviewView decide(
      @PathVariable UUID id,
      @IfMatch long version,
      @Valid @RequestBody ReviewForms.PointForm body) {
    return service.decide(id, version, body);
  }

  @PostMapping("/reviews/{id}/close")
  ReviewService.ReviewView close(
      @PathVariable UUID id,
      @IfMatch long version,
      @Valid @RequestBody ReviewForms.CloseForm body) {
    return service.close(id, version, body);
  }
}
