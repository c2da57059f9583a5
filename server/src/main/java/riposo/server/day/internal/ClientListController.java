package riposo.server.day.internal;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The clients at a glance, over HTTP. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
class ClientListController {
  private final ClientListService service;

  ClientListController(ClientListService service) {
    this.service = service;
  }

  @GetMapping("/client-list")
  List<ClientListService.ClientLine> list(@RequestParam(defaultValue = "false") boolean archived) {
    return service.list(archived);
  }
}
