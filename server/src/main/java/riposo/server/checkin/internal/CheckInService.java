package riposo.server.checkin.internal;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.NextDay;
import riposo.core.wording.MorningWords;
import riposo.core.wording.Wording;
import riposo.server.checkin.CheckIns;
import riposo.server.checkin.MailPort;
import riposo.server.client.Clients;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.ReadAhead;
import riposo.server.platform.RowsOf;
import riposo.server.platform.Stamped;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;

/** Sends check-ins when a run is closed and takes their answers. */
@Service
@Transactional
class CheckInService implements CheckIns, Readiness.ToldAfter, ReadAhead.Part {
  /** Days a client's link is good. */
  private static final int DAYS_OPEN = 3;

  /** Days after the session in which a professional may still ask: a week is remembered. */
  static final int ASK_DAYS = 7;

  /** How long an answer may be changed. */
  private static final Duration CHANGE = Duration.ofHours(1);

  /** As it stands in a kept answer. */
  private final RowsOf<CheckInRows.CheckIn> emergencies;

  /** Answers as read, by check-in, under their text. */
  private final Stamped<UUID, String, NextDay> answers = new Stamped<>(5_000);

  private final CheckInRows.CheckInStore store;
  private final CheckInRows.TokenStore tokens;
  private final CheckInRows.MessageStore messages;
  private final MailPort mail;
  private final Clients clients;
  private final Runs runs;
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
      Runs runs,
      Json json,
      Audit audit,
      Studios studios,
      ApplicationEventPublisher publisher,
      @Value("${riposo.public-url}") String publicUrl) {
    this.store = store;
    this.emergencies = new RowsOf<>(store::emergencies, c -> c.clientId);
    this.tokens = tokens;
    this.messages = messages;
    this.mail = mail;
    this.clients = clients;
    this.runs = runs;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
    this.publisher = publisher;
    this.publicUrl = publicUrl;
  }

  @EventListener
  void onClosed(Runs.RunClosed e) {
    if (store.findByRunIdAndClientIdAndKind(e.runId(), e.clientId(), Kind.NEXT_DAY).isPresent()) {
      return;
    }
    Clients.Client client = clients.require(e.clientId());
    LocalDate session =
        Objects.requireNonNullElseGet(runs.day(e.runId(), client.id()), studios::today);
    send(client, e.runId(), session, Kind.NEXT_DAY);
    if (client.askedTwice()) {
      send(client, e.runId(), session, Kind.SECOND);
    }
  }

  private void send(Clients.Client client, UUID runId, LocalDate session, Kind kind) {
    LocalDate today = studios.today();
    CheckInRows.CheckIn c = new CheckInRows.CheckIn();
    c.createdAt = studios.now();
    c.clientId = client.id();
    c.runId = runId;
    c.kind = kind;
    c.opensOn = session.plusDays(kind.days);
    // words that come late leave as many days as others have
    c.expiresOn = (c.opensOn.isBefore(today) ? today : c.opensOn).plusDays(DAYS_OPEN - 1);
    store.saveAndFlush(c);
    byte[] secret = new byte[32];
    random.nextBytes(secret);
    String token = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    CheckInRows.Token t = new CheckInRows.Token();
    t.hash = hash(token);
    t.studioId = StudioContext.current();
    t.checkInId = c.id;
    tokens.save(t);
    String link = publicUrl + "/check-in/" + token;
    boolean second = kind == Kind.SECOND;
    mail.send(
        new MailPort.Mail(
            client.id(),
            runId,
            client.email() == null ? client.name() : client.email(),
            second ? "How are you three days after?" : "How are you today?",
            "Four taps tell "
                + studios.current().name()
                + " how the session of "
                + Wording.day(session)
                + " sat with you"
                + (second ? ", three days on" : "")
                + ". Open from the morning of "
                + Wording.day(c.opensOn)
                + " to "
                + Wording.day(c.expiresOn)
                + ":\n"
                + link,
            link));
    audit.changed("sent", "check-in", c.id, second ? "at 72 h" : null, client.id());
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

  @Transactional(readOnly = true)
  CheckInRows.CheckIn require(UUID id) {
    return store.require(id, "check-in");
  }

  /** The check-in, when its client may answer it today, or change what was answered. */
  @Transactional(readOnly = true)
  CheckInRows.CheckIn open(UUID id) {
    CheckInRows.CheckIn c = require(id);
    String studio = studios.current().name();
    LocalDate today = studios.today();
    if (clients.require(c.clientId).inactive(today) != null) {
      throw Problems.gone(
          "closed", studio + " takes no answers by this link any more. Tell them in person.");
    }
    if (c.answeredAt != null) {
      if (changeUntil(c) != null) {
        return c;
      }
      throw Problems.gone(
          "answered",
          studio
              + " has your answer of "
              + Wording.day(studios.day(c.answeredAt))
              + ", "
              + studios.time(c.answeredAt)
              + ", and it can be changed no more. Is anything new? Tell them in person.");
    }
    if (today.isAfter(c.expiresOn)) {
      throw Problems.gone(
          "expired",
          "This was open until "
              + Wording.day(c.expiresOn)
              + ". Tell "
              + studio
              + " in person how you were after the session of "
              + Wording.day(c.session())
              + ".");
    }
    if (today.isBefore(c.opensOn)) {
      throw Problems.refused(
          "too-early",
          studio
              + " asks this on "
              + Wording.day(c.opensOn)
              + (c.kind == Kind.SECOND
                  ? ", three days after the session."
                  : ", the morning after the session.")
              + " Open the same link then.");
    }
    return c;
  }

  /** Until when an answer may be changed; null while there is none, and when that is over. */
  @Nullable Instant changeUntil(CheckInRows.CheckIn c) {
    Instant until = c.answeredAt == null ? null : c.answeredAt.plus(CHANGE);
    return until != null && studios.now().isBefore(until) ? until : null;
  }

  @Nullable NextDay told(CheckInRows.CheckIn c) {
    String answer = c.answer;
    return answer == null ? null : answers.of(c.id, answer, () -> json.read(answer, NextDay.class));
  }

  @Override
  public void answer(UUID runId, UUID clientId, NextDay answer) {
    answer(runId, clientId, Kind.NEXT_DAY, answer);
  }

  @Override
  public void answerSecond(UUID runId, UUID clientId, NextDay answer) {
    answer(runId, clientId, Kind.SECOND, answer);
  }

  private void answer(UUID runId, UUID clientId, Kind kind, NextDay answer) {
    store(
        store
            .findByRunIdAndClientIdAndKind(runId, clientId, kind)
            .orElseThrow(() -> Problems.notFound("check-in", runId))
            .id,
        answer);
  }

  /** The client's own answer; returns the time until which it may be changed. */
  String store(UUID id, NextDay answer) {
    return keep(open(id), answer, CheckInRows.How.LINK, null);
  }

  /** What was told by phone or at the door, to whoever is signed in. */
  void ask(UUID id, CheckInRows.How how, NextDay answer) {
    CheckInRows.CheckIn c = require(id);
    clients.requireActive(c.clientId);
    LocalDate today = studios.today();
    if (c.answeredAt != null && changeUntil(c) == null) {
      throw Problems.gone(
          "answered", "This is answered; it can be changed for an hour. Note the rest.");
    }
    if (today.isBefore(c.opensOn)) {
      throw Problems.refused(
          "too-early",
          "It asks how the "
              + (c.kind == Kind.SECOND ? "third day" : "morning")
              + " after was: ask from "
              + Wording.day(c.opensOn)
              + " on.");
    }
    if (today.isAfter(askUntil(c))) {
      throw Problems.gone(
          "expired",
          "It was "
              + Wording.day(c.session())
              + ": more than "
              + ASK_DAYS
              + " days are not remembered well enough. It stays unanswered.");
    }
    keep(c, answer, how, StudioContext.who());
  }

  static LocalDate askUntil(CheckInRows.CheckIn c) {
    return c.session().plusDays(ASK_DAYS);
  }

  private String keep(
      CheckInRows.CheckIn c, NextDay answer, CheckInRows.How how, @Nullable String askedBy) {
    NextDay before = told(c);
    if (before != null && before.changes() >= NextDay.MOST_CHANGES) {
      throw Problems.gone(
          "answered",
          "This was changed "
              + NextDay.MOST_CHANGES
              + " times. Tell "
              + studios.current().name()
              + " in person what is right.");
    }
    NextDay now = before == null ? answer : answer.inPlaceOf(before);
    if (before == null) {
      c.answeredAt = studios.now();
    } else {
      c.changedAt = studios.now();
    }
    if (answer.newSigns().contains(NextDay.Sign.EMERGENCY)) {
      // told again it stands again, whatever was withdrawn before
      c.errorBy = null;
      c.errorReason = null;
    }
    c.toldHow = how;
    c.askedBy = askedBy;
    c.answer = json.write(now);
    c.emergency = now.signs().contains(NextDay.Sign.EMERGENCY);
    store.saveAndFlush(c);
    audit.changed(
        before == null ? "answered" : "changed",
        "check-in",
        c.id,
        MorningWords.answer(now) + (askedBy == null ? "" : " Asked by " + askedBy + "."),
        c.clientId);
    publisher.publishEvent(new Answered(c.runId, c.clientId));
    return studios.time(Objects.requireNonNull(changeUntil(c)));
  }

  /**
   * An emergency sign was told in error: the word of who is signed in, with a reason, on the day it
   * was told. The verdict it led to still ends by its own word.
   */
  void inError(UUID id, String reason) {
    CheckInRows.CheckIn c = require(id);
    NextDay told = told(c);
    if (told == null || c.errorBy != null || !told.signs().contains(NextDay.Sign.EMERGENCY)) {
      throw Problems.refused("no-sign", "No emergency sign of this check-in stands.");
    }
    Instant at = Objects.requireNonNull(c.answeredAt);
    if (!studios.day(at).equals(studios.today())) {
      throw Problems.refused(
          "too-late",
          "A sign told in error is withdrawn on the day it was told; now a clearance opens this.");
    }
    c.errorBy = StudioContext.who();
    c.errorReason = reason.strip();
    store.saveAndFlush(c);
    audit.changed("withdrew", "check-in sign", id, "told in error: " + c.errorReason, c.clientId);
  }

  @Transactional(readOnly = true)
  String firstName(UUID clientId) {
    return clients.require(clientId).name().split(" ")[0];
  }

  @Override
  @Transactional(readOnly = true)
  public Mornings mornings(UUID clientId) {
    return mornings(store.findByClientId(clientId));
  }

  @Override
  @Transactional(readOnly = true)
  public Mornings mornings(UUID clientId, LocalDate since) {
    return mornings(store.findByClientIdAndOpensOnGreaterThanEqual(clientId, since));
  }

  private Mornings mornings(List<CheckInRows.CheckIn> asked) {
    Map<UUID, NextDay> next = new HashMap<>();
    Map<UUID, FamilySession.Second> seconds = new HashMap<>();
    for (CheckInRows.CheckIn c : asked) {
      NextDay told = told(c);
      if (c.kind == Kind.SECOND) {
        seconds.put(c.runId, new FamilySession.Second(told));
      } else if (told != null) {
        next.put(c.runId, told);
      }
    }
    return new Mornings(next, seconds);
  }

  @Override
  @Transactional(readOnly = true)
  public List<Emergency> emergencies(UUID clientId) {
    List<Emergency> all = new ArrayList<>();
    for (CheckInRows.CheckIn c : emergencies.of(clientId)) {
      NextDay told = c.errorBy == null ? told(c) : null;
      if (told != null && c.answeredAt != null && told.signs().contains(NextDay.Sign.EMERGENCY)) {
        // a clearance has to come after the last word of it
        Instant last = c.changedAt == null ? c.answeredAt : c.changedAt;
        all.add(new Emergency(studios.day(last), NextDay.Sign.EMERGENCY.words));
      }
    }
    return all;
  }

  @Override
  public void readAhead(Collection<UUID> clients, ReadAhead.For what) {
    emergencies.ahead(clients);
  }

  @Override
  @Transactional(readOnly = true)
  public List<Waiting> waiting(Instant now) {
    ZoneId zone = ZoneId.of(studios.current().zone());
    LocalDate today = LocalDate.ofInstant(now, zone);
    boolean noon = !LocalTime.ofInstant(now, zone).isBefore(LocalTime.NOON);
    LocalDate last = noon ? today : today.minusDays(1);
    Map<UUID, CheckInRows.CheckIn> newest = new LinkedHashMap<>();
    store.findByAnsweredAtIsNullAndOpensOnBetween(today.minusDays(ASK_DAYS), last).stream()
        .filter(c -> !today.isAfter(askUntil(c)))
        .sorted(Comparator.comparing((CheckInRows.CheckIn c) -> c.opensOn))
        .forEach(c -> newest.put(c.clientId, c));
    return newest.values().stream()
        .map(c -> new Waiting(c.id, c.clientId, c.kind, c.session(), today.isAfter(c.expiresOn)))
        .toList();
  }

  @Override
  @Transactional(readOnly = true)
  public List<Answer> answeredOn(LocalDate day) {
    return store.findByAnsweredAtGreaterThanEqualOrderByAnsweredAtDesc(start(day)).stream()
        .map(this::answer)
        .filter(a -> a.on().equals(day))
        .toList();
  }

  @Override
  @Transactional(readOnly = true)
  public List<Answer> answersOf(UUID clientId, LocalDate since) {
    return store
        .findByClientIdAndAnsweredAtGreaterThanEqualOrderByAnsweredAt(clientId, start(since))
        .stream()
        .map(this::answer)
        .toList();
  }

  private Instant start(LocalDate day) {
    return day.atStartOfDay(ZoneId.of(studios.current().zone())).toInstant();
  }

  private Answer answer(CheckInRows.CheckIn c) {
    Instant at = Objects.requireNonNull(c.answeredAt);
    return new Answer(
        c.id,
        c.runId,
        c.clientId,
        c.kind,
        at,
        studios.day(at),
        c.session(),
        c.askedBy,
        Objects.requireNonNull(told(c)));
  }

  /** The link sent for a check-in; null where none is kept. */
  @Transactional(readOnly = true)
  @Nullable String link(CheckInRows.CheckIn c) {
    for (CheckInRows.Message m : messages.findByClientIdAndRunId(c.clientId, c.runId)) {
      String link = m.link;
      if (link != null
          && tokens
              .findById(hash(link.substring(link.lastIndexOf('/') + 1)))
              .filter(t -> t.checkInId.equals(c.id))
              .isPresent()) {
        return link;
      }
    }
    return null;
  }

  /** Those of a run, by client. */
  @Transactional(readOnly = true)
  List<CheckInRows.CheckIn> ofRun(UUID runId) {
    return store.findByRunId(runId).stream()
        .sorted(Comparator.comparing((CheckInRows.CheckIn c) -> c.opensOn))
        .toList();
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
