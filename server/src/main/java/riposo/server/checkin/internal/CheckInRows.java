package riposo.server.checkin.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.repository.Repository;
import riposo.server.platform.Owned;
import riposo.server.platform.Store;

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
  }

  /**
   * Which check-in a token opens. Only the hash of the token is here; read before the studio is
   * known.
   */
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

    List<CheckIn> findByAnsweredAtIsNullAndOpensOnLessThanEqual(LocalDate day);

    Optional<CheckIn> findByRunIdAndClientId(UUID runId, UUID clientId);
  }

  interface TokenStore extends Repository<Token, String> {
    Optional<Token> findById(String hash);

    Token save(Token t);
  }

  interface MessageStore extends Store<Message> {
    List<Message> findTop200ByOrderByCreatedAtDesc();

    List<Message> findByRunId(UUID runId);

    List<Message> findByClientId(UUID clientId);
  }
}
