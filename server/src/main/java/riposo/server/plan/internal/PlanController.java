package riposo.server.plan.internal;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
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
import riposo.server.plan.Plans;
import riposo.server.platform.IfMatch;

/** Session plans: list, build with a live timeline, order, versions, starting points, over HTTP. */
@RestController
@RequestMapping(value = "/api/plans", produces = "application/json")
class PlanController {
  private final PlanService service;
  private final PlanTrial trial;

  PlanController(PlanService service, PlanTrial trial) {
    this.trial = trial;
    this.service = service;
  }

  @GetMapping
  List<Plans.Plan> list(@RequestParam(defaultValue = "false") boolean archived) {
    return service.list(archived);
  }

  @GetMapping("/{id}")
  Plans.Plan require(@PathVariable UUID id) {
    return service.require(id);
  }

  @GetMapping("/formats")
  List<PlanTrial.FormatView> formats() {
    return trial.formats();
  }

  @PostMapping("/preview")
  PlanTrial.Compiled preview(@Valid @RequestBody PlanTrial.PlanQuestion q) {
    return trial.preview(q);
  }

  /** The best order of a block by exact search; nothing is stored. */
  @PostMapping("/order")
  PlanTrial.OrderView order(@Valid @RequestBody PlanTrial.OrderQuestion q) {
    return trial.order(q);
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  Plans.Plan create(@Valid @RequestBody PlanService.PlanForm form) {
    return service.create(form);
  }

  @PutMapping("/{id}")
  Plans.Plan change(
      @PathVariable UUID id, @IfMatch long version, @Valid @RequestBody PlanService.PlanForm form) {
    return service.change(id, version, form);
  }

  @GetMapping("/{id}/versions")
  List<PlanService.PlanVersionView> versions(@PathVariable UUID id) {
    return service.versions(id);
  }

  @GetMapping("/{id}/versions/{number}")
  PlanService.PlanVersion version(@PathVariable UUID id, @PathVariable int number) {
    return service.version(id, number);
  }

  @PostMapping("/{id}/archive")
  Plans.Plan archive(@PathVariable UUID id) {
    return service.archive(id);
  }

  @PostMapping("/{id}/restore")
  Plans.Plan restore(@PathVariable UUID id) {
    return service.restore(id);
  }

  @PostMapping("/{id}/copy")
  @ResponseStatus(HttpStatus.CREATED)
  Plans.Plan copy(@PathVariable UUID id, @Valid @RequestBody PlanService.CopyForm form) {
    return service.copy(id, form);
  }

  @GetMapping("/starting-points")
  List<PlanService.StartView> startingPoints() {
    return service.startingPoints();
  }

  @PostMapping("/starting-points/copy")
  @ResponseStatus(HttpStatus.CREATED)
  Plans.Plan copyStart(@Valid @RequestBody PlanService.CopyForm form) {
    return service.copyStart(form);
  }
}
