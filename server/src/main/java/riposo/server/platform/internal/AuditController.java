package riposo.server.platform.internal;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
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
      @RequestParam(defaultValue = "0")
          @Min(value = 0, message = "Pages are counted from 0.")
          @Max(value = Paged.MOST_PAGES, message = "There are not that many pages.")
          int page) {
    return service.newest(clientId, page);
  }
}
