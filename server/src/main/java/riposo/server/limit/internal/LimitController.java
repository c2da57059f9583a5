package riposo.server.limit.internal;

import jakarta.validation.Valid;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.limit.Side;
import riposo.server.platform.IfMatch;

/**
 * Limits: list, add, change, lift. A change is a new limit that replaces the old one, over HTTP.
 */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
class LimitController {
  private final LimitService service;
  private final LimitViews views;

  LimitController(LimitService service, LimitViews views) {
    this.views = views;
    this.service = service;
  }

  /** The limits of any date combined: the lowest cap per axis and side, and which limit it is. */
  @GetMapping("/clients/{clientId}/limits/on")
  LimitViews.Combined on(
      @PathVariable UUID clientId, @RequestParam(required = false) @Nullable LocalDate date) {
    return views.on(clientId, date);
  }

  @GetMapping("/axes")
  List<LimitViews.AxisView> axes() {
    return views.axes();
  }

  @GetMapping("/axes/words")
  LimitViews.LimitWords words(
      @RequestParam String axisId, @RequestParam Side side, @RequestParam int cap) {
    return views.words(axisId, side, cap);
  }

  @GetMapping("/clients/{clientId}/limits")
  List<LimitViews.LimitView> list(@PathVariable UUID clientId) {
    return views.list(clientId);
  }

  @PostMapping("/clients/{clientId}/limits")
  @ResponseStatus(HttpStatus.CREATED)
  LimitViews.LimitView create(
      @PathVariable UUID clientId, @Valid @RequestBody LimitService.LimitForm f) {
    return service.create(clientId, f);
  }

  /** Replaces a limit. A FIRM one may be made tighter here; only a clearance loosens it. */
  @PutMapping("/limits/{id}")
  LimitViews.LimitView change(
      @PathVariable UUID id, @IfMatch long version, @Valid @RequestBody LimitService.LimitForm f) {
    return service.change(id, version, f);
  }

  @PostMapping("/limits/{id}/lift")
  LimitViews.LimitView lift(
      @PathVariable UUID id, @IfMatch long version, @Valid @RequestBody LimitService.Lift body) {
    return service.lift(id, version, body);
  }
}
