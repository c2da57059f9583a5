package riposo.server.platform;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Records every change, in the transaction that makes it. */
@Component
public class Audit {
  private final EntityManager em;
  private final Clock clock;

  Audit(EntityManager em, Clock clock) {
    this.em = em;
    this.clock = clock;
  }

  /** Notes a change; {@code detail} is cut at 1000 characters. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void changed(String action, String subject, UUID id, @Nullable String detail) {
    AuditEntry e = new AuditEntry();
    e.at = clock.instant();
    e.who = StudioContext.who();
    e.action = action;
    e.subject = subject;
    e.subjectId = id;
    e.detail = detail == null ? null : detail.substring(0, Math.min(1000, detail.length()));
    em.persist(e);
  }
}
