package riposo.server.movement.internal;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.wording.RuleBook;
import riposo.core.wording.RuleEntry;
import riposo.server.movement.Movements;
import riposo.server.platform.Studios;

/** Every rule, readable, over HTTP. */
@RestController
@RequestMapping(value = "/api/rules", produces = "application/json")
class RuleController {
  private final Movements movements;
  private final Studios studios;

  RuleController(Movements movements, Studios studios) {
    this.movements = movements;
    this.studios = studios;
  }

  @GetMapping
  List<RuleEntry> all() {
    return RuleBook.read(movements.catalogue(), studios.today());
  }
}
