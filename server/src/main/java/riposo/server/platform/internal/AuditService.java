package riposo.server.platform.internal;

import jakarta.persistence.EntityManager;
import jakarta.persistence.TypedQuery;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.PageImpl;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.server.platform.AuditEntry;
import riposo.server.platform.Paged;

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

  /** A page of them, of one client where one is named. */
  @Transactional(readOnly = true)
  Paged<AuditView> newest(@Nullable UUID clientId, int page) {
    String of = clientId == null ? "from AuditEntry" : "from AuditEntry where clientId = :client";
    TypedQuery<AuditEntry> entries =
        em.createQuery(of + " order by at desc, id desc", AuditEntry.class);
    TypedQuery<Long> count = em.createQuery("select count(*) " + of, Long.class);
    if (clientId != null) {
      entries.setParameter("client", clientId);
      count.setParameter("client", clientId);
    }
    List<AuditEntry> some =
        entries.setFirstResult(page * Paged.SIZE).setMaxResults(Paged.SIZE).getResultList();
    return Paged.of(
        new PageImpl<>(some, Paged.ask(page), count.getSingleResult()),
        e -> new AuditView(e.id, e.at, e.who, e.action, e.subject, e.subjectId, e.detail));
  }
}
