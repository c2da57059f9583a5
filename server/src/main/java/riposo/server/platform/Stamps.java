package riposo.server.platform;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * A number for each client, and one for what a studio's clients share, that grows in the very
 * transaction that changes anything of them. What was worked out under a stamp is good as long as
 * the stamp stands, whoever changed what, on whichever instance. Only lists and sheets that are
 * shown rest on it: a start, a limit, a dose is always worked out anew.
 */
@Component
public class Stamps {
  private final JdbcClient jdbc;

  Stamps(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** The stamp of every client of the studio at work who is not put away, or of those too. */
  public Map<UUID, Long> clients(boolean archived) {
    Map<UUID, Long> all = new HashMap<>();
    jdbc.sql(
            "select c.id, coalesce(s.stamp, 0) from client c left join client_stamp s on s.client_id = c.id"
                + " where c.studio_id = ?"
                + (archived ? "" : " and c.archived_on is null"))
        .param(StudioContext.current().toString())
        .query(
            rs -> {
              all.put(UUID.fromString(rs.getString(1)), rs.getLong(2));
            });
    return all;
  }

  /**
   * Tells whether anything of the studio's clients, or of what they share, changed.
   *
   * @param count how many stamps there are
   * @param sum of them all
   * @param mixed each with whose it is
   */
  public record Sum(long count, long sum, long mixed) {}

  /** Of the studio at work; read once in a read. */
  public Sum sum() {
    return OncePerRead.of(Sum.class, StudioContext.current(), this::readSum);
  }

  private Sum readSum() {
    return jdbc.sql(
            "select count(*), coalesce(sum(stamp), 0), coalesce(bit_xor(crc32(concat(client_id, ':', stamp))), 0)"
                + " from client_stamp where studio_id = ?")
        .param(StudioContext.current().toString())
        .query((rs, i) -> new Sum(rs.getLong(1), rs.getLong(2), rs.getLong(3)))
        .single();
  }

  /** That of one client; read once in a read. */
  public long of(UUID client) {
    return OncePerRead.of(Stamps.class, client, () -> of(List.of(client)).getOrDefault(client, 0L));
  }

  /** Reads those of all these clients at once. */
  public void ahead(Collection<UUID> clients) {
    OncePerRead.ahead(Stamps.class, clients, this::of, 0L);
  }

  /** Those of these clients, and of what the studio's share under the studio's own id. */
  public Map<UUID, Long> of(Collection<UUID> clients) {
    UUID studio = StudioContext.current();
    Map<UUID, Long> all = new HashMap<>();
    clients.forEach(c -> all.put(c, 0L));
    all.put(studio, 0L);
    jdbc.sql(
            Sql.LIST
                + "select client_id, stamp from client_stamp where studio_id = :studio and client_id in (:ids)")
        .param("studio", studio.toString())
        .param("ids", all.keySet().stream().map(UUID::toString).toList())
        .query(
            rs -> {
              all.put(UUID.fromString(rs.getString(1)), rs.getLong(2));
            });
    return all;
  }

  /**
   * Something of a client changed that no row of theirs tells, or something the whole studio
   * shares, for which the studio's own id is given.
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public void touch(UUID id) {
    touch(List.of(id));
  }

  /** The same of several. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void touch(Collection<UUID> ids) {
    // always in the same order, so that two never wait for each other
    for (UUID id : ids.stream().sorted().toList()) {
      jdbc.sql(TOUCH).params(id.toString(), StudioContext.current().toString()).update();
    }
  }

  /** Takes an id and its studio's. */
  public static final String TOUCH =
      "insert into client_stamp (client_id, studio_id, stamp) values (?, ?, 1)"
          + " on duplicate key update stamp = stamp + 1";

  /** Takes the id of somebody who is erased. */
  public static final String FORGET = "delete from client_stamp where client_id = ?";
}
