package riposo.server.movement;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.movement.Catalogue;

/** The catalogue as the plan builder finds it. */
@RestController
@RequestMapping(value = "/api/movements", produces = "application/json")
class MovementController {
  /** A movement in a list. */
  record MovementView(
      String id,
      String name,
      String family,
      String familyName,
      String purpose,
      int rung,
      String position,
      int height,
      int difficulty,
      List<String> cues) {}

  private final Catalogue catalogue;

  MovementController(Catalogue catalogue) {
    this.catalogue = catalogue;
  }

  @GetMapping
  List<MovementView> all() {
    return catalogue.movements().stream()
        .map(
            m ->
                new MovementView(
                    m.id(),
                    m.name(),
                    m.familyId(),
                    catalogue.family(m.familyId()).name(),
                    m.purpose().words,
                    m.rung(),
                    m.position().id(),
                    m.position().height,
                    m.difficulty(),
                    m.cues()))
        .toList();
  }
}
