package riposo.server.platform.internal;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.PageNumber;
import riposo.server.platform.Paged;

/** The record of changes, newest first, over HTTP. */
@RestController
@RequestMapping(value = "/api/audit", produces = "application/json")
class AuditController {
  private final AuditService service;

  AuditController(AuditService service) {
    this.service = service;
  }

  /**
   * A page of it, of one client where one is named.
   *
   * @param page from 0
   */
  @GetMapping
  Paged<AuditService.AuditView> newest(
      @RequestParam(required = false) @Nullable UUID clientId,
      @RequestParam(defaultValue = "0") @PageNumber int page) {
    return service.newest(clientId, page);
  }
}
