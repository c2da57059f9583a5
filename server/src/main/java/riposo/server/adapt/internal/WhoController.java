package riposo.server.adapt.internal;

import jakarta.validation.Valid;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.Heavy;

/** Who of the studio's clients may do a movement today, while it is written or after, over HTTP. */
@RestController
@RequestMapping(value = "/api/movements", produces = "application/json")
class WhoController {
  private final WhoService service;

  WhoController(WhoService service) {
    this.service = service;
  }

  @PostMapping("/who")
  WhoService.WhoView draft(@Valid @RequestBody WhoService.WhoForm form) {
    return service.draft(form);
  }

  @Heavy
  @GetMapping("/{id}/who")
  WhoService.WhoView one(@PathVariable String id) {
    return service.one(id);
  }
}
