package riposo.server.movement.internal;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.catalogue.CatalogueException;
import riposo.catalogue.CatalogueReader;
import riposo.catalogue.OwnMovements;
import riposo.catalogue.OwnMovements.Own;
import riposo.core.movement.Catalogue;
import riposo.server.movement.Movements;
import tools.jackson.databind.node.ObjectNode;

/** The studio's own movements as stored. */
@Component
@Transactional(readOnly = true)
class OwnMovementSource implements Movements.Source {
  private static final Logger LOG = LoggerFactory.getLogger(OwnMovementSource.class);

  private final OwnMovementStore store;
  private final Catalogue shipped = CatalogueReader.shipped();

  OwnMovementSource(OwnMovementStore store) {
    this.store = store;
  }

  @Override
  public String stamp() {
    OwnMovementStore.Stamp s = store.stamp();
    return s.count() == 0 ? "" : s.count() + "/" + s.versions() + "/" + s.changedAt();
  }

  @Override
  public List<Own> own() {
    List<ObjectNode> all =
        store.findAllByOrderByMovementId().stream()
            .map(r -> OwnMovements.document(r.document))
            .toList();
    try {
      return read(all, List.of());
    } catch (CatalogueException e) {
      // A newer shipped catalogue may leave one without its place: the others go on.
      LOG.warn("An own movement has no place any more: {}", e.problems());
      List<Own> kept = new ArrayList<>();
      for (ObjectNode one : all) {
        try {
          kept.addAll(read(List.of(one), kept));
        } catch (CatalogueException again) {
          LOG.warn("Left out: {}", one.get("id"));
        }
      }
      return kept;
    }
  }

  private List<Own> read(List<ObjectNode> some, List<Own> there) {
    return some.isEmpty()
        ? List.of()
        : OwnMovements.read("own movements", OwnMovements.write(some), shipped, there);
  }

  @Override
  public Set<String> retired() {
    return store.findAllByOrderByMovementId().stream()
        .filter(r -> r.retiredOn != null)
        .map(r -> r.movementId)
        .collect(Collectors.toSet());
  }
}
