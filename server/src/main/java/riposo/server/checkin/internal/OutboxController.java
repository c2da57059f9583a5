package riposo.server.checkin.internal;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What the mail stand-in kept, over HTTP. */
@RestController
@RequestMapping(value = "/api/outbox", produces = "application/json")
class OutboxController {
  private final OutboxMail mail;

  OutboxController(OutboxMail mail) {
    this.mail = mail;
  }

  @GetMapping
  List<OutboxMail.MessageView> all() {
    return mail.all();
  }
}
