package riposo.server.plan.internal;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.catalogue.CatalogueException;
import riposo.catalogue.PlanDocument;
import riposo.server.movement.Movements;
import riposo.server.plan.Plans.Plan;
import riposo.server.platform.Download;
import riposo.server.platform.Problems;

/** Plans out and in as open documents. */
@Service
@Transactional
class PlanFiles {
  private final PlanService plans;
  private final Movements movements;

  PlanFiles(PlanService plans, Movements movements) {
    this.plans = plans;
    this.movements = movements;
  }

  /** The JSON schema of the document. */
  @Transactional(readOnly = true)
  String schema() {
    return PlanDocument.schema();
  }

  @Transactional(readOnly = true)
  Download<String> document(UUID id) {
    Plan p = plans.require(id);
    String file = p.name().toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    return new Download<>(
        file + ".plan.json", new PlanDocument(p.name(), p.tags(), p.note(), p.plan()).write());
  }

  /** Reads a document, all or nothing; every problem is named. */
  Plan importDocument(byte[] body) {
    PlanDocument d;
    try {
      d =
          PlanDocument.read(
              new String(body, java.nio.charset.StandardCharsets.UTF_8), movements.catalogue());
    } catch (CatalogueException e) {
      List<Problems.Field> fields =
          e.problems().stream()
              .limit(20)
              .map(
                  p -> {
                    int colon = p.startsWith("/") ? p.indexOf(": ") : -1;
                    return colon < 0
                        ? new Problems.Field("", p)
                        : new Problems.Field(
                            p.substring(0, colon),
                            p.substring(0, colon) + ": " + p.substring(colon + 2));
                  })
              .toList();
      throw Problems.fields(fields);
    }
    PlanService.PlanForm form = new PlanService.PlanForm(d.name(), d.tags(), d.note(), d.plan());
    return plans.create(form);
  }
}
