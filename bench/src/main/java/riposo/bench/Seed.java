package riposo.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * Makes a practice of any size out of the demo's: {@code ./riposo bench seed 2000 500 60}. Clients
 * of the demo are copied under other made-up names with all that is kept of them; for a tenth of
 * them the sessions are copied again and again, each time moved further back, until they have as
 * many runs as asked. Works inside the database, so that it takes minutes. Ids are made from the
 * old ones, so that everything still points where it should.
 */
public final class Seed {
  /** Days of one history of the demo: copies of it are this far apart, or nearer for many. */
  private static final int SPAN = 175;

  private static final int FIVE_YEARS = 1826;
  private static final int CHUNK = 400;

  /** Tables with a row a client that is copied once. */
  private static final List<String> ONCE =
      List.of("screening", "client_limit", "clearance", "happened", "diary_entry", "review");

  /** Tables with rows of sessions, copied with each history. */
  private static final List<String> HISTORY =
      List.of(
          "today_check",
          "run",
          "run_person",
          "run_event",
          "run_set",
          "check_in",
          "family_verdict",
          "outbox_message",
          "audit_entry");

  /** Columns that hold the id of a copied row. */
  private static final Set<String> POINTING =
      Set.of(
          "id",
          "run_id",
          "check_id",
          "screening_id",
          "clearance_id",
          "limit_id",
          "replaces",
          "check_in_id",
          "subject_id");

  private static final String[] GIVEN = {
    "Aila", "Bastian", "Carys", "Dario", "Edda", "Fenna", "Goran", "Hedda", "Ivo", "Jorun", "Kalle",
    "Lioba", "Matteo", "Nanna", "Oskar", "Petra", "Quinn", "Runa", "Sanna", "Tibor", "Una", "Vera",
    "Wim", "Xenia", "Yara", "Zeno"
  };
  private static final String[] FAMILY = {
    "Aldric", "Brunner", "Castell", "Dorn", "Ekvall", "Fjord", "Grove", "Holm", "Iversen", "Jansky",
    "Kestrel", "Lund", "Marek", "Norrby", "Orme", "Pilgrim", "Quist", "Rask", "Solbakk", "Thorne",
    "Ulven", "Varga", "Wickham", "Yster", "Zorn"
  };

  private final Connection db;
  private final int clients;
  private final int runs;
  private final int appointments;

  private Seed(Connection db, int clients, int runs, int appointments) {
    this.db = db;
    this.clients = clients;
    this.runs = runs;
    this.appointments = appointments;
  }

  /** Clients, runs of a tenth of them, sessions booked for today; 2000, 500 and 60 by default. */
  public static void main(String[] args) throws SQLException, InterruptedException {
    boolean wait = args.length == 1 && args[0].equals("wait");
    int clients = args.length > 0 && !wait ? Integer.parseInt(args[0]) : 2000;
    int runs = args.length > 1 ? Integer.parseInt(args[1]) : 500;
    int appointments = args.length > 2 ? Integer.parseInt(args[2]) : 60;
    if (clients < 40 || runs < 1 || appointments < 1 || appointments > clients) {
      throw new IllegalArgumentException(
          "Give at least 40 clients, one run and one session of today, at most one a client.");
    }
    long began = System.nanoTime();
    try (Connection db =
        DriverManager.getConnection(
            System.getenv("RIPOSO_DB_URL"),
            System.getenv("RIPOSO_DB_USER"),
            System.getenv("RIPOSO_DB_PASSWORD"))) {
      Seed seed = new Seed(db, clients, runs, appointments);
      seed.waitForTheDemo();
      if (wait) {
        return;
      }
      seed.all();
    }
    System.out.printf("seeded in %.0f s%n", (System.nanoTime() - began) / 1e9);
  }

  private void all() throws SQLException, InterruptedException {
    execute("set foreign_key_checks = 0, unique_checks = 0, group_concat_max_len = 1000000");
    int copies = plan();
    copy("client", "s.client_id = t.id", copies, true);
    rename();
    for (String table : ONCE) {
      copy(table, "s.client_id = t.client_id", copies, true);
    }
    copy(
        "proposal_decision",
        "t.screening_id in (select x.id from screening x where x.client_id = s.client_id)",
        copies,
        true);
    for (String table : HISTORY) {
      copy(table, of(table), copies, false);
    }
    settle();
    book();
    group();
    execute("drop table seed_copy, seed_kept");
    // every client of a real practice has a stamp: what is shown is kept under it
    execute(
        "insert ignore into client_stamp (client_id, studio_id, stamp) select id, studio_id, 1 from client");
    // what the database reckons with: an old practice has it, a copied one has not
    for (String t : tables()) {
      execute("analyze table " + t);
    }
    System.out.printf(
        "%d clients, %d runs, %d sets, %d verdicts, %d sessions today%n",
        count("client"),
        count("run"),
        count("run_set"),
        count("family_verdict"),
        count("appointment where on_date = current_date"));
  }

  private List<String> tables() throws SQLException {
    return Sql.strings(
        db,
        "select table_name from information_schema.tables where table_schema = database() and table_type = 'BASE TABLE'");
  }

