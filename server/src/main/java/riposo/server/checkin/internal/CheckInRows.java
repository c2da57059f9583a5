package riposo.server.checkin.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.repository.Repository;
import riposo.server.checkin.CheckIns;
import riposo.server.platform.Owned;
import riposo.server.platform.Store;
import riposo.server.platform.Unstamped;

/** Rows and repositories of check-ins and the outbox. */
final class CheckInRows {
  private CheckInRows() {}

  /** A check-in and its answer. */
  @Entity(name = "CheckIn")
  @Table(name = "check_in")
  static class CheckIn extends Owned {
    @Column(name = "client_id")
    UUID clientId;

    @Column(name = "run_id")
    UUID runId;

    @Column(name = "opens_on")
    LocalDate opensOn;

    @Column(name = "expires_on")
    LocalDate expiresOn;

    @Column(name = "answered_at")
    @Nullable Instant answeredAt;

    @Column(columnDefinition = "longtext")
    @Nullable String answer;

    /** The answer tells of an emergency sign. */
    boolean emergency;

    @Enumerated(EnumType.STRING)
    @JdbcTypeCode(SqlTypes.VARCHAR)
    CheckIns.Kind kind = CheckIns.Kind.NEXT_DAY;

    /** How the answer came; null while there is none. */
    @Enumerated(EnumType.STRING)
    @JdbcTypeCode(SqlTypes.VARCHAR)
    @Column(name = "told_how")
    @Nullable How toldHow;

    /** Who asked; null where the client told it by the link. */
    @Column(name = "asked_by")
    @Nullable String askedBy;

    @Column(name = "changed_at")
    @Nullable Instant changedAt;

    /** Whose word it is that an emergency sign was told in error; null while it stands. */
    @Column(name = "error_by")
    @Nullable String errorBy;

    @Column(name = "error_reason")
    @Nullable String errorReason;

    /** The day of the session it is about. */
    LocalDate session() {
      return opensOn.minusDays(kind.days);
    }
  }

  /** How an answer came. */
  enum How {
    LINK,
    PHONE,
    DOOR
  }

  /**
   * Which check-in a token opens. Only the hash of the token is here; read before the studio is
   * known.
   */
  @Unstamped("a way to an answer")
  @Entity(name = "CheckInToken")
  @Table(name = "check_in_token")
  static class Token {
    @Id
    @Column(name = "token_hash", length = 64)
    String hash;

    @Column(name = "studio_id")
    UUID studioId;

    @Column(name = "check_in_id")
    UUID checkInId;
  }

  /** A message of the mail stand-in. */
  @Unstamped("a message")
  @Entity(name = "OutboxMessage")
  @Table(name = "outbox_message")
  static class Message extends Owned {
    @Column(name = "client_id")
    UUID clientId;

    @Column(name = "run_id")
    @Nullable UUID runId;

    String recipient;
    String subject;

    @Column(columnDefinition = "longtext")
    String body;

    @Nullable String link;
  }

  interface CheckInStore extends Store<CheckIn> {
    List<CheckIn> findByClientId(UUID clientId);

    List<CheckIn> findByClientIdAndOpensOnGreaterThanEqual(UUID clientId, LocalDate since);

    List<CheckIn> findByEmergencyIsTrueOrderById();

    List<CheckIn> findByClientIdAndEmergencyIsTrueOrderById(UUID clientId);

    /** Those that tell of an emergency sign; few, so that those of many are picked from all. */
    default List<CheckIn> emergencies(Collection<UUID> clients) {
      return clients.size() == 1
          ? findByClientIdAndEmergencyIsTrueOrderById(clients.iterator().next())
          : findByEmergencyIsTrueOrderById().stream()
              .filter(c -> clients.contains(c.clientId))
              .toList();
    }

    List<CheckIn> findByAnsweredAtIsNullAndOpensOnBetween(LocalDate from, LocalDate to);

    List<CheckIn> findByAnsweredAtGreaterThanEqualOrderByAnsweredAtDesc(Instant since);

    List<CheckIn> findByClientIdAndAnsweredAtGreaterThanEqualOrderByAnsweredAt(
        UUID clientId, Instant since);

    List<CheckIn> findByRunId(UUID runId);

    Optional<CheckIn> findByRunIdAndClientIdAndKind(UUID runId, UUID clientId, CheckIns.Kind kind);
  }

  interface TokenStore extends Repository<Token, String> {
    Optional<Token> findById(String hash);

    Token save(Token t);
  }

  interface MessageStore extends Store<Message> {
    Page<Message> findAllByOrderByCreatedAtDescIdDesc(Pageable page);

    List<Message> findByClientIdAndRunId(UUID clientId, UUID runId);

    List<Message> findByClientId(UUID clientId);
  }
}
