package riposo.server;

import java.util.List;
import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import riposo.server.platform.internal.V10__Runs;

/**
 * Measures carrying over 10,000 runs of before, in a database of its own: time, heap, disk and
 * counts. Run by {@code ./riposo bench carry}.
 */
final class CarryLoad {
  private static final int RUNS = 10_000;
  private static final String SCHEMA = "riposo_carry";

  private CarryLoad() {}

  public static void main(String[] args) throws Exception {
    JdbcTemplate sql = new JdbcTemplate(source("riposo"));
    sql.execute("drop database if exists " + SCHEMA);
    sql.execute("create database " + SCHEMA + " character set utf8mb4");
    sql = new JdbcTemplate(source(SCHEMA));
    migrate(sql, "9");
    UUID studio = UUID.randomUUID();
    sql.update(
        "insert into studio (id, name, zone, emergency_number, created_at) values (?, 'S', 'UTC', '112', now(6))",
        studio.toString());
    OldRuns old = new OldRuns();
    for (int c = 0; c < RUNS / 50; c++) {
      UUID client = UUID.randomUUID();
      sql.update(
          "insert into client (id, studio_id, version, created_at, name, birth_date, mobility, school, usual_pain, goal_effort, no_progression, kit)"
              + " values (?, ?, 0, now(6), 'Ada', '1960-01-01', 'USUAL', 'PAIN_FREE', 0, 6, false, '{}')",
          client.toString(),
          studio.toString());
      List<OldRuns.Made> made = old.of(c, 50);
      OldRuns.insert(sql, "", studio, client, UUID.randomUUID(), made);
      OldRuns.answers(sql, studio, client, made);
    }
    long events = count(sql, "run_event");
    double before = megabytes(sql, "run", "run_event");
    long t = System.nanoTime();
    migrate(sql, "latest");
    double seconds = (System.nanoTime() - t) / 1e9;
    System.out.printf(
        "%d runs, %d events carried over in %.1f s with a heap of %d MB; before %.0f MB, new tables %.0f MB%n",
        count(sql, "run"),
        events,
        seconds,
        Runtime.getRuntime().maxMemory() >> 20,
        before,
        megabytes(sql, "run", "run_person", "run_event", "run_set"));
    System.out.printf(
        "counts: runs %d of %d, people %d, events %d of %d, sets %d%n",
        count(sql, "run"),
        count(sql, "old_run"),
        count(sql, "run_person"),
        count(sql, "run_event"),
        count(sql, "old_run_event"),
        count(sql, "run_set"));
    sql.execute("drop database " + SCHEMA);
  }

  private static DriverManagerDataSource source(String schema) {
    String url = System.getenv("RIPOSO_DB_URL");
    return new DriverManagerDataSource(
        url.substring(0, url.lastIndexOf('/') + 1) + schema,
        System.getenv("RIPOSO_DB_USER"),
        System.getenv("RIPOSO_DB_PASSWORD"));
  }

  private static void migrate(JdbcTemplate sql, String target) {
    Flyway.configure()
        .dataSource(sql.getDataSource())
        .javaMigrations(new V10__Runs())
        .target(target)
        .load()
        .migrate();
  }

  private static long count(JdbcTemplate sql, String table) {
    return sql.queryForObject("select count(*) from " + table, Long.class);
  }

  private static double megabytes(JdbcTemplate sql, String... tables) {
    double sum = 0;
    for (String t : tables) {
      sql.execute("analyze table " + t);
      sum +=
          sql.queryForObject(
              "select (data_length + index_length) / 1048576 from information_schema.tables"
                  + " where table_schema = database() and table_name = ?",
              Double.class,
              t);
    }
    return sum;
  }
}
