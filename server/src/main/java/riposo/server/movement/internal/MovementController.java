package riposo.server.movement.internal;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.movement.Modifier;
import riposo.server.movement.FigureSvg;

/** The catalogue: found, read in full, and drawn, over HTTP. */
@RestController
@RequestMapping(value = "/api/movements", produces = "application/json")
class MovementController {
  private final MovementService service;

  MovementController(MovementService service) {
    this.service = service;
  }

  @GetMapping
  List<MovementService.MovementView> all() {
    return service.all();
  }

  @GetMapping("/families")
  List<MovementService.FamilyStair> families() {
    return service.families();
  }

  @GetMapping("/families/{id}")
  MovementService.FamilyStair family(@PathVariable String id) {
    return service.family(id);
  }

  @GetMapping("/{id}")
  MovementService.MovementDetail one(@PathVariable String id) {
    return service.one(id);
  }

  /**
   * The movement drawn: first position and last.
   *
   * @param range percentage of range kept; the full range's end is drawn as closed
   */
  @GetMapping(value = "/{id}/figure.svg", produces = "image/svg+xml")
  ResponseEntity<String> figure(
      @PathVariable String id,
      @RequestParam(defaultValue = "100") @Min(1) @Max(100) int range,
      @RequestParam(required = false) @Nullable List<@NotNull Modifier> modifiers,
      @RequestParam(defaultValue = "BOTH") FigureSvg.Phase phase,
      @RequestParam(defaultValue = "PAPER") FigureSvg.Ground ground) {
    return ResponseEntity.ok()
        .cacheControl(CacheControl.maxAge(Duration.ofMinutes(10)).cachePrivate())
        .body(service.figure(id, range, modifiers, phase, ground));
  }

  /** The keys a movement of one's own may name as its figure. */
  @GetMapping("/figures")
  List<String> figures() {
    return service.figures();
  }
}
