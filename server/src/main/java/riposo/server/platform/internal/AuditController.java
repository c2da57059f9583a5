package riposo.server.platform.internal;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The record of changes, newest first, over HTTP. */
@RestController
@RequestMapping(value = "/api/audit", produces = "application/json")
class AuditController {
  private final AuditService service;

  AuditController(AuditService service) {
    this.service = service;
  }

  /** The newest 200, of one client where one is named. */
  @GetMapping
  List<AuditService.AuditView> newest(@RequestParam(required = false) @Nullable UUID clientId) {
    return service.newest(clientId);
  }
}
