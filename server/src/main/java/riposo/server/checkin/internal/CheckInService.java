package riposo.server.checkin.internal;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.LocalDate;
import java.util.Base64;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.tolerance.NextDay;
import riposo.server.checkin.CheckIns;
import riposo.server.checkin.MailPort;
import riposo.server.client.Clients;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;

/** Sends check-ins when a run is closed and takes their answers. */
@Service
@Transactional
class CheckInService implements CheckIns {
  private static final int DAYS_OPEN = 3;

  private final CheckInRows.CheckInStore store;
  private final CheckInRows.TokenStore tokens;
  private final CheckInRows.MessageStore messages;
  private final MailPort mail;
  private final Clients clients;
  private final Json json;
  private final Audit audit;
  private final Studios studios;
  private final ApplicationEventPublisher publisher;
  private final String publicUrl;
  private final SecureRandom random = new SecureRandom();

  CheckInService(
      CheckInRows.CheckInStore store,
      CheckInRows.TokenStore tokens,
      CheckInRows.MessageStore messages,
      MailPort mail,
      Clients clients,
      Json json,
      Audit audit,
      Studios studios,
      ApplicationEventPublisher publisher,
      @Value("${riposo.public-url}") String publicUrl) {
    this.store = store;
    this.tokens = tokens;
    this.messages = messages;
    this.mail = mail;
    this.clients = clients;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
    this.publisher = publisher;
    this.publicUrl = publicUrl;
  }

  @EventListener
  void onClosed(Runs.RunClosed e) {
    if (store.findByRunIdAndClientId(e.runId(), e.clientId()).isPresent()) {
      return;
    }
    LocalDate today = studios.today();
    CheckInRows.CheckIn c = new CheckInRows.CheckIn();
    c.createdAt = studios.now();
    c.clientId = e.clientId();
    c.runId = e.runId();
    c.opensOn = today.plusDays(1);
    c.expiresOn = today.plusDays(DAYS_OPEN);
    store.saveAndFlush(c);
    byte[] secret = new byte[32];
    random.nextBytes(secret);
    String token = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    CheckInRows.Token t = new CheckInRows.Token();
    t.hash = hash(token);
    t.studioId = riposo.server.platform.StudioContext.current();
    t.checkInId = c.id;
    tokens.save(t);
    Clients.Client client = clients.require(e.clientId());
    String link = publicUrl + "/check-in/" + token;
    mail.send(
        new MailPort.Mail(
            client.id(),
            e.runId(),
            client.email() == null ? client.name() : client.email(),
            "How are you today?",
            "Four taps tell us how yesterday's session sat with you. Open from tomorrow morning, for three days:\n"
                + link,
            link));
    audit.changed("sent", "check-in", c.id, null, client.id());
  }

  /**
   * Which studio and check-in a token opens; a 404 problem that tells nothing when there is none.
   */
  @Transactional(readOnly = true)
  CheckInRows.Token find(String token) {
    if (token.length() != 43) {
      throw unknown();
    }
    return tokens.findById(hash(token)).orElseThrow(CheckInService::unknown);
  }

  private static Problems unknown() {
    return Problems.absent(
        "This link is incomplete or altered. Open it again from the message you got.");
  }

  /** The check-in, when it may be answered today. */
  @Transactional(readOnly = true)
  CheckInRows.CheckIn open(UUID id) {
    CheckInRows.CheckIn c = store.require(id, "check-in");
    LocalDate today = studios.today();
    if (c.answeredAt != null) {
      throw Problems.gone("answered", "You have answered already. Thank you.");
    }
    if (today.isAfter(c.expiresOn)) {
      throw Problems.gone(
          "expired", "This link was good until " + c.expiresOn + ". Tell us in person next time.");
    }
    if (today.isBefore(c.opensOn)) {
      throw Problems.refused(
          "too-early", "This opens the day after the session, on " + c.opensOn + ".");
    }
    return c;
  }

  @Override
  public void answer(UUID runId, UUID clientId, NextDay answer) {
    store(
        store
            .findByRunIdAndClientId(runId, clientId)
            .orElseThrow(() -> Problems.notFound("check-in", runId))
            .id,
        answer);
  }

  void store(UUID id, NextDay answer) {
    CheckInRows.CheckIn c = open(id);
    c.answeredAt = studios.now();
    c.answer = json.write(answer);
    store.saveAndFlush(c);
    audit.changed(
        "answered", "check-in", id, "pain " + answer.pain() + ", " + answer.compared(), c.clientId);
    publisher.publishEvent(new Answered(c.runId, c.clientId));
  }

  @Transactional(readOnly = true)
  String firstName(UUID clientId) {
    return clients.require(clientId).name().split(" ")[0];
  }

  @Override
  @Transactional(readOnly = true)
  public Map<UUID, NextDay> answers(UUID clientId) {
    Map<UUID, NextDay> all = new HashMap<>();
    for (CheckInRows.CheckIn c : store.findByClientId(clientId)) {
      if (c.answer != null) {
        all.put(c.runId, json.read(c.answer, NextDay.class));
      }
    }
    return all;
  }

  @Override
  @Transactional(readOnly = true)
  public List<Waiting> waiting(LocalDate today) {
    return store.findByAnsweredAtIsNullAndOpensOnLessThanEqual(today).stream()
        .filter(c -> !today.isAfter(c.expiresOn))
        .map(c -> new Waiting(c.runId, c.clientId, c.opensOn, c.expiresOn))
        .toList();
  }

  @Override
  @Transactional(readOnly = true)
  public Map<UUID, String> links(UUID runId) {
    Map<UUID, String> links = new HashMap<>();
    for (CheckInRows.Message m : messages.findByRunId(runId)) {
      if (m.link != null) {
        links.putIfAbsent(m.clientId, m.link);
      }
    }
    return links;
  }

  static String hash(String token) {
    try {
      return HexFormat.of()
          .formatHex(
              MessageDigest.getInstance("SHA-256").digest(token.getBytes(StandardCharsets.UTF_8)));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
