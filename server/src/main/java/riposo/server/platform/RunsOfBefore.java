package riposo.server.platform;

import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** The tables runs were carried over from, until a later version drops them. */
@Component
public class RunsOfBefore {
  private final JdbcClient jdbc;

  RunsOfBefore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Deletes what they still hold of a client of the studio. */
  public void erase(UUID clientId) {
    for (String sql :
        new String[] {
          "delete from old_run_event where studio_id = ? and run_id in (select id from old_run where client_id = ?)",
          "delete from old_run where studio_id = ? and client_id = ?"
        }) {
      jdbc.sql(sql).params(StudioContext.current().toString(), clientId.toString()).update();
    }
  }
}
