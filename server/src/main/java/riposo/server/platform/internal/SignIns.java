package riposo.server.platform.internal;

import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import riposo.server.platform.Audit;
import riposo.server.platform.Problems;
import riposo.server.platform.Professional;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;

/**
 * Who an address and a password are. Tries are counted before a password is looked at, only a few
 * passwords are worked on at once, and what came of it goes on the studio's record.
 */
@Component
class SignIns implements AuthenticationProvider {
  private static final Logger LOG = LoggerFactory.getLogger(SignIns.class);

  /** A password takes a core for a tenth of a second and more: the others' pages need one too. */
  private static final int AT_ONCE = 1;

  private static final int WAIT_SECONDS = 4;

  private record Row(Professional professional, String hash) {}

  private final JdbcClient jdbc;
  private final PasswordEncoder passwords;
  private final SignInTries tries;
  private final Audit audit;
  private final TransactionTemplate tx;
  private final String nobody;
  private final Semaphore turns = new Semaphore(AT_ONCE, true);

  SignIns(
      JdbcClient jdbc,
      PasswordEncoder passwords,
      SignInTries tries,
      Audit audit,
      PlatformTransactionManager transactions) {
    this.jdbc = jdbc;
    this.passwords = passwords;
    this.tries = tries;
    this.audit = audit;
    this.tx = new TransactionTemplate(transactions);
    this.nobody = String.valueOf(passwords.encode(UUID.randomUUID().toString()));
  }

  /**
   * @param a with the address, the password, and as its details the network address it comes from
   * @throws BadCredentialsException where they do not match
   * @throws Problems 429 where it was tried too often, 503 where too many passwords wait
   */
  @Override
  public Authentication authenticate(Authentication a) {
    String email = Studios.address(String.valueOf(a.getPrincipal()));
    String place = String.valueOf(a.getDetails());
    Row row =
        jdbc.sql("select id, studio_id, email, name, password_hash from account where email = ?")
            .param(email)
            .query(
                (rs, n) ->
                    new Row(
                        new Professional(
                            UUID.fromString(rs.getString(1)),
                            UUID.fromString(rs.getString(2)),
                            rs.getString(3),
                            rs.getString(4)),
                        rs.getString(5)))
            .optional()
            .orElse(null);
    String account = row == null ? email : row.professional().accountId().toString();
    Duration wait = tries.take(account, place);
    if (!wait.isZero()) {
      throw Problems.tooMany(
          "Too many passwords were tried for this address. Try again in %s."
              .formatted(minutes(wait)),
          wait);
    }
    // an unknown address costs the same time as a wrong password
    boolean matches;
    try {
      matches = matches(String.valueOf(a.getCredentials()), row == null ? nobody : row.hash());
    } catch (Problems busy) {
      tries.back(account, place);
      throw busy;
    }
    if (row == null) {
      LOG.info("sign-in with an address of no account, from {}", place);
      throw new BadCredentialsException("wrong");
    }
    if (!matches) {
      note(row.professional(), "somebody", "tried a wrong password for", place);
      throw new BadCredentialsException("wrong");
    }
    tries.right(account, place);
    note(row.professional(), row.professional().displayName(), "signed in to", place);
    return new UsernamePasswordAuthenticationToken(row.professional(), null, List.of());
  }

  private boolean matches(String password, String hash) {
    try {
      if (!turns.tryAcquire(WAIT_SECONDS, TimeUnit.SECONDS)) {
        throw Problems.busy();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw Problems.busy();
    }
    try {
      return passwords.matches(password, hash);
    } finally {
      turns.release();
    }
  }

  private void note(Professional p, String who, String action, String place) {
    StudioContext.within(
        p.studioId(),
        who,
        () -> {
          tx.executeWithoutResult(
              s -> audit.changed(action, "account", p.accountId(), p.email() + ", from " + place));
          return true;
        });
  }

  private static String minutes(Duration wait) {
    long minutes = (wait.toSeconds() + 59) / 60;
    return minutes == 1 ? "a minute" : minutes + " minutes";
  }

  @Override
  public boolean supports(Class<?> type) {
    return type == UsernamePasswordAuthenticationToken.class;
  }
}