  private void waitForTheDemo() throws SQLException, InterruptedException {
    for (int i = 0; count("account") == 0; i++) {
      if (i > 600) {
        throw new SQLException("the demo's people did not come within ten minutes");
      }
      Thread.sleep(1000);
    }
  }

  /** Which client becomes which, and how far each copy of a history is moved back. */
  private int plan() throws SQLException {
    execute(
        "create table seed_kept (id uuid primary key, client_id uuid not null, key (client_id))");
    execute(
        "insert into seed_kept select p.run_id, p.client_id from run_person p join run r on r.id = p.run_id"
            + " where r.status in ('FINISHED', 'STOPPED') and p.effort_after is not null");
    execute(
        "create table seed_copy (no int primary key, client_id uuid not null, other uuid not null,"
            + " prefix char(12) not null, shift int not null)");
    List<String> all =
        Sql.strings(db, "select id from client where archived_on is null order by id");
    List<String> trained =
        Sql.strings(db, "select client_id from seed_kept group by client_id having count(*) >= 15");
    int many = Math.max(1, clients / 10);
    List<Object[]> plan = new ArrayList<>();
    for (int i = 0; i < clients - all.size(); i++) {
      boolean long_ = i < many;
      List<String> from = long_ ? trained : all;
      String source = from.get(i % from.size());
      int own = (int) number("select count(*) from seed_kept where client_id = '" + source + "'");
      int histories = long_ ? Math.max(1, (runs + own - 1) / own) : 1;
      for (int m = 0; m < histories; m++) {
        plan.add(new Object[] {source, i, m * Math.min(SPAN, FIVE_YEARS / histories)});
      }
    }
    plan.sort((a, b) -> Integer.compare((Integer) b[2], (Integer) a[2]));
    try (PreparedStatement add =
        db.prepareStatement(
            "insert into seed_copy values (?, ?, cast(concat('0190', lpad(hex(?), 8, '0'), '7', '000', '8000', '00000000000', '1') as uuid), ?, ?)")) {
      for (int no = 0; no < plan.size(); no++) {
        Object[] p = plan.get(no);
        add.setInt(1, no);
        add.setString(2, (String) p[0]);
        add.setInt(3, (Integer) p[1]);
        add.setString(4, String.format(Locale.ROOT, "0191%08x", no));
        add.setInt(5, (Integer) p[2]);
        add.addBatch();
      }
      add.executeBatch();
    }
    System.out.printf("%d new clients, %d histories%n", clients - all.size(), plan.size());
    return plan.size();
  }

  /** How rows of a table are found for a copy; sessions that still run are left out. */
  private static String of(String table) {
    return switch (table) {
      case "run" -> "t.id in (select k.id from seed_kept k where k.client_id = s.client_id)";
      case "run_event" ->
          "t.run_id in (select k.id from seed_kept k where k.client_id = s.client_id)"
              + " and (s.shift = 0 or t.kind <> 'STOP')";
      case "run_person", "run_set", "check_in" ->
          "t.client_id = s.client_id and t.run_id in (select k.id from seed_kept k where k.client_id = s.client_id)";
      case "family_verdict" ->
          "t.client_id = s.client_id and t.run_id in (select k.id from seed_kept k where k.client_id = s.client_id)"
              + " and (s.shift = 0 or t.verdict <> 'STOP_AND_REFER')";
      default -> "t.client_id = s.client_id";
    };
  }

  private void copy(String table, String on, int copies, boolean once) throws SQLException {
    long began = System.nanoTime();
    List<String> columns = new ArrayList<>();
    List<String> values = new ArrayList<>();
    boolean dated =
        count(
                "information_schema.columns where table_schema = database() and table_name = '"
                    + table
                    + "' and column_name = 'on_date'")
            > 0;
    try (Statement s = db.createStatement();
        ResultSet rs =
            s.executeQuery(
                "select column_name, data_type from information_schema.columns where table_schema = database()"
                    + " and table_name = '"
                    + table
                    + "' and is_generated = 'NEVER' order by ordinal_position")) {
      while (rs.next()) {
        columns.add("`" + rs.getString(1) + "`");
        values.add(value(table, rs.getString(1), rs.getString(2), dated, once));
      }
    }
    String sql =
        "insert into %s (%s) select %s from seed_copy s join %s t on %s where %s s.no >= ? and s.no < ?"
            .formatted(
                table,
                String.join(", ", columns),
                String.join(", ", values),
                table,
                on,
                once ? "s.shift = 0 and" : "");
    try (PreparedStatement p = db.prepareStatement(sql)) {
      db.setAutoCommit(false);
      for (int from = 0; from < copies; from += CHUNK) {
        p.setInt(1, from);
        p.setInt(2, from + CHUNK);
        p.executeUpdate();
        db.commit();
      }
      db.setAutoCommit(true);
    }
    System.out.printf("  %s %.1f s%n", table, (System.nanoTime() - began) / 1e9);
  }

