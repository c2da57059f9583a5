package riposo.server.checkin.internal;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.server.checkin.MailPort;
import riposo.server.platform.Paged;
import riposo.server.platform.Studios;

/** The mail stand-in: keeps what a mail server would send. */
@Component
@Transactional
class OutboxMail implements MailPort {
  /** A message as shown. */
  record MessageView(
      UUID id, Instant at, String recipient, String subject, String body, @Nullable String link) {}

  private final CheckInRows.MessageStore store;
  private final Studios studios;

  OutboxMail(CheckInRows.MessageStore store, Studios studios) {
    this.store = store;
    this.studios = studios;
  }

  @Override
  public void send(Mail mail) {
    CheckInRows.Message m = new CheckInRows.Message();
    m.createdAt = studios.now();
    m.clientId = mail.clientId();
    m.runId = mail.runId();
    m.recipient = mail.recipient();
    m.subject = mail.subject();
    m.body = mail.body();
    m.link = mail.link();
    store.saveAndFlush(m);
  }

  /** A page of them, newest first. */
  @Transactional(readOnly = true)
  Paged<MessageView> all(int page) {
    return Paged.of(
        store.findAllByOrderByCreatedAtDescIdDesc(Paged.ask(page)),
        m -> new MessageView(m.id, m.createdAt, m.recipient, m.subject, m.body, m.link));
  }
}
