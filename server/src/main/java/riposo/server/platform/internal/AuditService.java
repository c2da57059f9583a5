package riposo.server.platform.internal;

import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.server.platform.AuditEntry;

/** The record of changes, newest first. */
@Service
class AuditService {
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

  AuditService(EntityManager em) {
    this.em = em;
  }

  /** The newest 200, of one client where one is named. */
  @Transactional(readOnly = true)
  List<AuditView> newest(@Nullable UUID clientId) {
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
