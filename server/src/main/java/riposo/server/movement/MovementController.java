package riposo.server.movement;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.limit.JointMotion;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Demands;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Movement;
import riposo.core.movement.Position;
import riposo.core.plan.Region;

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
      List<String> cues,
      String region,
      boolean oneSided,
      boolean hold,
      String tempo,
      int effort,
      List<String> kit,
      List<String> demands) {}

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
                    m.cues(),
                    Region.of(m).words,
                    catalogue.variants(m).get(0).oneSided(),
                    m.isHold(),
                    m.tempo().toString(),
                    m.demands().effort(),
                    m.kit().stream()
                        .map(
                            any ->
                                any.stream()
                                    .sorted()
                                    .map(k -> k.words)
                                    .collect(Collectors.joining(" or ")))
                        .toList(),
                    demands(m)))
        .toList();
  }

  /**
   * What it asks of the body in words to find it by: "no kneeling" is found by what is not here.
   */
  private static List<String> demands(Movement m) {
    Demands d = m.demands();
    List<String> all = new ArrayList<>();
    if (m.position().onFloor()) {
      all.add("floor");
    }
    if (m.position() == Position.ALL_FOURS
        || m.position() == Position.KNEELING
        || m.position() == Position.HALF_KNEELING) {
      all.add("kneeling");
    }
    if (m.position().height >= 3) {
      all.add("standing");
    }
    if (d.grip() > 0) {
      all.add("grip");
    }
    if (d.impact() > 0) {
      all.add("impact");
    }
    if (d.overhead()
        || d.joints().stream()
            .anyMatch(j -> j.motion() == JointMotion.SHOULDER_ELEVATION && j.degrees() >= 120)) {
      all.add("overhead");
    }
    if (d.balance() >= 2) {
      all.add("balance");
    }
    if (d.holdSeconds() > 0) {
      all.add("hold");
    }
    if (m.loadKind() != LoadKind.NONE && m.loadKind() != LoadKind.OWN) {
      all.add("weight");
    }
    return all;
  }
}
