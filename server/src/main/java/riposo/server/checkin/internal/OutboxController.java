package riposo.server.checkin.internal;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.PageNumber;
import riposo.server.platform.Paged;

/** What the mail stand-in kept, over HTTP. */
@RestController
@RequestMapping(value = "/api/outbox", produces = "application/json")
class OutboxController {
  private final OutboxMail mail;

  OutboxController(OutboxMail mail) {
    this.mail = mail;
  }

  /**
   * A page of it, newest first.
   *
   * @param page from 0
   */
  @GetMapping
  Paged<OutboxMail.MessageView> all(@RequestParam(defaultValue = "0") @PageNumber int page) {
    return mail.all(page);
  }
}
