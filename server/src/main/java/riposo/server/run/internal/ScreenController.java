package riposo.server.run.internal;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.movement.Modifier;
import riposo.server.movement.FigureSvg;
import riposo.server.platform.StudioContext;

/** The second screen of a run, opened by a short code without signing in, over HTTP. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
class ScreenController {
  /** The code to type on the second screen. */
  record ScreenCode(String code) {}

  private final ScreenService screens;

  ScreenController(ScreenService screens) {
    this.screens = screens;
  }

  /** A code in place of the one before. */
  @PostMapping("/runs/{id}/screen")
  @ResponseStatus(HttpStatus.CREATED)
  ScreenCode open(@PathVariable UUID id) {
    return new ScreenCode(screens.open(id));
  }

  /** What the screen shows now. */
  @GetMapping("/screens/{code}")
  ScreenService.ScreenView show(@PathVariable String code, HttpServletRequest request) {
    ScreenRow row = screens.find(code, request.getRemoteAddr());
    return StudioContext.within(row.studioId, "screen", () -> screens.view(row.runId));
  }

  /** A movement of the session drawn. */
  @GetMapping(value = "/screens/{code}/figures/{movementId}.svg", produces = "image/svg+xml")
  ResponseEntity<String> figure(
      @PathVariable String code,
      @PathVariable String movementId,
      @RequestParam(defaultValue = "100") @Min(1) @Max(100) int range,
      @RequestParam(required = false) @Nullable List<@NotNull Modifier> modifiers,
      @RequestParam(defaultValue = "START") FigureSvg.Phase phase,
      HttpServletRequest request) {
    ScreenRow row = screens.find(code, request.getRemoteAddr());
    String svg =
        StudioContext.within(
            row.studioId,
            "screen",
            () ->
                screens.figure(
                    row.runId,
                    movementId,
                    range,
                    modifiers == null ? Set.of() : Set.copyOf(modifiers),
                    phase));
    return ResponseEntity.ok()
        .cacheControl(CacheControl.maxAge(Duration.ofMinutes(10)).cachePrivate())
        .body(svg);
  }
}
