package riposo.server.platform.internal;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;

/**
 * Runs become facts: the tables of before are set aside as old_run and old_run_event, new ones are
 * made and filled from them, and everything that points at a run points at the new one. Every step
 * looks first whether it was done, so that it can be run again after it was cut short; nothing of
 * the old tables is changed. A later version drops them.
 */
@Component
public class V10__Runs extends BaseJavaMigration {
  static final String VERSION = "10";

  private static final String[][] POINTING = {
    {"check_in", "check_in_run"},
    {"family_verdict", "verdict_run"},
    {"stop_withdrawal", "withdrawal_run"}
  };

  @Override
  public boolean canExecuteInTransaction() {
    return false;
  }

  @Override
  public void migrate(Context context) throws SQLException, IOException {
    Connection c = context.getConnection();
    c.setAutoCommit(true);
    if (!exists(c, "old_run")) {
      execute(c, "rename table run to old_run, run_event to old_run_event");
    }
    try (InputStream in = V10__Runs.class.getResourceAsStream("/db/runs/tables.sql")) {
      for (String sql : new String(in.readAllBytes(), StandardCharsets.UTF_8).split(";")) {
        if (!sql.isBlank()) {
          execute(c, sql);
        }
      }
    }
    new CarriedRuns(c).carry();
    for (String[] p : POINTING) {
      if (!points(c, p[1], "run")) {
        execute(c, "alter table " + p[0] + " drop foreign key if exists " + p[1]);
        execute(
            c,
            "alter table "
                + p[0]
                + " add constraint "
                + p[1]
                + " foreign key (run_id) references run (id)");
      }
    }
  }

  private static void execute(Connection c, String sql) throws SQLException {
    try (Statement s = c.createStatement()) {
      s.execute(sql);
    }
  }

  private static boolean exists(Connection c, String table) throws SQLException {
    return found(
        c,
        "select 1 from information_schema.tables where table_schema = database() and table_name = ?",
        table);
  }

  private static boolean points(Connection c, String constraint, String table) throws SQLException {
    return found(
        c,
        "select 1 from information_schema.referential_constraints where constraint_schema = database()"
            + " and constraint_name = ? and referenced_table_name = ?",
        constraint,
        table);
  }

  private static boolean found(Connection c, String sql, String... values) throws SQLException {
    try (PreparedStatement s = c.prepareStatement(sql)) {
      for (int i = 0; i < values.length; i++) {
        s.setString(i + 1, values[i]);
      }
      try (ResultSet rs = s.executeQuery()) {
        return rs.next();
      }
    }
  }
}