  /** What a column of a copy holds. */
  private static String value(
      String table, String column, String type, boolean dated, boolean once) {
    String c = "t.`" + column + "`";
    if (table.equals("client") && column.equals("id")
        || column.equals("client_id")
        || column.equals("person_id")) {
      return "if(" + c + " is null, null, s.other)";
    }
    if (type.equals("uuid") && POINTING.contains(column)) {
      return "if(%1$s is null, null, cast(concat(s.prefix, '7', substr(md5(concat(%1$s, s.no)), 1, 3), '8', substr(md5(concat(%1$s, s.no)), 4, 15)) as uuid))"
          .formatted(c);
    }
    if (table.equals("family_verdict") && column.equals("status")) {
      // nothing of long ago waits still
      return "if(s.shift > 0 and t.status = 'WAITING', 'SUPERSEDED', t.status)";
    }
    boolean moved = !once && !column.equals("opens_until");
    return switch (type) {
      case "date", "datetime" -> moved ? c + " - interval s.shift day" : c;
      case "bigint" -> column.equals("at_ms") ? c + " - s.shift * 86400000" : c;
      case "longtext" -> {
        String text = "replace(" + c + ", cast(s.client_id as char), cast(s.other as char))";
        yield dated && moved
            ? "replace("
                + text
                + ", cast(t.on_date as char), cast(t.on_date - interval s.shift day as char))"
            : text;
      }
      default -> c;
    };
  }

  private void rename() throws SQLException {
    execute(
        "update client c join (select other, max(no) as no from seed_copy where shift = 0 group by other) s on s.other = c.id set"
            + " c.name = concat(elt(1 + s.no mod "
            + GIVEN.length
            + ", "
            + quoted(GIVEN)
            + "), ' ', elt(1 + s.no div 7 mod "
            + FAMILY.length
            + ", "
            + quoted(FAMILY)
            + "), ' ', s.no), c.email = concat('client', s.no, '@post.example')");
  }

  private static String quoted(String[] words) {
    return "'" + String.join("', '", words) + "'";
  }

  /** Mornings of long ago are told. */
  private void settle() throws SQLException {
    execute(
        "update check_in set answered_at = created_at, told_how = 'LINK', answer = coalesce(answer,"
            + " (select x.answer from (select answer from check_in where answer is not null and kind = 'NEXT_DAY' limit 1) x))"
            + " where answer is null and opens_on < current_date - interval 60 day");
    // a third of those with long histories have not told of their newest session yet
    execute(
        "update check_in c join (select x.client_id, max(x.opens_on) as day from check_in x"
            + " join seed_copy s on s.other = x.client_id and s.shift > 0 where x.kind = 'NEXT_DAY' group by x.client_id) n"
            + " on n.client_id = c.client_id and n.day = c.opens_on and c.kind = 'NEXT_DAY'"
            + " set c.answered_at = null, c.answer = null, c.told_how = null, c.expires_on = current_date + interval 2 day"
            + " where conv(substr(md5(c.client_id), 1, 2), 16, 10) mod 3 = 0");
  }

  /** Sessions of today and of four weeks to come. */
  private void book() throws SQLException {
    String plans =
        "(select id, studio_id, row_number() over (order by id) - 1 as place, count(*) over () as plans"
            + " from session_plan where archived_on is null)";
    for (int day = 0; day < 28; day++) {
      execute(
          "insert into appointment (id, studio_id, version, created_at, client_id, plan_id, on_date, at_time)"
              + " select uuid(), c.studio_id, 0, now(), c.id, p.id, current_date + interval "
              + day
              + " day, maketime(7 + c.place mod 12, 15 * (c.place div 12 mod 4), 0)"
              + " from (select x.id, x.studio_id, row_number() over (order by md5(concat(x.id, "
              + day
              + "))) - 1 as place from client x where x.archived_on is null"
              + " and exists (select 1 from screening y where y.client_id = x.id)) c join "
              + plans
              + " p on p.place = c.place mod p.plans where c.place < "
              + appointments);
    }
  }

  /** A group of thirty in the first room. */
  private void group() throws SQLException {
    execute(
        "insert into training_group (id, studio_id, version, created_at, name, room_id, plan_id, lanes, weekday, at_time)"
            + " select uuid(), g.studio_id, 0, now(), 'Thirty together', g.room_id, g.plan_id, 3, weekday(current_date) + 1, '10:00:00'"
            + " from training_group g order by g.id limit 1");
    execute(
        "insert into group_member (id, studio_id, version, created_at, group_id, client_id)"
            + " select uuid(), c.studio_id, 0, now(), g.id, c.id from training_group g join"
            + " (select x.id, x.studio_id from client x where exists (select 1 from run_person p where p.client_id = x.id) and x.name regexp '[0-9]$' order by x.id limit 30) c"
            + " where g.name = 'Thirty together'");
  }

  private void execute(String sql) throws SQLException {
    try (Statement s = db.createStatement()) {
      s.execute(sql);
    }
  }

  private long count(String from) throws SQLException {
    return number("select count(*) from " + from);
  }

  private long number(String sql) throws SQLException {
    try (Statement s = db.createStatement();
        ResultSet rs = s.executeQuery(sql)) {
      rs.next();
      return rs.getLong(1);
    }
  }
}
