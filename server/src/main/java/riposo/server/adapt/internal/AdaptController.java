package riposo.server.adapt.internal;

import jakarta.validation.Valid;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.platform.Heavy;

/** The adapt desk: adapted plans, stairs, and the professional's own choices, over HTTP. */
@RestController
@RequestMapping(value = "/api/clients/{clientId}/adapted/{planId}", produces = "application/json")
class AdaptController {
  private final AdaptService service;
  private final StairService stairs;
  private final WeightService weights;

  AdaptController(AdaptService service, StairService stairs, WeightService weights) {
    this.weights = weights;
    this.stairs = stairs;
    this.service = service;
  }

  @Heavy
  @GetMapping
  AdaptedPlans.AdaptedView today(
      @PathVariable UUID clientId,
      @PathVariable UUID planId,
      @RequestParam(required = false) @Nullable LocalDate date) {
    return service.today(clientId, planId, date);
  }

  /** The stair of the family that the slot stands in now. */
  @Heavy
  @GetMapping("/slots/{key}/stair")
  StairService.Stair stair(
      @PathVariable UUID clientId,
      @PathVariable UUID planId,
      @PathVariable String key,
      @RequestParam(required = false) @Nullable String family) {
    return stairs.stair(clientId, planId, key, family);
  }

  /**
   * Pins a choice. A FIRM limit is never passed; an ADVISED one only with a reason on record.
   *
   * @param room where it is done, for the kit there; the place of the client's own when left out
   */
  @PutMapping("/slots/{key}/choice")
  AdaptedPlans.AdaptedView choose(
      @PathVariable UUID clientId,
      @PathVariable UUID planId,
      @PathVariable String key,
      @RequestParam(required = false) @Nullable UUID room,
      @Valid @RequestBody StairService.Choose body) {
    return stairs.choose(clientId, planId, key, room, body);
  }

  @DeleteMapping("/slots/{key}/choice")
  AdaptedPlans.AdaptedView release(
      @PathVariable UUID clientId, @PathVariable UUID planId, @PathVariable String key) {
    return stairs.release(clientId, planId, key);
  }

  /**
   * Sets a weight for today or from now on. A cap is never passed.
   *
   * @param room where it is lifted, for the kit there; the place of the client's own when left out
   */
  @PutMapping("/slots/{key}/weight")
  AdaptedPlans.AdaptedView weigh(
      @PathVariable UUID clientId,
      @PathVariable UUID planId,
      @PathVariable String key,
      @RequestParam(required = false) @Nullable UUID room,
      @Valid @RequestBody WeightService.WeightForm body) {
    return weights.set(clientId, planId, key, room, body);
  }

  @DeleteMapping("/slots/{key}/weight")
  AdaptedPlans.AdaptedView unweigh(
      @PathVariable UUID clientId, @PathVariable UUID planId, @PathVariable String key) {
    return weights.release(clientId, planId, key);
  }
}
