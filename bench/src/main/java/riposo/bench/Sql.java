package riposo.bench;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/** Short questions to a database. */
final class Sql {
  private Sql() {}

  /** The first column of every row. */
  static List<String> strings(Connection db, String sql) throws SQLException {
    List<String> all = new ArrayList<>();
    try (Statement s = db.createStatement();
        ResultSet rs = s.executeQuery(sql)) {
      while (rs.next()) {
        all.add(rs.getString(1));
      }
    }
    return all;
  }
}
