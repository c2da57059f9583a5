package riposo.server.limit.internal;

import jakarta.validation.Valid;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/**
 * How a client gets to the floor and up: which way is open today, and which was seen to go well.
 */
@RestController
@RequestMapping(value = "/api/clients/{clientId}/floor", produces = "application/json")
class FloorController {
  private final FloorService service;

  FloorController(FloorService service) {
    this.service = service;
  }

  @GetMapping
  FloorService.FloorView floor(@PathVariable UUID clientId) {
    return service.floor(clientId);
  }

  /** Records a way seen to go well. */
  @PostMapping("/seen")
  @ResponseStatus(HttpStatus.CREATED)
  FloorService.FloorView record(
      @PathVariable UUID clientId, @Valid @RequestBody FloorService.SeenForm f) {
    return service.record(clientId, f);
  }

  /** Asks for staying up once up, or no longer. */
  @PutMapping("/once-up")
  FloorService.FloorView wish(
      @PathVariable UUID clientId, @Valid @RequestBody FloorService.OnceUp wish) {
    return service.wish(clientId, wish);
  }

  /** Takes a record back, such as one made by mistake. */
  @DeleteMapping("/seen/{id}")
  FloorService.FloorView withdraw(@PathVariable UUID clientId, @PathVariable UUID id) {
    return service.withdraw(clientId, id);
  }
}
