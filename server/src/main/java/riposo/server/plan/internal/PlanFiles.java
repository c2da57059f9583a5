package riposo.server.plan.internal;

import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import riposo.catalogue.CatalogueException;
import riposo.catalogue.PlanDocument;
import riposo.server.movement.Movements;
import riposo.server.plan.Plans.Plan;
import riposo.server.platform.Problems;

/** Plans out and in as open documents. */
@RestController
@RequestMapping("/api/plans")
@Transactional
class PlanFiles {
  private final PlanService plans;
  private final Movements movements;

  PlanFiles(PlanService plans, Movements movements) {
    this.plans = plans;
    this.movements = movements;
  }

  /** The JSON schema of the document. */
  @GetMapping(value = "/schema", produces = MediaType.APPLICATION_JSON_VALUE)
  @Transactional(readOnly = true)
  String schema() {
    return PlanDocument.schema();
  }

  @GetMapping(value = "/{id}/document", produces = MediaType.APPLICATION_JSON_VALUE)
  @Transactional(readOnly = true)
  ResponseEntity<String> document(@PathVariable UUID id) {
    Plan p = plans.require(id);
    String file = p.name().toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(file + ".plan.json").build().toString())
        .body(new PlanDocument(p.name(), p.tags(), p.note(), p.plan()).write());
  }

  /** Reads a document, all or nothing; every problem is named. */
  @PostMapping(
      value = "/import",
      consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  ResponseEntity<Plan> importDocument(@RequestBody byte[] body) {
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
