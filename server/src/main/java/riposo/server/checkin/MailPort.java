package riposo.server.checkin;

import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Where messages to clients leave. The stand-in keeps them in an outbox the professional can open.
 */
public interface MailPort {
  /** A message to a client; {@code link} is in the body too. */
  record Mail(
      UUID clientId,
      @Nullable UUID runId,
      String recipient,
      String subject,
      String body,
      String link) {}

  void send(Mail mail);
}
