package riposo.server.platform;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/** Studios and their accounts; the studio's own date. */
@Component
public class Studios {
  /**
   * A studio as shown.
   *
   * @param phone printed on papers; null when not given
   */
  public record Studio(
      UUID id,
      long version,
      String name,
      String zone,
      String emergencyNumber,
      String massUnit,
      String glucoseUnit,
      @Nullable String phone) {}

  private static final String MEMO = Studios.class.getName() + '/';

  private final JdbcClient jdbc;
  private final Clock clock;
  private final PasswordEncoder passwords;

  Studios(JdbcClient jdbc, Clock clock, PasswordEncoder passwords) {
    this.jdbc = jdbc;
    this.clock = clock;
    this.passwords = passwords;
  }

  /** The studio at work; read once a request. */
  public Studio current() {
    RequestAttributes request = RequestContextHolder.getRequestAttributes();
    if (request == null) {
      return read();
    }
    String key = MEMO + StudioContext.current();
    if (request.getAttribute(key, RequestAttributes.SCOPE_REQUEST) instanceof Studio known) {
      return known;
    }
    Studio studio = read();
    request.setAttribute(key, studio, RequestAttributes.SCOPE_REQUEST);
    return studio;
  }

  private Studio read() {
    return jdbc.sql(
            "select id, version, name, zone, emergency_number, mass_unit, glucose_unit, phone from studio where id = ?")
        .param(StudioContext.current().toString())
        .query(
            (rs, n) ->
                new Studio(
                    UUID.fromString(rs.getString("id")),
                    rs.getLong("version"),
                    rs.getString("name"),
                    rs.getString("zone"),
                    rs.getString("emergency_number"),
                    rs.getString("mass_unit"),
                    rs.getString("glucose_unit"),
                    rs.getString("phone")))
        .optional()
        .orElseThrow(() -> Problems.notFound("studio", StudioContext.current()));
  }

  /**
   * Changes the signed-in studio; the zone must be known to Java.
   *
   * @throws OptimisticLockingFailureException when it has no longer this version; nothing is
   *     changed
   */
  @Transactional
  public void change(
      long version,
      String name,
      String zone,
      String emergencyNumber,
      String massUnit,
      String glucoseUnit,
      @Nullable String phone) {
    int changed =
        jdbc.sql(
                "update studio set version = version + 1, name = ?, zone = ?, emergency_number = ?, mass_unit = ?, glucose_unit = ?, phone = ? where id = ? and version = ?")
            .params(
                Arrays.asList(
                    name,
                    zone,
                    emergencyNumber,
                    massUnit,
                    glucoseUnit,
                    phone,
                    StudioContext.current().toString(),
                    version))
            .update();
    RequestAttributes request = RequestContextHolder.getRequestAttributes();
    if (request != null) {
      request.removeAttribute(MEMO + StudioContext.current(), RequestAttributes.SCOPE_REQUEST);
    }
    jdbc.sql(Stamps.TOUCH)
        .params(StudioContext.current().toString(), StudioContext.current().toString())
        .update();
    if (changed == 0) {
      throw new OptimisticLockingFailureException(
          "the studio is at another version than " + version);
    }
  }

  public Instant now() {
    return clock.instant();
  }

  /** Today in the studio's zone. */
  public LocalDate today() {
    return day(clock.instant());
  }

  /** The day of a moment in the studio's zone. */
  public LocalDate day(Instant moment) {
    return LocalDate.ofInstant(moment, ZoneId.of(current().zone()));
  }

  /** "10:32" in the studio's zone. */
  public String time(Instant moment) {
    return moment
        .atZone(ZoneId.of(current().zone()))
        .format(java.time.format.DateTimeFormatter.ofPattern("HH:mm"));
  }

  /**
   * Which of these ids, made on a device, a row of another studio holds: they are taken, and no
   * more than that is told.
   *
   * @param table a name written in the code, never one that was sent
   */
  public Set<UUID> heldElsewhere(String table, Collection<UUID> ids) {
    return ids.isEmpty()
        ? Set.of()
        : Set.copyOf(
            jdbc.sql(
                    Sql.LIST
                        + "select id from "
                        + table
                        + " where id in (:ids) and studio_id <> :studio")
                .param("ids", ids.stream().map(UUID::toString).toList())
                .param("studio", StudioContext.current().toString())
                .query((rs, n) -> UUID.fromString(rs.getString("id")))
                .list());
  }

  /**
   * An address as it is kept and compared, byte for byte: in small letters where it has plain ones
   * alone; one with others stays as it is, so that no two become one.
   */
  public static String address(String typed) {
    return typed.chars().allMatch(c -> c < 128) ? typed.toLowerCase(Locale.ROOT) : typed;
  }

  /** Every studio that somebody can sign in to. */
  public List<UUID> ids() {
    return jdbc.sql("select distinct studio_id from account order by studio_id")
        .query((rs, n) -> UUID.fromString(rs.getString(1)))
        .list();
  }

  public boolean hasAccount(String email) {
    return jdbc.sql("select count(*) from account where email = ?")
            .param(address(email))
            .query(Integer.class)
            .single()
        > 0;
  }

  @Transactional
  public UUID create(String name, String zone, String emergencyNumber) {
    UUID id = Owned.newId();
    jdbc.sql(
            "insert into studio (id, name, zone, emergency_number, created_at) values (?, ?, ?, ?, ?)")
        .params(
            id.toString(),
            name,
            ZoneId.of(zone).getId(),
            emergencyNumber,
            java.time.LocalDateTime.ofInstant(clock.instant(), java.time.ZoneOffset.UTC))
        .update();
    return id;
  }

  @Transactional
  public void addAccount(UUID studio, String email, String name, String password) {
    jdbc.sql(
            "insert into account (id, studio_id, email, name, password_hash) values (?, ?, ?, ?, ?)")
        .params(
            Owned.newId().toString(),
            studio.toString(),
            address(email),
            name,
            Objects.requireNonNull(passwords.encode(password)))
        .update();
  }
}
