package riposo.server.day.internal;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.Heavy;

/** The clients at a glance, over HTTP. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
class ClientListController {
  private final ClientListService service;

  ClientListController(ClientListService service) {
    this.service = service;
  }

  /**
   * A page of the clients found.
   *
   * @param page from 0
   */
  @Heavy
  @GetMapping("/client-list")
  ClientListService.ClientPage list(
      @RequestParam(defaultValue = "false") boolean archived,
      @RequestParam(required = false) @Size(max = 120, message = "At most 120 characters.")
          @Nullable String find,
      @RequestParam(required = false) @Pattern(regexp = "[A-Z_]{1,20}", message = "No such kind.")
          @Nullable String waits,
      @RequestParam(required = false) ClientListService.@Nullable Coming coming,
      @RequestParam(defaultValue = "NAME") ClientListService.Order order,
      @RequestParam(defaultValue = "0")
          @Min(value = 0, message = "Pages are counted from 0.")
          @Max(value = 100_000, message = "There are not that many pages.")
          int page,
      @RequestParam(defaultValue = "50")
          @Min(value = 1, message = "At least 1 on a page.")
          @Max(value = 200, message = "At most 200 on a page.")
          int size) {
    return service.page(
        new ClientListService.Wanted(archived, find, waits, coming, order, page, size));
  }

  /** Everybody in use by name, to choose from. */
  @Heavy
  @GetMapping("/client-names")
  List<ClientListService.ClientName> names() {
    return service.names();
  }
}
