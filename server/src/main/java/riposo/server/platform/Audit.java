package riposo.server.platform;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Records every change, in the transaction that makes it. */
@Component
public class Audit {
  /** So many ids in a statement at most. */
  private static final int AT_ONCE = 500;

  private final EntityManager em;
  private final Clock clock;

  Audit(EntityManager em, Clock clock) {
    this.em = em;
    this.clock = clock;
  }

  /** Notes a change; {@code detail} is cut at 1000 characters. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void changed(String action, String subject, UUID id, @Nullable String detail) {
    note(action, subject, id, detail, null);
  }

  private void note(
      String action, String subject, UUID id, @Nullable String detail, @Nullable UUID clientId) {
    AuditEntry e = new AuditEntry();
    e.at = clock.instant();
    e.who = StudioContext.who();
    e.action = action;
    e.subject = subject;
    e.subjectId = id;
    e.detail = detail == null ? null : detail.substring(0, Math.min(1000, detail.length()));
    e.clientId = clientId;
    em.persist(e);
  }

  /** Notes a change to something of a client. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void changed(
      String action, String subject, UUID id, @Nullable String detail, @Nullable UUID clientId) {
    note(action, subject, id, detail, clientId);
  }

  /** Notes that somebody looked at a client: once a day and person. */
  @Transactional(propagation = Propagation.REQUIRED)
  public void saw(UUID clientId) {
    Instant from = clock.instant().truncatedTo(java.time.temporal.ChronoUnit.DAYS);
    long today =
        em.createQuery(
                "select count(*) from AuditEntry where clientId = :client and action = 'saw' and who = :who and at >= :from",
                Long.class)
            .setParameter("client", clientId)
            .setParameter("who", StudioContext.who())
            .setParameter("from", from)
            .getSingleResult();
    if (today == 0) {
      note("saw", "client", clientId, null, clientId);
    }
  }

  /**
   * Empties what the record says about things that are erased: the entries stay, with who and when,
   * without what.
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public void forget(UUID clientId, List<UUID> subjects) {
    em.createQuery("update AuditEntry set detail = null where clientId = :client")
        .setParameter("client", clientId)
        .executeUpdate();
    for (int from = 0; from < subjects.size(); from += AT_ONCE) {
      em.createQuery("update AuditEntry set detail = null where subjectId in :ids")
          .setParameter("ids", subjects.subList(from, Math.min(subjects.size(), from + AT_ONCE)))
          .executeUpdate();
    }
  }
}
