package riposo.server.platform.internal;

import jakarta.validation.Valid;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.IfMatch;
import riposo.server.platform.Studios;

/** The studio's own settings: name, zone, the emergency number, units, over HTTP. */
@RestController
@RequestMapping(value = "/api/settings", produces = "application/json")
class SettingsController {
  private final SettingsService service;

  SettingsController(SettingsService service) {
    this.service = service;
  }

  @GetMapping
  Studios.Studio settings() {
    return service.settings();
  }

  @PutMapping
  Studios.Studio change(@IfMatch long version, @Valid @RequestBody SettingsService.SettingsForm f) {
    return service.change(version, f);
  }
}
