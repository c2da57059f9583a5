package riposo.server.platform.internal;

import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.AuditEntry;

/** The record of changes, newest first. */
@RestController
@RequestMapping(value = "/api/audit", produces = "application/json")
class AuditController {
  /** One change. */
  record AuditView(
      UUID id,
      Instant at,
      String who,
      String action,
      String subject,
      UUID subjectId,
      @Nullable String detail) {}

  private final EntityManager em;

  AuditController(EntityManager em) {
    this.em = em;
  }

  /** The newest 200, of one client where one is named. */
  @GetMapping
  @Transactional(readOnly = true)
  List<AuditView> newest(@RequestParam(required = false) @Nullable UUID clientId) {
    var query =
        clientId == null
            ? em.createQuery("from AuditEntry order by at desc, id desc", AuditEntry.class)
            : em.createQuery(
                    "from AuditEntry where clientId = :client order by at desc, id desc",
                    AuditEntry.class)
                .setParameter("client", clientId);
    return query.setMaxResults(200).getResultList().stream()
        .map(e -> new AuditView(e.id, e.at, e.who, e.action, e.subject, e.subjectId, e.detail))
        .toList();
  }
}
